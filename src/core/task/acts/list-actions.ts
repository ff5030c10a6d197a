import { type Item, LineKind } from '../../note/blocks/structure';
import type { ActionContext } from './action-context';
import type { ClauseName } from '../line/clause';
import { echoRefOf } from '../line/echo';
import { linesAt } from '../writing/move-lines';
import { type OpenNote, type Refusal, indentOf, itemOf, listOf, openNote, sharesLine, tasksUnder } from '../reading/open-note';
import { placeUnder } from '../writing/place-lines';
import { isOpen, signOf } from '../line/status';
import { applyChanges } from '../writing/edit';
import type { ReadingSettings, Task } from '../line/task';
import { withClause, withoutClause, withoutIdentity } from '../writing/write-tail';

const NO_CONVERT: Refusal = { refused: 'Only a line of text or a list item can become a task; nothing was changed.' };

/** Turns a line of text or a bullet into a task, and a task into a bullet. */
export function convert(opened: OpenNote, line: number): Refusal | null {
  const words = opened.edits.wordsOf(line);
  const task = opened.taskOn.get(line);
  if (task) {
    const after = words.slice(task.boxFrom + task.sign.length + 2).replace(/^[ \t]/, '');
    opened.edits.set(line, words.slice(0, task.boxFrom) + after);
    return null;
  }
  if (opened.structure.kinds[line] !== LineKind.text || words.trim() === '') return NO_CONVERT;
  const item = opened.itemOn.get(line);
  const from = item ? item.wordsFrom : (/^[\s>]*/.exec(words)?.[0].length ?? 0);
  if (item && from === -1) {
    const end = item.markerFrom + item.marker.length;
    if (words.slice(end).trim() !== '') return NO_CONVERT;
    opened.edits.set(line, `${words.slice(0, end)} [ ] `);
    return null;
  }
  opened.edits.set(line, `${words.slice(0, from)}${item ? '' : '- '}[ ] ${words.slice(from)}`);
  return null;
}

/** Copies an item with what is under it to below itself, without refs. */
export function duplicate(opened: OpenNote, item: Item): null {
  const copies = linesAt(opened, item, indentOf(opened, item));
  for (const task of tasksUnder(opened, item)) {
    const index = task.line - item.line;
    const moved = index === 0 ? indentOf(opened, item).length - item.markerFrom : 0;
    const line = copies[index];
    if (line !== undefined) copies[index] = withoutIdentity(line, Math.max(0, task.boxFrom + moved));
  }
  opened.edits.insertBefore(item.lastLine + 1, copies);
  return null;
}

/** Takes an item away with what is under it. */
export function remove(opened: OpenNote, item: Item): Refusal | null {
  if (sharesLine(opened, item))
    return { refused: 'This item shares its line with the one around it and cannot be taken away alone; nothing was changed.' };
  opened.edits.remove(item.line, item.lastLine);
  return null;
}

/** Whether an item is a finished task with nothing open under it. */
function isFinished(opened: OpenNote, item: Item): boolean {
  const tasks = tasksUnder(opened, item);
  return tasks[0]?.line === item.line && tasks[0].boxFrom === item.wordsFrom && tasks.every((task) => !isOpen(task.status));
}

/** Moves what is finished to the end of its list, in its order. */
export function sink(opened: OpenNote, item: Item): null {
  const list = listOf(opened, item);
  const finished = list.map((one) => isFinished(opened, one) && !sharesLine(opened, one));
  const lastOpen = finished.lastIndexOf(false);
  const sinking = list.filter((_, index) => finished[index] && index < lastOpen);
  const last = list[lastOpen];
  if (sinking.length === 0 || !last) return null;
  const moved = sinking.flatMap((one) => linesAt(opened, one, indentOf(opened, one)));
  for (const { line, lastLine } of sinking) opened.edits.remove(line, lastLine);
  opened.edits.insertBefore(last.lastLine + 1, moved);
  return null;
}

/** Moves what is finished to the end of its list, in every list that one of some lines (from 0) stands in. */
export function sinkLists(text: string, lines: readonly number[], settings: ReadingSettings): string {
  const opened = openNote('', text, settings);
  const heads = new Set<number>();
  for (const line of lines) {
    const item = opened.itemOn.get(line);
    const head = item && listOf(opened, item)[0];
    if (head) heads.add(head.line);
  }
  let next = text;
  // From the foot upwards and from the inside out: what moves stays within its list, so that the heads of the others stand where they were.
  for (const head of [...heads].sort((a, b) => b - a)) {
    const opened = openNote('', next, settings);
    const item = opened.itemOn.get(head);
    if (item) sink(opened, item);
    next = applyChanges(next, opened.edits.changes());
  }
  return next;
}

/** Moves every finished task that stands in no other task under a heading at the foot of the note. */
export function sweep(opened: OpenNote, { settings }: ActionContext): Refusal | null {
  const heading = opened.structure.headings.findLast((one) => one.topLevel && one.words === settings.finishedHeading);
  const place = heading?.line ?? Infinity;
  const swept = opened.note.tasks
    .filter((task) => task.parent === -1 && task.line < place)
    .map((task) => itemOf(opened, task))
    .filter((item) => isFinished(opened, item) && !sharesLine(opened, item));
  if (swept.length === 0) return { refused: 'Nothing finished is there to be swept, so nothing was changed.' };
  const lines = swept.flatMap((item) => linesAt(opened, item, ''));
  for (const { line, lastLine } of swept) opened.edits.remove(line, lastLine);
  return placeUnder(opened, [{ words: settings.finishedHeading, level: 2 }], lines);
}

const STAMPS: readonly ClauseName[] = ['done', 'cancelled', 'since'];
const DATES: readonly ClauseName[] = ['due', 'plan', 'start', 'remind', 'pushed'];

/** Starts a finished list again, or what is under an item: boxes and stamps are cleared, dates when that is asked. */
export function reset(opened: OpenNote, item: Item, dates: 'keep' | 'clear'): null {
  const under = tasksUnder(opened, item);
  const tasks: Task[] = under.length > 1 ? under : listOf(opened, item).flatMap((one) => tasksUnder(opened, one));
  for (const task of tasks) {
    if (echoRefOf(task.text) !== null) continue;
    let line = opened.edits.wordsOf(task.line);
    line = line.slice(0, task.boxFrom + 1) + signOf('todo') + line.slice(task.boxFrom + 1 + task.sign.length);
    for (const name of dates === 'clear' ? [...STAMPS, ...DATES] : STAMPS) line = withoutClause(line, task.boxFrom, name);
    opened.edits.set(task.line, line);
  }
  return null;
}

/** Gives a task a ref, unless it has one. */
export function ensureRef(opened: OpenNote, task: Task, { makeRef }: ActionContext): string {
  if (task.ref !== null) return task.ref;
  const ref = makeRef();
  opened.edits.set(task.line, withClause(opened.edits.wordsOf(task.line), task.boxFrom, 'ref', `ref ${ref}`));
  return ref;
}
