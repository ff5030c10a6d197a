import { type Day, readIsoDay } from '../../calendar/day';
import { type FrontMatter, type NoteKind, fieldWords } from '../../note/facts/front-matter';
import type { YamlFields } from '../../note/facts/yaml-result';
import { type LineDays, dayOfLine, daysOfText, touchedOfLine } from '../../note/facts/line-days';
import { foldName } from '../../note/names/names';
import { folderOf } from '../../note/names/path';
import { echoRefOf } from '../../task/line/echo';
import type { ReadNote } from '../../task/reading/read-note';
import { Task, comesBack } from '../../task/line/task';
import { NOTHING_AROUND } from '../../task/line/task-line';
import { foldedNames, foldedTags, withHandle } from './folded-names';

/** Gives the row of a task by its slot. */
export interface RowSource {
  rowAt(slot: number): Row;
}

const NONE: readonly never[] = [];

/** What the index keeps of a note for all its rows. */
export class NoteHead {
  readonly path: string;
  readonly folder: string;
  readonly title: string;
  readonly kind: NoteKind;
  /** The day of a journal page. */
  readonly journal: Day | null;
  /** The name of the other journal in which a page claims its day, as it is written; null for the one there is always. */
  readonly journalName: string | null;
  /** Whether its front matter says kind journal. */
  readonly journalSaid: boolean;
  /** The date of its front matter. */
  readonly date: Day | null;
  /** The handle of a person's page, folded. */
  readonly handle: string | null;
  /** The name of the tag whose page it is, folded. */
  readonly tag: string | null;
  /** The name of the series to which a meeting belongs, folded. */
  readonly series: string | null;
  /** Of a meeting, the folded handles of who is there. */
  readonly present: readonly string[];
  /** Whether it is a project whose turn comes later. */
  readonly later: boolean;
  /** The slots of its tasks, in the order of their lines. */
  slots: number[] = [];
  /** The number of its first task, from which the others follow; or the number of each, once the note changed. */
  lives: number | readonly number[] = 0;

  constructor(
    { path, title, kind, journal, front }: ReadNote,
    private readonly source: RowSource,
  ) {
    this.path = path;
    this.folder = folderOf(path);
    this.title = title;
    this.kind = kind;
    this.journal = journal;
    this.journalName = journal === null ? null : fieldWords(front.fields['journal'])?.trim() || null;
    this.journalSaid = front.kind === 'journal';
    this.date = front.date;
    this.handle = kind === 'person' ? foldName(front.handle ?? title) : null;
    this.tag = kind === 'tag' ? foldName(front.handle ?? title) : null;
    const series = kind === 'meeting' ? fieldWords(front.fields['series']) : null;
    this.series = series === null ? null : foldName(series);
    this.later = kind === 'project' && fieldWords(front.fields['state'])?.trim().toLowerCase() === 'later';
    this.present = kind === 'meeting' ? foldedNames(front.people) : NONE;
  }

  /** Its tasks; each row is made when it is first asked for. */
  get rows(): readonly Row[] {
    return this.slots.map((slot) => this.source.rowAt(slot));
  }
}

/** What the row of a note says beyond its head. */
export interface NoteFacts {
  /** Open and done tasks, and all that are not cancelled. */
  open: number;
  done: number;
  all: number;
  /** A project or a goal that says none is active. */
  state: string | null;
  level: string | null;
  form: string | null;
  series: string | null;
  /** The days on which its oldest line came, and on which one changed last; null where nobody keeps that. */
  created: Day | null;
  changed: Day | null;
}

/** A task as the index holds it: what it says, what it inherits, and where it stands. So are key points and notes. */
export interface Row {
  what: 'task' | 'point' | 'note';
  head: NoteHead;
  /** Of a note only. */
  facts: NoteFacts | null;
  /** Of a note: its front matter. */
  fields: YamlFields | null;
  /** Its place in the columns of the index; -1 while it has none. */
  slot: number;
  /** Of a task in the index: its number, the same as long as it lives, wherever its line goes; else 0. */
  life: number;
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
  /** When its line was written or changed last; null where nobody keeps that. */
  touched: Day | null;
}

