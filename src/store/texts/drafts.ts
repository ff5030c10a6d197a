import * as z from 'zod/mini';
import { editorText, storedText } from '../../core/note/blocks/line-endings';
import { foldPath } from '../../core/note/names/path';
import { type Change, applyChanges } from '../../core/task/writing/edit';
import { markOf } from '../notes/content';
import type { DeviceMemory } from '../device/device-memory';

z.config({ jitless: true });

/** Longer texts are known by their mark: the browser holds only some millions of letters for a page. */
const LONGEST_BASE = 200_000;

const baseSchema = z.object({ path: z.string(), text: z.nullable(z.string()), mark: z.nullable(z.string()) });
const wordsSchema = z.object({
  at: z.number(),
  changes: z.array(z.object({ from: z.number(), to: z.number(), insert: z.string() })),
});

/** What was typed in a note and not made durable, as it was found again. */
export interface Draft {
  tab: string;
  path: string;
  /** What the words grew from; null when there was no note. Undefined when only its mark is known. */
  base: string | null | undefined;
  mark: string | null;
  /** Milliseconds since 1970. */
  at: number;
  changes: Change[];
}

/**
 * What is typed and not yet durable, kept at each key stroke where a page that goes can still write: so that neither a reload nor a tab
 * that dies loses a word. A draft is what the text differs by from the stored one, offsets counted with line ends as the editor has them.
 */
export class Drafts {
  /** The text of which each path's base is kept. */
  private readonly bases = new Map<string, string | null>();

  constructor(
    private readonly memory: DeviceMemory,
    private readonly tab: string,
    private readonly now: () => number,
  ) {}

  /** @returns whether the words are safe now should the page go */
  keep(path: string, base: string | null, changes: readonly Change[]): boolean {
    const key = foldPath(path);
    if (this.bases.get(key) !== base) {
      const long = base !== null && base.length > LONGEST_BASE;
      const kept = { path, text: long ? null : base, mark: base === null ? null : markOf({ text: base }) };
      if (!this.memory.set(BASE + this.nameOf(key), JSON.stringify(kept))) return false;
      this.bases.set(key, base);
    }
    return this.memory.set(WORDS + this.nameOf(key), JSON.stringify({ at: this.now(), changes }));
  }

  /** All that was typed in a note is durable. */
  drop(path: string): void {
    const key = foldPath(path);
    if (!this.bases.delete(key)) return;
    this.forget(this.tab, key);
  }

  forget(tab: string, path: string): void {
    for (const kind of [WORDS, BASE]) this.memory.remove(`${kind}${tab} ${foldPath(path)}`);
  }

  /** Lets go of what any tab keeps of a note that is sealed now. */
  forgetNote(path: string): void {
    const key = foldPath(path);
    for (const kind of [WORDS, BASE]) for (const name of this.memory.keys(kind)) if (name.endsWith(` ${key}`)) this.memory.remove(name);
    this.bases.delete(key);
  }

  /** Whether there is any draft, of whichever tab. */
  any(): boolean {
    return this.memory.keys(WORDS).length > 0;
  }

  /** The drafts that were left behind, the oldest first; what cannot be read is left out. */
  left(isAlive: (tab: string) => boolean): Draft[] {
    return this.memory
      .keys(WORDS)
      .flatMap((key): Draft[] => {
        const name = key.slice(WORDS.length);
        const tab = name.slice(0, name.indexOf(' '));
        if (isAlive(tab)) return [];
        const base = baseSchema.safeParse(readJson(this.memory.get(BASE + name)));
        const words = wordsSchema.safeParse(readJson(this.memory.get(key)));
        if (!base.success || !words.success) return [];
        const { path, text, mark } = base.data;
        return [{ tab, path, base: text === null && mark !== null ? undefined : text, mark, ...words.data }];
      })
      .sort((a, b) => a.at - b.at);
  }

  private nameOf(key: string): string {
    return `${this.tab} ${key}`;
  }
}

const WORDS = 'recado draft ';
const BASE = 'recado base ';

/** The text that a draft stood for, given what it grew from; null when it cannot have grown from that. */
export function draftText(base: string | null, changes: readonly Change[]): string | null {
  const before = editorText(base ?? '');
  let at = 0;
  for (const { from, to } of changes) {
    if (from < at || to < from || to > before.length) return null;
    at = to;
  }
  return storedText(base ?? '', applyChanges(before, changes));
}

/** The words that a draft put in, for when what they stood in is not known any more. */
export const draftWords = (changes: readonly Change[]): string => changes.map(({ insert }) => insert).join('\n');

function readJson(words: string | null): unknown {
  try {
    return JSON.parse(words ?? 'null');
  } catch {
    return null;
  }
}
