import type { Day } from '../calendar/day';
import { isPlannedOn, minuteOfPlan } from './planned';
import type { Library, NoteEntry } from './library';
import { foldName } from '../note/names';
import type { NoteKind } from '../note/front-matter';
import type { AddedStatus } from '../task/status';
import type { DayTally } from './tally';

/** A note as the rack shows it. */
export interface NoteSummary {
  path: string;
  title: string;
  kind: NoteKind;
  journal: Day | null;
  /** Whether its front matter says kind journal. */
  journalSaid: boolean;
  /** Open tasks. */
  open: number;
}

export interface NameSummary {
  /** As written the first time. */
  name: string;
  /** The title of the person's page; null for tags, and for people without a page. */
  fullName: string | null;
  /** The person's page. */
  path: string | null;
  /** Open tasks. */
  open: number;
}

/** A task of today that has a time. */
export interface TimedTask {
  path: string;
  line: number;
  text: string;
  /** Minutes after midnight. */
  minute: number;
  takes: number | null;
}

/** What the frame shows of the whole library. */
export interface Overview {
  notes: NoteSummary[];
  tags: NameSummary[];
  people: NameSummary[];
  /** Day number → counts; days without any are left out. */
  days: Record<Day, DayTally>;
  /** Path of an agenda page → the count on the rack. */
  agendaCounts: Record<string, number>;
  timed: TimedTask[];
  /** Statuses that notes add. */
  statuses: AddedStatus[];
  /** Folded names that more than one note has: links by them are marked. */
  sharedNames: string[];
  lines: number;
  tasks: number;
  open: number;
}

/** Collects what the frame shows. `agendaCounts` are filled in by whoever keeps the agenda pages subscribed. */
export function overviewOf(library: Library, agendaCounts: Record<string, number>): Overview {
  const notes: NoteSummary[] = [];
  const tags = new Map<string, NameSummary>();
  const people = new Map<string, NameSummary>();
  const timed: TimedTask[] = [];
  let tasks = 0;
  for (const entry of library.entries.values()) {
    const { head } = entry;
    notes.push({
      path: head.path,
      title: head.title,
      kind: head.kind,
      journal: head.journal,
      journalSaid: head.journalSaid,
      open: entry.open,
    });
    tasks += entry.rows.length;
    addNames(tags, entry.tags, library.total.tags);
    addNames(people, entry.people, library.total.people);
    addPerson(people, entry);
    addTimed(timed, entry, library.today);
  }
  return {
    notes,
    tags: sortNames(tags),
    people: sortNames(people),
    days: Object.fromEntries(library.total.days),
    agendaCounts,
    timed: timed.sort((a, b) => a.minute - b.minute),
    statuses: library.statuses,
    sharedNames: library.names.sharedNames(),
    lines: library.lineCount,
    tasks,
    open: library.total.open,
  };
}

function addNames(into: Map<string, NameSummary>, found: readonly string[], counts: Map<string, number>): void {
  for (const name of found) {
    const folded = foldName(name);
    if (!into.has(folded)) into.set(folded, { name, fullName: null, path: null, open: counts.get(folded) ?? 0 });
  }
}

function addPerson(people: Map<string, NameSummary>, entry: NoteEntry): void {
  const { handle, path } = entry.head;
  const person = handle === null ? undefined : people.get(handle);
  if (person) Object.assign(person, { fullName: entry.fullName, path });
}

function sortNames(names: Map<string, NameSummary>): NameSummary[] {
  return [...names.values()].sort((a, b) => b.open - a.open || a.name.localeCompare(b.name));
}

function addTimed(timed: TimedTask[], entry: NoteEntry, today: Day): void {
  for (const row of entry.rows) {
    const minute = isPlannedOn(row, today) ? minuteOfPlan(row) : null;
    if (minute === null) continue;
    const { task } = row;
    timed.push({ path: entry.head.path, line: task.line, text: task.text, minute, takes: task.takes });
  }
}
