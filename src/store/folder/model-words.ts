import type { StoredNote } from '../notes/content';
import type { NoteWrite } from '../notes/note-write';

/** The words that a model test wrote, each of its own, so that none can be lost unseen. */
export class ModelWords {
  private count = 0;
  private readonly written = new Set<string>();
  private readonly removed = new Set<string>();

  /** A text with one more word on one of its lines; a text that is not there begins with three. */
  added(text: string | null, line: number): string {
    const word = `w${this.count++}`;
    this.written.add(word);
    const lines = (text ?? 'first\n\nsecond\n\nthird').split('\n');
    const at = Math.min(line, lines.length - 1);
    lines[at] = `${lines[at] ?? ''} ${word}`.trim();
    return lines.join('\n');
  }

  /** Somebody removed a text with all of its words. */
  forget(text: string | null): void {
    for (const word of text?.match(/w\d+/g) ?? []) this.removed.add(word);
  }

  /** The words that stand nowhere, and that nobody removed. */
  lostFrom(texts: Readonly<Record<string, string | null>>): string[] {
    const present = Object.values(texts).join('\n');
    return [...this.written].filter((word) => !this.removed.has(word) && !new RegExp(`\\b${word}\\b`).test(present));
  }
}

/** What moves a note, as a rename does. */
export const movedTo = (path: string, to: string, text: string): NoteWrite[] => [
  { path, expect: { text }, content: null },
  { path: to, expect: null, content: { text }, movedFrom: path },
];

/** Texts by their paths, in order. */
export const textsOf = (notes: readonly StoredNote[]): Record<string, string | null> =>
  Object.fromEntries(notes.map((note): [string, string | null] => [note.path, note.text]).sort(([one], [other]) => (one < other ? -1 : 1)));
