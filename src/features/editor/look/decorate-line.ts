import type { EditorState, Line, Range } from '@codemirror/state';
import { Decoration, type EditorView } from '@codemirror/view';
import { readInline } from '../../../core/note/names/names';
import { picturesIn } from '../../../core/note/names/picture-path';
import { foldPath } from '../../../core/note/names/path';
import { type Heading, type Item, LineKind, itemHolding } from '../../../core/note/blocks/structure';
import { type Progress, progressOf } from '../../../core/task/reading/progress';
import type { ReadNote } from '../../../core/task/reading/read-note';
import { type AddedStatus, isAddedSign, isOpen } from '../../../core/task/line/status';
import { type Problem, type Task, comesBack } from '../../../core/task/line/task';
import { clauseOf, readTail } from '../../../core/task/line/tail';
import { chipsOf } from '../../../ui/marks/chip-look';
import { LENT_CHIP } from '../../../ui/marks/lent-chip';
import { editorContext } from '../reading/editor-context';
import { addressesIn, taskLinksIn } from '../../../core/note/names/addresses';
import { type InlineMark, marksIn } from '../../../core/note/names/inline-marks';
import { daysIn } from '../reading/follow-names';
import { noteReading, shownNote } from '../reading/note-field';
import { PictureWidget, shownIn } from './picture-widget';
import { repairOf } from '../editing/repair';
import { BulletWidget, ChipsWidget, DetailsWidget, MarkWidget, ProblemsWidget, StepsWidget } from './widgets';

const hidden = Decoration.replace({});
const DETAILS = new DetailsWidget();
const keyPoint = Decoration.replace({ widget: new ChipsWidget([{ word: '', value: 'key point', tone: 'plain', problem: null }]) });
const LENT = Decoration.widget({ widget: new ChipsWidget([LENT_CHIP]), side: 1 });
const bullet = Decoration.replace({ widget: new BulletWidget() });

const SEVERAL = 'Several notes are called so: the one in the nearest folder is meant. A click opens it';

/** What begins on each line of a note; found once for each reading. */
interface ByLine {
  tasks: ReadonlyMap<number, Task>;
  headings: ReadonlyMap<number, Heading>;
  items: ReadonlyMap<number, Item>;
  /** How far the tasks with steps are. */
  steps: ReadonlyMap<number, Progress>;
}

const known = new WeakMap<ReadNote, ByLine>();

function byLine(note: ReadNote): ByLine {
  let found = known.get(note);
  if (!found) {
    const progress = progressOf(note.tasks);
    found = {
      tasks: new Map(note.tasks.map((task) => [task.line, task])),
      headings: new Map(note.structure.headings.map((heading) => [heading.line, heading])),
      items: new Map(note.structure.items.map((item) => [item.line, item])),
      steps: new Map(note.tasks.flatMap(({ line }, index) => (progress[index]?.direct ? [[line, progress[index]] as const] : []))),
    };
    known.set(note, found);
  }
  return found;
}

/**
 * What stands over one line: marks, chips, names, and how far it stands in. On lines in `raw` (from 0) the tail shows as it is
 * written; the signs before the words, and those around emphasised ones, do so only while the cursor stands in them, so that words keep
 * their place when it comes to the line.
 */
export function decorateLine(view: EditorView, line: Line, raw: ReadonlySet<number>): Range<Decoration>[] {
  const { state } = view;
  const note = shownNote(state);
  const { tasks, headings, items, steps } = byLine(note);
  const ranges: Range<Decoration>[] = [];
  const index = line.number - 1;
  const kind = note.structure.kinds[index];
  const item = items.get(index);
  if (kind === LineKind.text || kind === LineKind.heading || item) {
    const heading = headings.get(index);
    const task = tasks.get(index);
    const column = raw.has(index) ? columnOfCursor(state, line) : null;
    if (heading) {
      decorateHeading(ranges, heading, line.from, line.text, column);
      if (state.facet(editorContext).lent.headings.has(line.text)) ranges.push(LENT.range(line.to));
    }
    if (task) decorateTask(ranges, task, steps.get(index), state, line.from, line.text, column);
    else if (item) decorateItem(ranges, item, line.from, line.text, column);
    else if (!heading) decorateUnder(ranges, itemHolding(note.structure, index), tasks, line.from, line.text, column);
    const wordsTo = task ? Math.min(task.tailFrom, line.text.length) : line.text.length;
    const { leads } = state.facet(editorContext);
    if (leads) decorateNames(ranges, state, line.from, line.text, wordsTo);
    else if (column === null) decorateWords(ranges, line.from, line.text, wordsTo);
    decorateText(ranges, line.from, line.text, wordsTo, column, leads);
    if (line.text.includes('![')) decoratePictures(ranges, view, line, column);
  } else if (kind === LineKind.code || kind === LineKind.frontMatter) {
    ranges.push(Decoration.line({ class: 'cm-code-line' }).range(line.from));
  } else if (kind === LineKind.blank && isQuoted(line.text)) ranges.push(QUOTE.range(line.from));
  return ranges;
}