/** A task as the index keeps it: without what only editing needs. */
export type TaskFields = Omit<Task, 'links' | 'problems' | 'item' | 'markerFrom' | 'say' | 'unsay'>;

/** The rows of the key points of a note that are no tasks. */
export function pointRowsOf(note: ReadNote, head: NoteHead, seen: LineDays | null = null): Row[] {
  const points = note.keyPoints.filter((point) => point.task === -1);
  return points.map(({ said }, index) => rowOf('point', said, index, head, null, null, seen));
}

/** How the tasks of a note stand; echoes count where their task is written. */
export type TaskCounts = Pick<NoteFacts, 'open' | 'done' | 'all'> & {
  /** Every finished line, also of cancelled tasks and of echoes. */
  closed: number;
};

/** The row of a note itself: its title, what its front matter says, and how its tasks stand. */
export function noteRowOf(head: NoteHead, front: FrontMatter, { open, done, all }: TaskCounts, seen: LineDays | null): Row {
  const { tags, people, about, fields } = front;
  const task = new Task(head.title, 0, head.title.length, -2, '', 'todo');
  task.tags = tags;
  task.people = people;
  task.around = { ...NOTHING_AROUND, links: about };
  const due = readIsoDay(fieldWords(fields['due'])?.slice(0, 10) ?? '');
  if (due !== null) task.due = { from: due, to: due, minute: null };
  const row = rowOf('note', task, 0, head, null, null, null);
  const said = (key: string): string | null => fieldWords(fields[key]);
  const days = seen === null ? { created: null, changed: null } : daysOfText(seen);
  const state = said('state') ?? (head.kind === 'project' || head.kind === 'goal' ? 'active' : null);
  row.facts = { open, done, all, state, level: said('level'), form: said('form'), series: said('series'), ...days };
  row.fields = fields;
  row.steps = all;
  row.stepsDone = done;
  return row;
}

/** The row of a task that stands at a place of its note. */
export function taskRowOf(task: Task, index: number, head: NoteHead, parent: Row | null, lead: number | null, seen: LineDays | null): Row {
  return rowOf('task', task, index, head, parent, lead, seen);
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
  const ownTags = foldedTags(task.tags);
  const ownLinks = task.links.length === 0 ? NONE : foldedNames(task.links.map((link) => link.target));
  const back = comesBack(task, lead);
  const above = parent === null ? null : parent.back;
  return {
    what,
    head,
    facts: null,
    fields: null,
    slot: -1,
    life: 0,
    index,
    task,
    parent,
    echo: echoOf(task),
    steps: 0,
    stepsDone: 0,
    ownTags,
    tags: together(ownTags, foldedTags(task.inheritedTags)),
    ownPeople,
    people: withHandle(together(ownPeople, foldedNames(task.inheritedPeople)), head.handle),
    ownLinks,
    links: together(ownLinks, foldedNames(task.inheritedLinks)),
    back: back === null || above === null ? (back ?? above) : Math.max(back, above),
    made: task.made?.from ?? head.journal ?? head.date ?? (seen && dayOfLine(seen, task.line)),
    touched: seen && touchedOfLine(seen, task.line),
  };
}

/** The ref of the task that a task stands for. */
export function echoOf(task: Pick<Task, 'raw' | 'text'>): string | null {
  return task.raw.includes('](recado:') ? echoRefOf(task.text) : null;
}

/** Folded: the people that a task names, and who owns or asked for it. */
export function ownPeopleOf({ people, owner, asked }: Pick<Task, 'people' | 'owner' | 'asked'>): readonly string[] {
  const named = foldedNames(people);
  if ((owner === null || owner === 'nobody') && asked === null) return named;
  const others = [owner === 'nobody' ? null : owner, asked].filter((name) => name !== null).map(foldName);
  return together(named, [...new Set(others)]);
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
