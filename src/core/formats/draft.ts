/** An item that is to be written into a note: its words with box and tail, what stands under it as plain lines, and its own items. */
export interface Draft {
  line: string;
  description: readonly string[];
  drafts: Draft[];
}

/** What is known of a task before it is a line. */
export interface DraftTask {
  /** The sign in its box; null for an item that is no task. */
  sign: string | null;
  words: string;
  clauses: readonly { word: string; value: string }[];
}

/** The tail that some clauses make; empty for none. */
export const tailOf = (clauses: readonly { word: string; value: string }[]): string =>
  clauses.length === 0 ? '' : `{${clauses.map(({ word, value }) => (value === '' ? word : `${word} ${value}`)).join('; ')}}`;

/** The line of a draft: words on one line, braces at its end only where they are the tail. */
export function draftLine({ sign, words, clauses }: DraftTask): string {
  const plain = words.replace(/\s+/g, ' ').trim();
  const tail = tailOf(clauses.map(({ word, value }) => ({ word, value: value.replace(/[{};\s]+/g, ' ').trim() })));
  return [...(sign === null ? [] : [`[${sign}]`]), plain, tail].filter((part) => part !== '').join(' ');
}

/** Drafts as the list of a note, with LF; empty for none. */
export function draftsText(drafts: readonly Draft[]): string {
  const lines: string[] = [];
  write(drafts, '', lines);
  return lines.map((line) => `${line}\n`).join('');
}

function write(drafts: readonly Draft[], indent: string, lines: string[]): void {
  for (const { line, description, drafts: inner } of drafts) {
    lines.push(`${indent}- ${/^\[.\](?:\s|$)/u.test(line) ? line : escaped(line)}`.trimEnd());
    for (const words of description) lines.push(words.trim() === '' ? '' : `${indent}  ${escaped(words)}`);
    write(inner, `${indent}  `, lines);
  }
}

/** Plain lines that would begin an item, a heading or a fence say so no more. */
const escaped = (words: string): string =>
  words.replace(/^(\s*)([-*+](?=\s)|#{1,6}(?=\s)|>|`{3,}|~{3,})/, '$1\\$2').replace(/^(\s*\d{1,9})([.)])(?=\s)/, '$1\\$2');
