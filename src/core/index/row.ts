import type { Day } from '../calendar/day';
import type { NoteKind } from '../note/front-matter';
import { foldName, tagWithUppers } from '../note/names';
import { foldPath, folderOf } from '../note/path';
import type { ReadNote } from '../task/read-note';
import { type Task, comesBack } from '../task/task';

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
}

/** A task as the index holds it: what it says, what it inherits, and where it stands. */
export interface Row {
  head: NoteHead;
  /** Its place among the tasks of its note. */
  index: number;
  task: TaskFields;
  /** The row of the nearest task it is nested in. */
  parent: Row | null;
  /** How many steps it has, at any depth, without the cancelled ones; and how many of them are done. */
  steps: number;
  stepsDone: number;
  /** Folded, with the upper levels of `a/b`, own and inherited. */
  tags: ReadonlySet<string>;
  ownTags: ReadonlySet<string>;
  /** Folded: named on the line or around it, owning or asking, and whose page it is. */
  people: ReadonlySet<string>;
  ownPeople: ReadonlySet<string>;
  /** Folded targets of links, own and inherited. */
  links: ReadonlySet<string>;
  ownLinks: ReadonlySet<string>;
  /** The day on which it, and every task it stands under, is back in sight; null when nothing makes it rest. */
  back: Day | null;
  /** When it was made: written, else the journal page's day, else the note's date. */
  made: Day | null;
}

/** A task as the index keeps it: without what only editing needs. */
export type TaskFields = Omit<Task, 'tail' | 'links' | 'problems'>;

const NONE: ReadonlySet<string> = new Set();
const NO_LIST: readonly never[] = [];

/** Turns a note that was read into rows, in the order of its lines. It takes the tasks over, and drops what only editing needs. */
export function rowsOf(note: ReadNote, lead: number | null = 0): Row[] {
  const head = headOf(note);
  const rows: Row[] = [];
  for (const task of note.tasks) {
    const parent = task.parent === -1 ? null : (rows[task.parent] ?? null);
    rows.push(rowOf(task, rows.length, head, parent, lead));
  }
  for (const row of rows) countStep(row);
  return rows;
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
  };
}

function rowOf(task: Task, index: number, head: NoteHead, parent: Row | null, lead: number | null): Row {
  const ownLinks = foldedSet(
    task.links.map((link) => link.target),
    foldPath,
  );
  const ownPeople = foldedSet([...task.people, task.owner === 'nobody' ? null : task.owner, task.asked], foldName);
  const own = comesBack(task, lead);
  task.tail = null;
  task.links = NO_LIST;
  task.problems = NO_LIST;
  return {
    head,
    index,
    task,
    parent,
    steps: 0,
    stepsDone: 0,
    ownTags: tagSet(task.tags),
    tags: task.inheritedTags.length === 0 ? tagSet(task.tags) : tagSet([...task.tags, ...task.inheritedTags]),
    ownPeople,
    people:
      task.inheritedPeople.length === 0 && head.handle === null
        ? ownPeople
        : foldedSet([...ownPeople, ...task.inheritedPeople, head.handle], foldName),
    ownLinks,
    links: task.inheritedLinks.length === 0 ? ownLinks : foldedSet([...ownLinks, ...task.inheritedLinks], foldPath),
    back: later(own, parent?.back ?? null),
    made: task.made?.from ?? head.journal ?? head.date,
  };
}

function countStep(row: Row): void {
  if (row.task.status === 'cancelled') return;
  for (let up = row.parent; up; up = up.parent) {
    up.steps++;
    if (row.task.status === 'done') up.stepsDone++;
  }
}

function later(a: Day | null, b: Day | null): Day | null {
  if (a === null || b === null) return a ?? b;
  return Math.max(a, b);
}

function foldedSet(names: readonly (string | null)[], fold: (name: string) => string): ReadonlySet<string> {
  const present = names.filter((name): name is string => name !== null);
  return present.length === 0 ? NONE : new Set(present.map(fold));
}

function tagSet(tags: readonly string[]): ReadonlySet<string> {
  return tags.length === 0 ? NONE : new Set(tags.flatMap(tagWithUppers));
}
