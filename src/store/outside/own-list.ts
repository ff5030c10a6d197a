import { readTail } from '../../core/task/line/tail';
import { sharedLine } from '../../core/sharing/outside/shared-lines';
import type { SharedTask } from '../../core/sharing/outside/shared-task';
import { lineText, splitLines } from '../../core/note/blocks/lines';

/** Clauses that a line of a list is made of; any other that a person wrote there stays. */
const MADE: ReadonlySet<string> = new Set(['due', 'plan', 'priority', 'every', 'ref', 'done', 'cancelled', 'since', 'joined', 'sent']);

/** What becomes of lines in the note of an outside list. */
export interface OwnChanges {
  /** By the number of the line, from 0: what it is to be; null takes it away with what is under it. */
  lines: ReadonlyMap<number, string | null>;
  /** Lines that come behind all others. */
  added: readonly string[];
}

/**
 * A line of the note of an outside list.
 *
 * @param before the line as it stands; null for a new one
 * @param more clauses that it says besides, as when it was done
 */
export function ownLine(
  before: string | null,
  task: SharedTask,
  ref: string,
  more: readonly { word: string; value: string }[] = [],
): string {
  const kept = before === null ? [] : (readTail(before, 0)?.clauses ?? []).filter(({ name }) => name !== null && !MADE.has(name));
  return `- ${sharedLine(task, [...kept.map(({ word, value }) => ({ word, value })), ...more, { word: 'ref', value: ref }])}`;
}

/** The text of the note with its lines changed. */
export function withOwnLines(text: string, { lines, added }: OwnChanges): string {
  const split = splitLines(text);
  const kept: string[] = [];
  let isGoing = false;
  for (let line = 0; line < split.starts.length; line++) {
    const words = lineText(split, line);
    const change = lines.get(line);
    // What stands under a line that goes, goes with it.
    if (change === null) isGoing = true;
    else if (change !== undefined || !/^\s/.test(words) || words.trim() === '') isGoing = false;
    if (change !== null && !isGoing) kept.push(change ?? words);
  }
  while (kept.length > 0 && kept.at(-1) === '') kept.pop();
  return [...kept, ...added, ''].join('\n');
}