/** The column of the cursor on a line; one behind every letter where it stands on another. Null stands for no cursor at all. */
type Column = number | null;

function columnOfCursor({ selection }: EditorState, { from, to }: Line): number {
  const { head } = selection.main;
  return head >= from && head <= to ? head - from : Infinity;
}

/** Whether the cursor stands in the signs before the words of a line, which then show as they are written. */
const standsBefore = (column: Column, words: number): boolean => column !== null && column < words;

/** Each line in its own direction; rows of tables, quotes and addresses as what they are. */
function decorateText(ranges: Range<Decoration>[], from: number, text: string, wordsTo: number, column: Column, leads: boolean): void {
  ranges.push(AUTO.range(from));
  if (text.length > LONGEST_LINE) return;
  if (/^\s*\|.*\|\s*$/.test(text)) ranges.push(TABLE.range(from));
  if (isQuoted(text)) ranges.push(QUOTE.range(from));
  for (const { from: first, to } of addressesIn(text)) ranges.push(ADDRESS.range(from + first, from + to));
  if (leads) for (const { from: first, to } of taskLinksIn(text)) ranges.push(TASK_LINK.range(from + first, from + to));
  if (leads) for (const { from: first, to } of daysIn(text.slice(0, wordsTo))) ranges.push(DAY.range(from + first, from + to));
  for (const { is, from: first, to: end, width } of marksIn(text)) {
    if (column !== null && column >= first && column <= end) continue;
    const [at, to] = [from + first, from + end];
    ranges.push(hidden.range(at, at + width), MARK[is].range(at + width, to - width), hidden.range(to - width, to));
  }
}

/** Pictures stand in the place of their links; where the cursor is in one, behind it. */
function decoratePictures(ranges: Range<Decoration>[], view: EditorView, line: Line, column: Column): void {
  const show = shownIn(view);
  if (!show || line.length > LONGEST_LINE) return;
  for (const { from, to, words, target } of picturesIn(line.text)) {
    const widget = new PictureWidget(target, words, show);
    const isIn = column !== null && column >= from && column <= to;
    if (isIn) ranges.push(Decoration.widget({ widget, side: 1 }).range(line.from + to));
    else ranges.push(Decoration.replace({ widget }).range(line.from + from, line.from + to));
  }
}

const isQuoted = (text: string): boolean => /^\s*>/.test(text);

const ADDRESS = Decoration.mark({ class: 'cm-url', attributes: { title: 'A click opens it in a new tab' } });
const TASK_LINK = Decoration.mark({ class: 'cm-url', attributes: { title: 'A click leads to the task' } });
const DAY = Decoration.mark({ class: 'cm-day', attributes: { title: 'A click leads to the page of the day' } });
const AUTO = Decoration.line({ attributes: { dir: 'auto' } });
const TABLE = Decoration.line({ class: 'cm-table-line' });
const QUOTE = Decoration.line({ class: 'cm-quote-line' });
/** Words that are set apart are shown as what their signs say while the cursor is elsewhere. */
const MARK: Readonly<Record<InlineMark['is'], Decoration>> = {
  code: Decoration.mark({ class: 'cm-code' }),
  bold: Decoration.mark({ class: 'cm-bold' }),
  slanted: Decoration.mark({ class: 'cm-slanted' }),
  struck: Decoration.mark({ class: 'cm-struck' }),
};

function decorateHeading(ranges: Range<Decoration>[], heading: Heading, from: number, text: string, column: Column): void {
  ranges.push(Decoration.line({ class: `cm-heading cm-heading-${heading.level}` }).range(from));
  const sign = /^ {0,3}#{1,6}[ \t]+/.exec(text);
  if (sign && !standsBefore(column, sign[0].length)) ranges.push(hidden.range(from, from + sign[0].length));
}

