import { diffIndices } from 'node-diff3';

/** What became of the lines of a text: what stands instead of some (null for nothing), and what came behind the lines before them. */
interface Changes {
  instead: ReadonlyMap<number, string | null>;
  behind: ReadonlyMap<number, readonly string[]>;
}

/**
 * A digest as it is now, with what a person changed in the one before: each line is one thing said, and merged for itself. Where both changed
 * a line, the person's stands.
 *
 * @param last the digest that was written last
 * @param now the digest as it is computed now
 * @param present what a person made of the last one
 * @example mergedDigest('- a\n- b', '- a\n- b (done)', '- a\n- b\n- thanks') // '- a\n- b (done)\n- thanks'
 */
export function mergedDigest(last: string, now: string, present: string): string {
  const base = last.split('\n');
  const [computed, written] = [changesOf(base, now.split('\n')), changesOf(base, present.split('\n'))];
  const lines: string[] = [];
  for (let at = 0; at <= base.length; at++) {
    const added = computed.behind.get(at) ?? [];
    lines.push(...added, ...(written.behind.get(at) ?? []).filter((line) => !added.includes(line)));
    const line =
      written.instead.get(at) ?? (written.instead.has(at) ? null : computed.instead.has(at) ? computed.instead.get(at) : base[at]);
    if (line != null) lines.push(line);
  }
  return lines.join('\n');
}

function changesOf(base: readonly string[], next: readonly string[]): Changes {
  const instead = new Map<number, string | null>();
  const behind = new Map<number, readonly string[]>();
  for (const { buffer1, buffer2 } of diffIndices([...base], [...next])) {
    const [from, count] = buffer1;
    const lines = next.slice(buffer2[0], buffer2[0] + buffer2[1]);
    for (let at = 0; at < count; at++) instead.set(from + at, lines[at] ?? null);
    if (lines.length > count) behind.set(from + count, lines.slice(count));
  }
  return { instead, behind };
}
