import { clauseOf, readTail } from '../line/tail';
import { boxSignAt } from '../line/task';
import { withClause, withoutClause } from './write-tail';

/** What a line can be marked as while one writes on: worth gathering, or an open question. */
export type LineMark = 'key' | 'question';

const ITEM = /^\s*(?:>\s*)*(?:[-*+]|\d{1,9}[.)])\s+/;

/**
 * A line with a mark, or without it where it bore it. A line of its own becomes an item of a list, and a question a task, whose answer will
 * stand under it; what is indented stays so.
 *
 * @returns null for a line without words
 * @example withMark('Six crates fit', 'key') // '- Six crates fit {key}'
 * @example withMark('- Who signs?', 'question') // '- [ ] Who signs? {question}'
 */
export function withMark(line: string, mark: LineMark): string | null {
  if (line.trim() === '') return null;
  const marked = mark === 'question' ? asTask(line) : asItem(line);
  const from = boxFrom(marked);
  return clauseOf(readTail(marked, from), mark) ? withoutClause(marked, from, mark) : withClause(marked, from, mark, mark);
}

/**
 * A line as a task of somebody: the one who is named on it first. Null where nobody is named, and the name is to be typed.
 *
 * @example withOwnerNamed('- Ask the carpenter @teo') // '- [ ] Ask the carpenter @teo {owner @teo}'
 */
export function withOwnerNamed(line: string): string | null {
  const [, handle = null] = /(?:^|[\s([{"'*_~,])@([\p{L}\p{M}\p{N}_]+(?:[.-][\p{L}\p{M}\p{N}_]+)*)/u.exec(line) ?? [];
  return handle === null ? null : withOwner(line, handle);
}

/** A line as a task of somebody. */
export function withOwner(line: string, handle: string): string {
  const task = asTask(line);
  return withClause(task, boxFrom(task), 'owner', `owner @${handle}`);
}

/**
 * A line as a task that bears a tag, which it gets behind its words.
 *
 * @example withTag('- Second signature @kofi', 'raise') // '- [ ] Second signature @kofi #raise'
 */
export function withTag(line: string, tag: string): string {
  const task = asTask(line);
  const from = readTail(task, boxFrom(task))?.from ?? task.length;
  const words = task.slice(0, from).trimEnd();
  if (new RegExp(`(?:^|\\s)#${escaped(tag)}(?![\\p{L}\\p{N}_/-])`, 'iu').test(words)) return task;
  const rest = task.slice(from);
  return `${words} #${tag}${rest === '' ? '' : ` ${rest}`}`;
}

const escaped = (words: string): string => words.replace(/[.*+?^${}()|[\]\\/-]/g, '\\$&');

/** A line as an item of a list; one that is one stays. */
export function asItem(line: string): string {
  const indent = /^\s*(?:>\s*)*/.exec(line)?.[0] ?? '';
  return ITEM.test(line) ? line : `${indent}- ${line.slice(indent.length)}`;
}

/** A line as a task; one that is one stays. */
export function asTask(line: string): string {
  const item = asItem(line);
  const from = boxFrom(item);
  return boxSignAt(item, from) === null ? `${item.slice(0, from)}[ ] ${item.slice(from)}` : item;
}

const boxFrom = (line: string): number => ITEM.exec(line)?.[0].length ?? 0;
