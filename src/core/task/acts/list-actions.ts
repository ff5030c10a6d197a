import { type Item, LineKind } from '../../note/blocks/structure';
import type { ActionContext } from './action-context';
import type { ClauseName } from '../line/clause';
import { echoRefOf } from '../line/echo';
import { linesAt } from '../writing/move-lines';
import { type Page, type Refusal, indentOf, itemOf, listOf, openPage, sharesLine, tasksUnder } from '../reading/page';
import { placeUnder } from '../writing/place-lines';
import { isOpen, signOf } from '../line/status';
import { applyChanges } from '../writing/edit';
import type { ReadingSettings, Task } from '../line/task';
import { withClause, withoutClause } from '../writing/write-tail';

const NO_CONVERT: Refusal = { refused: 'Only a line of text or a list item can become a task; nothing was changed.' };

/** Turns a line of text or a bullet into a task, and a task into a bullet. */
export function convert(page: Page, line: number): Refusal | null {
  const words = page.edits.wordsOf(line);
  const task = page.taskOn.get(line);
  if (task) {
    const after = words.slice(task.boxFrom + task.sign.length + 2).replace(/^[ \t]/, '');
    page.edits.set(line, words.slice(0, task.boxFrom) + after);
    return null;
  }
  if (page.structure.kinds[line] !== LineKind.text || words.trim() === '') return NO_CONVERT;
  const item = page.itemOn.get(line);
  const from = item ? item.wordsFrom : (/^[\s>]*/.exec(words)?.[0].length ?? 0);
  if (item && from === -1) {
    const end = item.markerFrom + item.marker.length;
    if (words.slice(end).trim() !== '') return NO_CONVERT;
    page.edits.set(line, `${words.slice(0, end)} [ ] `);
    return null;
  }
  page.edits.set(line, `${words.slice(0, from)}${item ? '' : '- '}[ ] ${words.slice(from)}`);
  return null;
}

/** Copies an item with what is under it to below itself, without refs. */
export function duplicate(page: Page, item: Item): null {
  const copies = linesAt(page, item, indentOf(page, item));
  for (const task of tasksUnder(page, item)) {
    const index = task.line - item.line;
    const moved = index === 0 ? indentOf(page, item).length - item.markerFrom : 0;
    const line = copies[index];
    if (line !== undefined) copies[index] = withoutClause(line, Math.max(0, task.boxFrom + moved), 'ref');
  }
  page.edits.insertBefore(item.lastLine + 1, copies);
  return null;
}

/** Takes an item away with what is under it. */
export function remove(page: Page, item: Item): Refusal | null {
  if (sharesLine(page, item))
    return { refused: 'This item shares its line with the one around it and cannot be taken away alone; nothing was changed.' };
  page.edits.remove(item.line, item.lastLine);
  return null;
}

/** Whether an item is a finished task with nothing open under it. */
function isFinished(page: Page, item: Item): boolean {
  const tasks = tasksUnder(page, item);
  return tasks[0]?.line === item.line && tasks[0].boxFrom === item.wordsFrom && tasks.every((task) => !isOpen(task.status));
}

/** Moves what is finished to the end of its list, in its order. */
export function sink(page: Page, item: Item): null {
  const list = listOf(page, item);
  const finished = list.map((one) => isFinished(page, one) && !sharesLine(page, one));
  const lastOpen = finished.lastIndexOf(false);
  const sinking = list.filter((_, index) => finished[index] && index < lastOpen);
  const last = list[lastOpen];
  if (sinking.length === 0 || !last) return null;
  const moved = sinking.flatMap((one) => linesAt(page, one, indentOf(page, one)));
  for (const { line, lastLine } of sinking) page.edits.remove(line, lastLine);
  page.edits.insertBefore(last.lastLine + 1, moved);
  return null;
}

/** Moves what is finished to the end of its list, in every list that one of some lines (from 0) stands in. */
export function sinkLists(text: string, lines: readonly number[], settings: ReadingSettings): string {
  const page = openPage('', text, settings);
  const heads = new Set<number>();
  for (const line of lines) {
    const item = page.itemOn.get(line);
    const head = item && listOf(page, item)[0];
    if (head) heads.add(head.line);
  }
  let next = text;
  // From the foot upwards and from the inside out: what moves stays within its list, so that the heads of the others stand where they were.
  for (const head of [...heads].sort((a, b) => b - a)) {
    const open = openPage('', next, settings);
    const item = open.itemOn.get(head);
    if (item) sink(open, item);
    next = applyChanges(next, open.edits.changes());
  }
  return next;
}

/** Moves every finished task that stands in no other task under a heading at the foot of the note. */
export function sweep(page: Page, { settings }: ActionContext): Refusal | null {
  const heading = page.structure.headings.findLast((one) => one.topLevel && one.words === settings.finishedHeading);
  const place = heading?.line ?? Infinity;
  const swept = page.note.tasks
    .filter((task) => task.parent === -1 && task.line < place)
    .map((task) => itemOf(page, task))
    .filter((item) => isFinished(page, item) && !sharesLine(page, item));
  if (swept.length === 0) return { refused: 'Nothing finished is there to be swept, so nothing was changed.' };
  const lines = swept.flatMap((item) => linesAt(page, item, ''));
  for (const { line, lastLine } of swept) page.edits.remove(line, lastLine);
  return placeUnder(page, [{ words: settings.finishedHeading, level: 2 }], lines);
}

const STAMPS: readonly ClauseName[] = ['done', 'cancelled', 'since'];
const DATES: readonly ClauseName[] = ['due', 'plan', 'start', 'remind', 'pushed'];

/** Starts a finished list again, or what is under an item: boxes and stamps are cleared, dates when that is asked. */
export function reset(page: Page, item: Item, dates: 'keep' | 'clear'): null {
  const under = tasksUnder(page, item);
  const tasks: Task[] = under.length > 1 ? under : listOf(page, item).flatMap((one) => tasksUnder(page, one));
  for (const task of tasks) {
    if (echoRefOf(task.text) !== null) continue;
    let line = page.edits.wordsOf(task.line);
    line = line.slice(0, task.boxFrom + 1) + signOf('todo') + line.slice(task.boxFrom + 1 + task.sign.length);
    for (const name of dates === 'clear' ? [...STAMPS, ...DATES] : STAMPS) line = withoutClause(line, task.boxFrom, name);
    page.edits.set(task.line, line);
  }
  return null;
}

/** Gives a task a ref, unless it has one. */
export function ensureRef(page: Page, task: Task, { makeRef }: ActionContext): string {
  if (task.ref !== null) return task.ref;
  const ref = makeRef();
  page.edits.set(task.line, withClause(page.edits.wordsOf(task.line), task.boxFrom, 'ref', `ref ${ref}`));
  return ref;
}