function indentStyle(depth: number): { class: string; attributes: Record<string, string> } {
  return { class: 'cm-item', attributes: { style: `--depth:${depth}` } };
}

/** `{key}` behind a list item that is no task. */
const KEY_TAIL = /\s(\{[^{}]*\bkey\b[^{}]*\})\s*$/;

function decorateItem(
  ranges: Range<Decoration>[],
  { depth, markerFrom, wordsFrom }: Item,
  from: number,
  text: string,
  column: Column,
): void {
  if (standsBefore(column, wordsFrom === -1 ? text.length : wordsFrom)) {
    ranges.push(Decoration.line({ class: 'cm-raw-line' }).range(from));
    return;
  }
  ranges.push(Decoration.line(indentStyle(depth)).range(from));
  if (markerFrom > 0 && /^\s+$/.test(text.slice(0, markerFrom))) ranges.push(hidden.range(from, from + markerFrom));
  const key = column === null ? KEY_TAIL.exec(text) : null;
  if (key?.[1] !== undefined && clauseOf(readTail(text, markerFrom), 'key')) {
    const at = from + key.index + 1;
    ranges.push(keyPoint.range(at, at + key[1].length));
  }
  if (/[-*+]/.test(text.charAt(markerFrom))) ranges.push(bullet.range(from + markerFrom, from + markerFrom + 1));
}

/** Plain text under an item stands below its words. */
function decorateUnder(
  ranges: Range<Decoration>[],
  item: Item | undefined,
  tasks: ByLine['tasks'],
  from: number,
  text: string,
  column: Column,
): void {
  if (!item) return;
  const indent = text.length - text.trimStart().length;
  if (standsBefore(column, indent)) {
    ranges.push(Decoration.line({ class: 'cm-raw-line' }).range(from));
    return;
  }
  const attributes = { style: `--depth:${item.depth}` };
  ranges.push(Decoration.line({ class: tasks.has(item.line) ? 'cm-under cm-under-task' : 'cm-under', attributes }).range(from));
  if (indent > 0) ranges.push(hidden.range(from, from + indent));
}

function decorateTask(
  ranges: Range<Decoration>[],
  task: Task,
  steps: Progress | undefined,
  state: EditorState,
  from: number,
  text: string,
  column: Column,
): void {
  const { today, style, workingDay, refProblems } = state.facet(editorContext);
  const pointing = task.needs.length > 0 || task.ref !== null || text.includes('](recado:');
  const problems = pointing ? [...task.problems, ...(refProblems.get(task.line) ?? [])] : task.problems;
  const open = isOpen(task.status);
  for (const problem of problems) {
    if (problem.to > problem.from) {
      ranges.push(
        Decoration.mark({ class: 'cm-problem', attributes: { title: problem.message } }).range(
          from + problem.from,
          from + Math.min(problem.to, text.length),
        ),
      );
    }
  }
  if (column !== null) {
    if (state.facet(editorContext).leads) ranges.push(Decoration.widget({ widget: DETAILS, side: 1 }).range(from + text.length));
    const told = problemsTold(task, state, text, column, problems);
    if (told) ranges.push(Decoration.widget({ widget: told, side: 2 }).range(from + text.length));
  }
  const boxTo = Math.min(text.length, task.boxFrom + task.sign.length + 3);
  if (standsBefore(column, boxTo)) {
    ranges.push(Decoration.line({ class: 'cm-raw-line cm-task-line' }).range(from));
    return;
  }
  const late = open && task.due !== null && task.due.from < today;
  const { class: itemClass, attributes } = indentStyle(task.depth);
  ranges.push(Decoration.line({ class: `${itemClass} cm-task-line`, attributes }).range(from));
  if (task.markerFrom > 0 && /^\s+$/.test(text.slice(0, task.markerFrom))) ranges.push(hidden.range(from, from + task.markerFrom));
  const boxProblem = task.problems.find((problem) => problem.from === task.boxFrom);
  if (boxProblem) ranges.push(Decoration.line({ class: 'cm-marked-line', attributes: { title: boxProblem.message } }).range(from));
  const back = comesBack(task);
  const restsUntil = open && back !== null && back > today ? back : null;
  const mark = new MarkWidget({
    status: task.status,
    priority: task.priority,
    late,
    resting: restsUntil !== null,
    added: addedAt(state, task),
  });
  ranges.push(Decoration.replace({ widget: mark }).range(from + task.markerFrom, from + boxTo));
  const tail = readTail(text, boxTo);
  const wordsTo = tail ? tail.from : text.length;
  const end = boxTo + text.slice(boxTo, wordsTo).trimEnd().length;
  // While the line is written in, only its words stand there.
  if (steps && column === null && end > boxTo)
    ranges.push(Decoration.widget({ widget: new StepsWidget(steps), side: 1 }).range(from + end));
  if (!open && wordsTo > boxTo) {
    if (end > boxTo) ranges.push(Decoration.mark({ class: 'closed-text' }).range(from + boxTo, from + end));
  }
  if (tail && column === null) {
    const chips = chipsOf(tail, { today, style, workingDay, open, restsUntil, problems }, 'note');
    if (task.ref !== null && state.facet(editorContext).lent.refs.has(task.ref)) chips.push(LENT_CHIP);
    ranges.push(Decoration.replace({ widget: new ChipsWidget(chips) }).range(from + tail.from, from + tail.to));
  }
}

