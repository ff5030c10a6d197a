import { type Lines, lineText, hasMark } from '../../note/blocks/lines';

/** How an action names the line it means: by note, line and expected words. */
export interface LineRef {
  path: string;
  /** From 0. */
  line: number;
  /** The words of the line, without its ending, as the person saw them. */
  expected: string;
}

/** Replaces the text between two offsets. */
export interface Change {
  from: number;
  to: number;
  insert: string;
}

/** What an action would do to a text, or the reason why it does nothing. */
export type Outcome = { changes: Change[] } | { refused: string };

/** Applies changes that do not overlap and stand in the order of the text. */
export function applyChanges(text: string, changes: readonly Change[]): string {
  let result = '';
  let at = 0;
  for (const change of changes) {
    result += text.slice(at, change.from) + change.insert;
    at = change.to;
  }
  return result + text.slice(at);
}

export const LINE_GONE = 'That line is no longer there, so nothing was changed.';
export const LINE_TWICE = 'That line moved and now stands there more than once, so nothing was changed.';

/**
 * Finds the line that an action means: the named one when it holds the expected words, else the only equal line
 * of the note. Never another.
 */
export function locateLine(lines: Lines, ref: Omit<LineRef, 'path'>): { line: number } | { refused: string } {
  if (ref.line < lines.starts.length && lineText(lines, ref.line) === ref.expected) return { line: ref.line };
  let found = -1;
  for (let line = 0; line < lines.starts.length; line++) {
    if (lineText(lines, line) !== ref.expected) continue;
    if (found !== -1) return { refused: LINE_TWICE };
    found = line;
  }
  return found === -1 ? { refused: LINE_GONE } : { line: found };
}

/** Where the words of a line begin in the text. */
export function wordsStart(lines: Lines, line: number): number {
  return (lines.starts[line] ?? 0) + (hasMark(lines, line) ? 1 : 0);
}

/** The smallest single change that turns one text into another; null when they are equal. */
export function differenceOf(before: string, after: string): Change | null {
  if (before === after) return null;
  const shortest = Math.min(before.length, after.length);
  let head = 0;
  while (head < shortest && before.charCodeAt(head) === after.charCodeAt(head)) head++;
  let foot = 0;
  while (foot < shortest - head && before.charCodeAt(before.length - 1 - foot) === after.charCodeAt(after.length - 1 - foot)) foot++;
  return { from: head, to: before.length - foot, insert: after.slice(head, after.length - foot) };
}

/**
 * What turns one line into another: its box apart from what comes to its tail, so that the words between, and a cursor in them, stay.
 *
 * @example differencesOf('- [ ] a', '- [x] a {done 2026-11-23}') // two changes: the sign, and the tail
 */
export function differencesOf(before: string, after: string): Change[] {
  const whole = differenceOf(before, after);
  if (!whole) return [];
  const at = whole.from + 1;
  let shared = 0;
  while (at + shared < whole.to && before.charCodeAt(at + shared) === after.charCodeAt(at + shared)) shared++;
  if (shared < 2) return [whole];
  const rest = differenceOf(before.slice(at), after.slice(at));
  const sign = { from: whole.from, to: at, insert: after.charAt(whole.from) };
  return rest ? [sign, { from: at + rest.from, to: at + rest.to, insert: rest.insert }] : [sign];
}
