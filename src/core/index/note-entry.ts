import type { Day } from '../calendar/day';
import { type NoteTimes, timesOf } from '../day/appointments';
import type { DaySettings } from '../day/day-settings';
import type { Source } from '../gather/language/ast';
import type { LineDays } from '../note/facts/line-days';
import { EachOnce } from '../note/facts/each-once';
import { fieldWords, readFrontMatter } from '../note/facts/front-matter';
import { splitLines } from '../note/blocks/lines';
import { isOutsidePath } from '../note/names/outside-path';
import { foldPath } from '../note/names/path';
import { addedStatusOf } from '../task/line/added-status';
import type { ReadNote } from '../task/reading/read-note';
import { type RefTask, refTask } from '../task/reading/ref-problems';
import type { AddedStatus } from '../task/line/status';
import type { ReadingSettings, Task } from '../task/line/task';
import { namesFor } from './names/name-table';
import type { Named } from './slots/note-postings';
import { isOpen } from '../task/line/status';
import type { Around } from '../task/line/task-line';
import { NoteHead, type Row, type RowSource, type TaskCounts, echoOf, noteRowOf, pointRowsOf } from '../gather/rows/row';

/** What the library keeps of a note. Its tasks are in the slot table, and their rows are made from its text when they are asked for. */
export interface NoteEntry extends Named {
  head: NoteHead;
  text: string;
  /** What stands around its tasks, each once for those that stand there together. */
  arounds: readonly Around[];
  /** What it was read with. */
  settings: ReadingSettings;
  /** What its days were counted with. */
  daySettings: DaySettings;
  /** When its lines were seen first. */
  seen: LineDays | null;
  /** Which of its tasks are key points. */
  keyed: readonly number[];
  /** Its key points that are no tasks. */
  points: readonly Row[];
  /** Its own row, made when notes are first asked for. */
  noteRow: Row | null;
  /** How its tasks stand. */
  counts: TaskCounts;
  /** The days on which one of its tasks is planned for a time. */
  starts: readonly Day[];
  /** What it says about the times of its day. */
  times: NoteTimes | null;
  /** The texts of its gather blocks. */
  gathers: readonly string[];
  lineCount: number;
  /** Tags and people named anywhere in it, as written, and the targets of its links, folded. */
  tags: readonly string[];
  people: readonly string[];
  links: readonly string[];
  /** Every name by which a link may mean it, folded. */
  names: string[];
  fullName: string | null;
  /** The key that opens it, where it is a slip with one. */
  slipKey: string | null;
  /** The name without its sign, where it is the page of a person or a tag that says one. */
  handle: string | null;
  /** The kind under whose notes it stands, where it is an agenda page that is a foot. */
  foot: string | null;
  /** The status that it adds. */
  status: AddedStatus | null;
  /** Its tasks that have a ref. */
  refs: readonly RefTask[];
  /** How many of its tasks stand for others. */
  echoes: number;
}

/** Whether two readings of a note name the same tags, people and links. */
export function namesSame(a: NoteEntry, b: NoteEntry): boolean {
  const same = (x: readonly string[], y: readonly string[]): boolean =>
    x.length === y.length && x.every((name, index) => name === y[index]);
  return same(a.tags, b.tags) && same(a.people, b.people) && same(a.links, b.links);
}

/** The rows of a note that a gather looks at. */
export function rowsFor(entry: NoteEntry, from: Source): readonly Row[] {
  switch (from) {
    case 'tasks':
      return entry.head.rows;
    case 'outside':
      return isOutsidePath(entry.head.path) ? entry.head.rows : NONE;
    case 'key points': {
      if (entry.keyed.length === 0) return entry.points;
      const { rows } = entry.head;
      return [...entry.keyed.flatMap((index) => rows[index] ?? []), ...entry.points];
    }
    default:
      return [(entry.noteRow ??= noteRowOf(entry.head, readFrontMatter(splitLines(entry.text)), entry.counts, entry.seen))];
  }
}

const NONE: readonly never[] = [];

/**
 * What the library keeps of a note that was read.
 *
 * @param key its folded path
 */
export function entryOf(
  key: string,
  note: ReadNote,
  settings: ReadingSettings,
  days: DaySettings,
  seen: LineDays | null,
  source: RowSource,
): NoteEntry {
  const { path, tasks, front } = note;
  const head = new NoteHead(note, source);
  const isPerson = note.kind === 'person';
  const { counts, starts, echoes } = countsOf(tasks, note.lines.text.includes('](recado:'));
  return {
    key,
    number: -1,
    head,
    text: note.lines.text,
    arounds: aroundsOf(tasks),
    settings,
    daySettings: days,
    seen,
    keyed: note.keyPoints.length === 0 ? NONE : note.keyPoints.flatMap((point) => (point.task === -1 ? [] : point.task)),
    points: note.keyPoints.length === 0 ? NONE : pointRowsOf(note, head, seen),
    noteRow: null,
    counts,
    starts,
    times: timesOf(note, days.slipHeading),
    echoes,
    gathers: note.gathers.length === 0 ? NONE : note.gathers.map((gather) => gather.text),
    lineCount: note.lines.starts.length,
    tags: head.tag === null ? note.tags : [...note.tags, front.handle ?? note.title],
    people: isPerson ? [...note.people, front.handle ?? note.title] : note.people,
    links: linkTargets(note.links, front.about),
    names: namesFor(key, note.title, front.aliases),
    fullName: isPerson ? note.title : null,
    slipKey: note.kind === 'slip' ? (fieldWords(front.fields['key'])?.trim() ?? null) : null,
    handle: isPerson || note.kind === 'tag' ? front.handle : null,
    foot: note.kind === 'agenda' ? (fieldWords(front.fields['foot'])?.trim().toLowerCase() ?? null) : null,
    status: addedStatusOf(front, note.title),
    refs: tasks.some((task) => task.ref !== null)
      ? tasks.filter((task) => task.ref !== null).map((task) => refTask(path, task, tasks))
      : NONE,
  };
}

function aroundsOf(tasks: readonly Task[]): readonly Around[] {
  let count = 0;
  for (let at = 0; at < tasks.length; at++) if (at === 0 || tasks[at]?.around !== tasks[at - 1]?.around) count++;
  if (count === 0) return NONE;
  // Made as long as it will be: a list that grows leaves room for more, in every note.
  const arounds = new Array<Around>(count);
  count = 0;
  for (const { around } of tasks) if (count === 0 || arounds[count - 1] !== around) arounds[count++] = around;
  return arounds;
}

/** What is counted of the tasks of a note. */
function countsOf(tasks: readonly Task[], mayEcho: boolean): Pick<NoteEntry, 'counts' | 'starts' | 'echoes'> {
  const counts = { open: 0, done: 0, all: 0, closed: 0 };
  let starts: Day[] | null = null;
  let echoes = 0;
  for (const task of tasks) {
    if (task.plan !== null && task.plan.minute !== null && !starts?.includes(task.plan.from)) (starts ??= []).push(task.plan.from);
    if (!isOpen(task.status)) counts.closed++;
    if (mayEcho && echoOf(task) !== null) echoes++;
    else if (task.status !== 'cancelled') {
      counts.all++;
      if (isOpen(task.status)) counts.open++;
      else counts.done++;
    }
  }
  return { counts, starts: starts ?? NONE, echoes };
}

function linkTargets(links: readonly { target: string }[], about: readonly string[]): readonly string[] {
  if (links.length === 0 && about.length === 0) return NONE;
  const targets = new EachOnce();
  for (const { target } of links) targets.add(foldPath(target));
  for (const target of about) targets.add(foldPath(target));
  return targets.all;
}
