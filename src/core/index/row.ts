import type { Day } from '../calendar/day';
import type { NoteKind } from '../note/front-matter';
import { foldName, tagWithUppers } from '../note/names';
import { folderOf } from '../note/path';
import type { ReadNote } from '../task/read-note';
import { echoRefOf } from '../task/echo';
import { Task, comesBack } from '../task/task';
import { NOTHING_AROUND } from '../task/task-line';
import { isOpen } from '../task/status';
import { type LineDays, dayOfLine } from '../note/line-days';
import { fieldWords } from '../note/front-matter';
import { readIsoDay } from '../calendar/day';

/** What the index keeps of a note for all its rows. */
export interface NoteHead {
  path: string;
  folder: string;
  title: string;
  kind: NoteKind;
  /** The day of a journal page. */
  journal: Day | null;
  /** Whether its front matter says kind journal. */
  journalSaid: boolean;
  /** The date of its front matter. */
  date: Day | null;
  /** The handle of a person's page, folded. */
  handle: string | null;
  /** Its tasks. */
  rows: readonly Row[];
}

/** What the row of a note says beyond its head. */
export interface NoteFacts {
  /** Open and done tasks, and all that are not cancelled. */
  open: number;
  done: number;
  all: number;
  state: string | null;
  level: string | null;
}

/** A task as the index holds it: what it says, what it inherits, and where it stands. So are key points and notes. */
export interface Row {
  what: 'task' | 'point' | 'note';
  head: NoteHead;
  /** Of a note only. */
  facts: NoteFacts | null;
  /** Its place in the columns of the index; -1 while it has none. */
  slot: number;
  /** Its place among the tasks of its note. */
  index: number;
  task: TaskFields;
  /** The row of the nearest task it is nested in. */
  parent: Row | null;
  /** The ref of the task that it stands for, when it is an echo. */
  echo: string | null;
  /** How many steps it has, at any depth, without the cancelled ones; and how many of them are done. */
  steps: number;
  stepsDone: number;
  /** Folded, with the upper levels of `a/b`, own and inherited. */
  tags: readonly string[];
  ownTags: readonly string[];
  /** Folded: named on the line or around it, owning or asking, and whose page it is. */
  people: readonly string[];
  ownPeople: readonly string[];
  /** Folded targets of links, own and inherited. */
  links: readonly string[];
  ownLinks: readonly string[];
  /** The day on which it, and every task it stands under, is back in sight; null when nothing makes it rest. */
  back: Day | null;
  /** When it was made: written, else the journal page's day, else the note's date, else when the line was seen first. */
  made: Day | null;
}

/** A task as the index keeps it: without what only editing needs. */
export type TaskFields = Omit<Task, 'links' | 'problems' | 'say' | 'unsay'>;

const NONE: readonly never[] = [];

/** Turns a note that was read into rows, in the order of its lines. */
export function rowsOf(note: ReadNote, head: NoteHead, lead: number | null = 0, seen: LineDays | null = null): Row[] {
  const rows: Row[] = [];
  for (const task of note.tasks) {
    const parent = task.parent === -1 ? null : (rows[task.parent] ?? null);
    rows.push(rowOf('task', task, rows.length, head, parent, lead, seen));
  }
  for (const row of rows) countStep(row);
  head.rows = rows;
  return rows;
}

/** The rows of the key points of a note that are no tasks. */
export function pointRowsOf(note: ReadNote, head: NoteHead, seen: LineDays | null = null): Row[] {
  const points = note.keyPoints.filter((point) => point.task === -1);
  return points.map(({ said }, index) => rowOf('point', said, index, head, null, null, seen));
}

/** What a row of a note needs beside its head and its tasks; null for a note whose front matter says none of it. */
export interface NoteWords {
  tags: readonly string[];
  people: readonly string[];
  about: readonly string[];
  due: Day | null;
  state: string | null;
  level: string | null;
}

export function noteWordsOf({ front }: ReadNote): NoteWords {
  const { tags, people, about, fields } = front;
  return {
    tags,
    people,
    about,
    due: readIsoDay(fieldWords(fields['due'])?.slice(0, 10) ?? ''),
    state: fieldWords(fields['state']),
    level: fieldWords(fields['level']),
  };
}

