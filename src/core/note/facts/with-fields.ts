/**
 * A text with fields of its front matter as they are given; a field that is there changes in place, one of null goes, and what else stands
 * in the note stays.
 *
 * @param fields names and what stands behind them, as YAML writes it
 * @example withFields('---\nkind: project\n---\n', { state: 'done' }) // '---\nkind: project\nstate: done\n---\n'
 */
export function withFields(text: string, fields: Readonly<Record<string, string | null>>): string {
  const front = /^---[ \t]*(\r?\n)([^]*?)^(?:---|\.\.\.)[ \t]*(?:\r?\n|$)/m.exec(text);
  const isFront = front?.index === 0;
  const end = (isFront ? front[1] : undefined) ?? '\n';
  const lines = (isFront ? (front[2] ?? '') : '').split(/\r?\n/);
  if (lines.at(-1) === '') lines.pop();
  for (const [name, words] of Object.entries(fields)) {
    const at = lines.findIndex((line) => line.startsWith(`${name}:`));
    const written = words === null ? [] : [`${name}:${words === '' ? '' : ` ${words}`}`];
    if (at === -1) lines.push(...written);
    // With the lines that belong to it, as those of a list.
    else
      lines.splice(
        at,
        lines.slice(at + 1).findIndex((line) => /^\S/.test(line) && !line.startsWith('- ')) + 1 || lines.length - at,
        ...written,
      );
  }
  return ['---', ...lines, '---', ''].join(end) + text.slice(isFront ? front[0].length : 0);
}

/** Words as YAML writes them in double quotes. */
export const quotedYaml = (words: string): string => `"${escapedYaml(words)}"`;

/** Words as they stand between the double quotes of YAML. */
export const escapedYaml = (words: string): string => words.replace(/["\\]/g, '\\$&');
