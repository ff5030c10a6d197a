import { foldName, readInline } from '../../note/names/names';
import { foldPath } from '../../note/names/path';
import type { OpenNote, Refusal } from '../reading/open-note';
import type { Task } from '../line/task';

const NAME =
  /^(?:#(?=.*\p{L})[\p{L}\p{M}\p{N}_]+(?:[-/][\p{L}\p{M}\p{N}_]+)*|@(?=.*\p{L})[\p{L}\p{M}\p{N}_]+(?:[-.][\p{L}\p{M}\p{N}_]+)*)$/u;

/** A tag or person with its sign; a name without one is a tag. Null when it can be neither. */
export function signedName(name: string): string | null {
  const signed = /^[#@]/.test(name) ? name : `#${name}`;
  return NAME.test(signed) ? signed : null;
}

const LINK = /^\[\[([^[\]|#\n]+)(#[^[\]|\n]+)?\]\]$/;

/** A link to a note, as it is written: `[[Crate list]]`, `[[Crate list#Keys]]`; null for anything else. */
export const writtenLink = (name: string): string | null => (LINK.test(name.trim()) ? name.trim() : null);

/** A tag, a person or a link as it is written; null when a name can be none of them. */
const written = (name: string): string | null => writtenLink(name) ?? signedName(name);

/** Where a task's words stand in its line: behind the box, before the tail, without white space around them. */
function wordsRange(opened: OpenNote, task: Task): { from: number; to: number } {
  const line = opened.edits.wordsOf(task.line);
  const start = task.boxFrom + task.sign.length + 2;
  const end = Math.min(task.tailFrom, line.length);
  const from = start + (/^\s*/.exec(line.slice(start, end))?.[0].length ?? 0);
  return { from, to: Math.max(from, start + line.slice(start, end).trimEnd().length) };
}

/** Adds a tag, a person or a link behind the words of a task that does not name it yet. */
export function addName(opened: OpenNote, task: Task, name: string): Refusal | null {
  const signed = written(name);
  if (signed === null) return { refused: `“${name}” can be no tag, person or link, so nothing was changed.` };
  if (isNamed(task, signed)) return null;
  const line = opened.edits.wordsOf(task.line);
  const { from, to } = wordsRange(opened, task);
  const box = task.boxFrom + task.sign.length + 2;
  opened.edits.set(
    task.line,
    from >= to ? `${line.slice(0, box)} ${signed}${line.slice(box)}` : `${line.slice(0, to)} ${signed}${line.slice(to)}`,
  );
  return null;
}

/** Whether a task itself names a tag, a person or a note; a link to a heading is another than one to its note. */
function isNamed(task: Task, signed: string): boolean {
  if (signed.startsWith('[[')) return task.links.some((link) => sameLink(link, signed));
  const present = signed.startsWith('#') ? task.tags : task.people;
  return present.some((one) => foldName(one) === foldName(signed.slice(1)));
}

const sameLink = ({ target, heading }: { target: string; heading: string | null }, signed: string): boolean =>
  foldPath(heading === null ? target : `${target}#${heading}`) === foldPath(signed.slice(2, -2));

/** Takes a tag, a person or a link out of the words of a task, with the space before it. */
export function removeName(opened: OpenNote, task: Task, name: string): Refusal | null {
  const signed = written(name);
  if (signed === null) return { refused: `“${name}” can be no tag, person or link, so nothing was changed.` };
  const line = opened.edits.wordsOf(task.line);
  const { from, to } = wordsRange(opened, task);
  const kind = signed.startsWith('#') ? 'tag' : 'person';
  const { names, links } = readInline(line, task.boxFrom + task.sign.length + 2, to);
  const found: { from: number; to: number }[] = signed.startsWith('[[')
    ? links.filter((link) => sameLink(link, signed))
    : names.filter((one) => one.kind === kind && foldName(one.name) === foldName(signed.slice(1)));
  if (found.length === 0) return { refused: `${signed} is not written on this line itself, so nothing was changed.` };
  let next = line;
  for (const one of found.reverse()) {
    const before = one.from > from && /\s/.test(next.charAt(one.from - 1)) ? one.from - 1 : one.from;
    const after = before === one.from && /\s/.test(next.charAt(one.to)) ? one.to + 1 : one.to;
    next = next.slice(0, before) + next.slice(after);
  }
  opened.edits.set(task.line, next);
  return null;
}

/** Gives a task other words; box and tail stay. */
export function reword(opened: OpenNote, task: Task, text: string): Refusal | null {
  const words = text.replace(/\s*[\r\n]+\s*/g, ' ').trim();
  if (words === '') return { refused: 'A task needs words, so nothing was changed.' };
  const line = opened.edits.wordsOf(task.line);
  const { from, to } = wordsRange(opened, task);
  const gap = from === task.boxFrom + task.sign.length + 2 ? ' ' : '';
  opened.edits.set(task.line, line.slice(0, from) + gap + words + line.slice(to));
  return null;
}