/** The row of a note itself: its title, what its front matter says, and how its tasks stand. */
export function noteRowOf(head: NoteHead, words: NoteWords, tasks: readonly Row[]): Row {
  const said = new Task(head.title, 0, head.title.length, -2, '', 'todo');
  said.tags = words.tags;
  said.people = words.people;
  said.around = { ...NOTHING_AROUND, links: words.about };
  if (words.due !== null) said.due = { from: words.due, to: words.due, minute: null };
  const row = rowOf('note', said, 0, head, null, null, null);
  const own = tasks.filter((one) => one.echo === null);
  row.facts = {
    open: own.filter((one) => isOpen(one.task.status)).length,
    done: own.filter((one) => one.task.status === 'done').length,
    all: own.filter((one) => one.task.status !== 'cancelled').length,
    state: words.state,
    level: words.level,
  };
  row.steps = row.facts.all;
  row.stepsDone = row.facts.done;
  return row;
}

/** What the index keeps of a note. */
export function headOf(note: ReadNote): NoteHead {
  const handle = note.kind === 'person' ? (note.front.handle ?? note.title) : null;
  return {
    path: note.path,
    folder: folderOf(note.path),
    title: note.title,
    kind: note.kind,
    journal: note.journal,
    journalSaid: note.front.kind === 'journal',
    date: note.front.date,
    handle: handle === null ? null : foldName(handle),
    rows: NONE,
  };
}

function rowOf(
  what: Row['what'],
  task: Task,
  index: number,
  head: NoteHead,
  parent: Row | null,
  lead: number | null,
  seen: LineDays | null,
): Row {
  const ownPeople = ownPeopleOf(task);
  const ownTags = uppersOf(task.tags);
  const ownLinks = task.links.length === 0 ? NONE : foldedAll(task.links.map((link) => link.target));
  const back = comesBack(task, lead);
  const above = parent === null ? null : parent.back;
  return {
    what,
    head,
    facts: null,
    slot: -1,
    index,
    task,
    parent,
    echo: task.raw.includes('](recado:') ? echoRefOf(task.text) : null,
    steps: 0,
    stepsDone: 0,
    ownTags,
    tags: together(ownTags, uppersOf(task.inheritedTags)),
    ownPeople,
    people: withHandle(together(ownPeople, foldedAll(task.inheritedPeople)), head.handle),
    ownLinks,
    links: together(ownLinks, foldedAll(task.inheritedLinks)),
    back: back === null || above === null ? (back ?? above) : Math.max(back, above),
    made: task.made?.from ?? head.journal ?? head.date ?? (seen && dayOfLine(seen, task.line)),
  };
}

function ownPeopleOf({ people, owner, asked }: Task): readonly string[] {
  const named = foldedAll(people);
  if ((owner === null || owner === 'nobody') && asked === null) return named;
  const others = [owner === 'nobody' ? null : owner, asked].filter((name) => name !== null).map(foldName);
  return together(named, [...new Set(others)]);
}

function withHandle(people: readonly string[], handle: string | null): readonly string[] {
  return handle === null || people.includes(handle) ? people : [...people, handle];
}

/** The names of both lists, each once; one of the lists itself where the other adds nothing. */
function together(own: readonly string[], inherited: readonly string[]): readonly string[] {
  if (own.length === 0) return inherited;
  let all = own;
  for (const name of inherited) {
    if (own.includes(name)) continue;
    if (all === own) all = [...own];
    (all as string[]).push(name);
  }
  return all;
}

/** Tasks that stand together share the lists of what they inherit, so that these are folded once. */
let lastTags: { names: readonly string[]; folded: readonly string[] } = { names: NONE, folded: NONE };

/** Folded tags with the levels above them, each once. */
function uppersOf(tags: readonly string[]): readonly string[] {
  if (tags.length === 0) return NONE;
  if (tags.length === 1) return tagWithUppers(tags[0] ?? '');
  if (lastTags.names !== tags) lastTags = { names: tags, folded: eachOnce(tags, tagWithUppers) };
  return lastTags.folded;
}

function eachOnce(names: readonly string[], fold: (name: string) => readonly string[]): readonly string[] {
  const found: string[] = [];
  for (const name of names) for (const one of fold(name)) if (!found.includes(one)) found.push(one);
  return found;
}

let lastNames: { names: readonly string[]; folded: readonly string[] } = { names: NONE, folded: NONE };

function foldedAll(names: readonly string[]): readonly string[] {
  if (names.length === 0) return NONE;
  if (lastNames.names !== names) lastNames = { names, folded: eachOnce(names, (name) => [foldName(name)]) };
  return lastNames.folded;
}

function countStep(row: Row): void {
  if (row.task.status === 'cancelled') return;
  for (let up = row.parent; up; up = up.parent) {
    up.steps++;
    if (row.task.status === 'done') up.stepsDone++;
  }
}
