import type { LineDays } from '../../core/note/facts/line-days';

/** What a note holds: text, or bytes that are no UTF-8 and therefore only kept. */
export type Content = { text: string } | { bytes: Uint8Array };

/** A content that is known by its mark alone: enough to tell whether a note still holds it. */
export interface Marked {
  mark: string;
}

/** Whether a note came with the demo, and whether a person changed it since; null for a person's own. */
export type DemoState = 'untouched' | 'edited' | null;

export interface StoredNote {
  /** Its folded path, by which it is found. */
  key: string;
  /** Made once and kept through rename and move, and when a deleted note is brought back. */
  id: string;
  /** What links and people use. */
  path: string;
  text: string | null;
  bytes: Uint8Array | null;
  /** Milliseconds since 1970. */
  changed: number;
  demo: DemoState;
  /** When its lines were seen first. */
  seen?: LineDays;
}

/** A name that no other note has: 96 random bits. */
export function newNoteId(): string {
  return [...crypto.getRandomValues(new Uint8Array(12))].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}

/** What a stored note holds. */
export function contentOf(note: StoredNote): Content {
  return note.bytes === null ? { text: note.text ?? '' } : { bytes: note.bytes };
}

export function sameContent(a: Content | Marked | null, b: Content | Marked | null): boolean {
  if (a === null || b === null) return a === b;
  if ('mark' in a || 'mark' in b) return markOf(a) === markOf(b);
  if ('text' in a && 'text' in b) return a.text === b.text;
  return 'bytes' in a && 'bytes' in b && sameBytes(a.bytes, b.bytes);
}

export const sameBytes = (a: Uint8Array, b: Uint8Array): boolean =>
  a === b || (a.length === b.length && a.every((byte, at) => byte === b[at]));

/** Tells a content from any other that a person would write; no secret depends on it. */
export function markOf(content: Content | Marked): string {
  if ('mark' in content) return content.mark;
  // Two FNV-1a sums with different starts: 64 bits. Texts and bytes have loops of their own, since a long text is marked while one types.
  let first = 0x811c9dc5;
  let second = 0x9dc5811c;
  if ('text' in content) {
    const { text } = content;
    for (let index = 0; index < text.length; index++) {
      const code = text.charCodeAt(index);
      first = Math.imul(first ^ code, 0x01000193);
      second = Math.imul(second ^ code, 0x01000193) ^ (first >>> 13);
    }
    return markFrom('t', text.length, first, second);
  }
  for (const byte of content.bytes) {
    first = Math.imul(first ^ byte, 0x01000193);
    second = Math.imul(second ^ byte, 0x01000193) ^ (first >>> 13);
  }
  return markFrom('b', content.bytes.length, first, second);
}

const markFrom = (kind: string, length: number, first: number, second: number): string =>
  `${kind}${length}:${(first >>> 0).toString(36)}${(second >>> 0).toString(36)}`;