/** The status that a note adds, where a task bears its sign. */
const addedAt = (state: EditorState, { sign }: Task): AddedStatus | undefined =>
  isAddedSign(sign) ? state.facet(noteReading).statuses?.get(sign) : undefined;

/** With the cursor on the line its problems are said, since a title needs a mouse, and what one key does about them. */
function problemsTold(task: Task, state: EditorState, text: string, column: number, problems: readonly Problem[]): ProblemsWidget | null {
  if (isInBraces(text, column) || /@[\p{L}\p{M}\p{N}_.-]*$/u.test(text.slice(0, column))) return null;
  const { knownPeople, repairKey, action } = state.facet(editorContext);
  const repair = problems.length === 0 && knownPeople === null ? null : repairOf(text, task, action(), knownPeople);
  const messages = problems.map((problem) => problem.message);
  if (!repair) return messages.length === 0 ? null : new ProblemsWidget(messages, null);
  const words = repair.is === 'page' ? `Make a page for @${repair.person}, who has none` : 'Repair it';
  return new ProblemsWidget(messages, { words, key: repairKey });
}

/** Whether the cursor stands between braces that are being filled: what is wrong there is said when they are left. */
function isInBraces(text: string, column: number): boolean {
  const open = text.lastIndexOf('{', column - 1);
  const close = open === -1 ? -1 : text.indexOf('}', open);
  return open !== -1 && (close === -1 || close >= column);
}

/** In longer lines names are not marked: nobody reads them, and each key stroke would read them again. */
const LONGEST_LINE = 20_000;

function decorateNames(ranges: Range<Decoration>[], state: EditorState, from: number, text: string, to: number): void {
  if (text.length > LONGEST_LINE) return;
  const { names, links } = readInline(text, 0, to);
  const { sharedNames } = state.facet(editorContext);
  for (const name of names) {
    const decoration = Decoration.mark({
      class: name.kind === 'tag' ? 'name-tag cm-name' : 'name-person cm-name',
      attributes: { 'data-name': text.slice(name.from, name.to) },
    });
    ranges.push(decoration.range(from + name.from, from + name.to));
  }
  for (const link of links) {
    const shared = sharedNames.has(foldPath(link.target));
    const attributes = { 'data-link': link.target, ...(shared && { title: SEVERAL }) };
    ranges.push(
      Decoration.mark({ class: `name-link cm-name${shared ? ' cm-shared-name' : ''}`, attributes }).range(from + link.from, from + link.to),
    );
  }
}

/** Where nothing leads anywhere, links to notes and to tasks are their words. */
function decorateWords(ranges: Range<Decoration>[], from: number, text: string, to: number): void {
  if (text.length > LONGEST_LINE) return;
  for (const link of readInline(text, 0, to).links) {
    const words = /^\[\[(?:[^\]|]*\|)?([^\]|]*)\]\]$/.exec(text.slice(link.from, link.to))?.[1];
    if (words === undefined) continue;
    ranges.push(hidden.range(from + link.from, from + link.to - 2 - words.length), hidden.range(from + link.to - 2, from + link.to));
  }
  for (const link of taskLinksIn(text)) {
    const end = text.lastIndexOf('](', link.to);
    ranges.push(hidden.range(from + link.from, from + link.from + 1), hidden.range(from + end, from + link.to));
  }
}
