import { placeWithoutNote } from '../gather/rows/place-without-note';
import type { Day, Weekday } from '../calendar/day';
import type { DateStyle } from '../calendar/day-name';
import { DAY_DEFAULTS, type DaySettings } from '../day/day-settings';
import { type Answer, type Plan, planGather } from '../gather/answer/answer';
import { parseGather } from '../gather/language/parse';
import { answerOnce, matchingRows } from '../gather/answer/answer-once';
import type { GatherContext, Source, ThisNote } from '../gather/language/ast';
import type { NameLookup } from '../gather/answer/evaluate';
import type { LineDays } from '../note/facts/line-days';
import { foldPath } from '../note/names/path';
import { statusTable } from '../task/line/added-status';
import { readNote } from '../task/reading/read-note';
import { isBlocked, refProblems } from '../task/reading/ref-problems';
import type { AddedStatus, AddedStatuses } from '../task/line/status';
import type { NotedStatus } from './live/overview';
import type { Problem, ReadingSettings, Task } from '../task/line/task';
import { candidateNotes } from './slots/candidate-notes';
import { ColumnAnswer } from './slots/slot-answer';
import { DayNotes } from './days/day-notes';
import { SlotTable } from './slots/slot-table';
import { NameRegister } from './names/name-register';
import { NameTable } from './names/name-table';
import { type NoteEntry, entryOf, namesSame, rowsFor } from './note-entry';
import { NotePostings } from './slots/note-postings';
import { PlaceTable } from './slots/place-table';
import { sameTasks } from './slots/same-tasks';
import { RefIndex } from './names/ref-index';
import type { NoteHead, Row } from '../gather/rows/row';
import { countTasks, emptyTally } from './slots/tally';

/** What can be begun of a note: what stands in it, and what is about it elsewhere. */
export const CAN_BE_BEGUN = 'open and (this note or to this note) and not waiting and not blocked and not resting';
const NEXT_STEP = parseGather(CAN_BE_BEGUN).gather;

/** Everything that changes how the library is read and answered, apart from the notes. */
export interface LibrarySettings extends ReadingSettings {
  today: Day;
  firstDayOfWeek: Weekday;
  dateStyle: DateStyle;
  me: string | null;
  /** The tag of what is to be raised with a person, without its sign. */
  raiseTag?: string;
  /** The tag of what is off the table, without its sign. */
  notNowTag?: string;
  /** Whether Today, Ahead and Undated leave that out. */
  hidesNotNow?: boolean;
  /** The path of the note in which loose tasks are caught, beside the journal pages. */
  loosePlace?: string | null;
  /** How days are read and reckoned. */
  days?: DaySettings;
}

/** A note that came, changed (text) or went (null). */
export interface NoteChange {
  path: string;
  text: string | null;
  /** When its lines were seen first. */
  seen?: LineDays | null;
}

/** All notes, read and indexed, and what questions about them come to. Pure: no clock, no store. */
export class NoteIndex {
  readonly entries = new Map<string, NoteEntry>();
  readonly total = emptyTally();
  readonly days = new DayNotes();
  lineCount = 0;
  readonly names = new NameTable();
  readonly refs = new RefIndex();
  readonly tagNames = new NameRegister();
  readonly peopleNames = new NameRegister();
  /** Folded handle → the page of that person. */
  readonly personPages = new Map<string, { title: string; path: string }>();
  readonly tagPages = new Map<string, { title: string; path: string }>();
  protected readonly table = new SlotTable();
  private readonly places = new PlaceTable();
  readonly postings = new NotePostings();
  /** Statuses that notes add, by the folded path of the note. */
  private readonly added = new Map<string, AddedStatus>();
  protected echoes = 0;
  /** Grows whenever a note comes, goes or is called otherwise. */
  protected titlesVersion = 0;
  /** The number of the next task that comes. */
  private nextLife = 1;
  /** Folded paths of the notes that changed since `takeChanged`. */
  private changedKeys: string[] = [];

  constructor(protected settings: LibrarySettings) {}

  readonly lookup: NameLookup = {
    namesOf: (target) => this.namesOf(target),
    pathOf: (target) => this.names.pathOf(target),
    isBlocked: (row) => row.task.needs.length > 0 && isBlocked(row.task.needs, this.refs.table),
    hasTask: (ref) => this.refs.has(ref),
    hasNextStep: (row) => this.hasNextStep(row.head),
    isLoosePlace: (path) => this.settings.loosePlace != null && foldPath(this.settings.loosePlace) === foldPath(path),
  };

  /** Which notes have a next step, as long as nothing changes. */
  private readonly nextSteps = new Map<string, boolean>();

  private hasNextStep({ path }: NoteHead): boolean {
    let has = this.nextSteps.get(path);
    if (has === undefined) {
      const plan = planGather({ ...NEXT_STEP, limit: 1 }, this.contextAt(path), this.settings.dateStyle, this.lookup);
      this.nextSteps.set(path, (has = this.matching(plan).rows.length > 0));
    }
    return has;
  }

  protected forgetNextSteps(): void {
    this.nextSteps.clear();
  }

  get today(): Day {
    return this.settings.today;
  }

  /** The handle of the person of the settings. */
  get me(): string | null {
    return this.settings.me;
  }

  get daySettings(): DaySettings {
    return this.settings.days ?? DAY_DEFAULTS;
  }

  get taskCount(): number {
    return this.table.size;
  }

  *rows(): Generator<Row> {
    for (const entry of this.entries.values()) yield* entry.head.rows;
  }

  /**
   * Puts a note in the place of what it was.
   *
   * @param makesRows whether the rows of its tasks will be asked for at once
   * @returns whether it is called otherwise now
   */
  protected replace(key: string, change: NoteChange, makesRows: boolean): boolean {
    const before = this.entries.get(key);
    const note = change.text === null ? null : readNote(change.path, change.text, this.settings);
    const after = note && entryOf(key, note, this.settings, this.daySettings, change.seen ?? null, this.table);
    this.changedKeys.push(key);
    this.nextSteps.clear();
    if (after) this.number(after, note.tasks, before);
    if (before) this.forget(key, before);
    if (note && after) {
      this.take(key, after, note.tasks);
      if (makesRows) this.table.makeRows(after, note.tasks);
    }
    if (before && after && namesSame(before, after)) this.postings.replace(before, after);
    else {
      if (before) this.forgetNames(before);
      if (after) this.takeNames(after);
    }
    const namesChanged = !before || !after || before.names.join('\n') !== after.names.join('\n');
    if (namesChanged) this.titlesVersion++;
    return namesChanged;
  }

  /** Numbers the tasks of a note: those that were there before stay the same. */
  private number({ head }: NoteEntry, tasks: readonly Task[], before: NoteEntry | undefined): void {
    if (!before || before.head.slots.length === 0) {
      head.lives = this.nextLife;
      this.nextLife += tasks.length;
      return;
    }
    const { rows } = before.head;
    const same = sameTasks(
      rows.map(({ task }) => task),
      tasks,
    );
    head.lives = same.map((place) => rows[place]?.life ?? this.nextLife++);
  }

  private take(key: string, entry: NoteEntry, tasks: readonly Task[]): void {
    this.entries.set(key, entry);
    countTasks(this.total, entry, tasks, (index) => tasks[index]?.parent ?? -1, 1);
    this.days.add(entry);
    this.table.addNote(entry, tasks, this.places.of(entry.head.path));
    this.lineCount += entry.lineCount;
    this.names.add(entry.names, key);
    this.refs.add(entry.refs);
    this.echoes += entry.echoes;
    if (entry.status) this.added.set(key, entry.status);
    if (entry.head.handle !== null && entry.fullName !== null)
      this.personPages.set(entry.head.handle, { title: entry.fullName, path: entry.head.path });
    if (entry.head.tag !== null) this.tagPages.set(entry.head.tag, { title: entry.head.title, path: entry.head.path });
  }

  private forget(key: string, entry: NoteEntry): void {
    this.entries.delete(key);
    const { rows } = entry.head;
    countTasks(
      this.total,
      entry,
      rows.map((row) => row.task),
      (index) => rows[index]?.parent?.index ?? -1,
      -1,
    );
    this.days.remove(entry);
    this.table.removeNote(entry);
    this.lineCount -= entry.lineCount;
    this.names.remove(entry.names, key);
    this.refs.remove(entry.refs);
    this.echoes -= entry.echoes;
    this.added.delete(key);
    if (entry.head.handle !== null && this.personPages.get(entry.head.handle)?.path === entry.head.path)
      this.personPages.delete(entry.head.handle);
    if (entry.head.tag !== null && this.tagPages.get(entry.head.tag)?.path === entry.head.path) this.tagPages.delete(entry.head.tag);
  }

  private takeNames(entry: NoteEntry): void {
    this.tagNames.add(entry.tags);
    this.peopleNames.add(entry.people);
    this.postings.add(entry);
  }

  private forgetNames(entry: NoteEntry): void {
    this.tagNames.remove(entry.tags);
    this.peopleNames.remove(entry.people);
    this.postings.remove(entry);
  }

  /** A note as it was read last; null when there is none. */
  present(path: string): NoteChange | null {
    const entry = this.entries.get(foldPath(path));
    return entry ? { path: entry.head.path, text: entry.text, seen: entry.seen } : null;
  }

  /** The folded paths of the notes that changed since this was last asked. */
  takeChanged(): ReadonlySet<string> {
    const changed = new Set(this.changedKeys);
    this.changedKeys = [];
    return changed;
  }

  /** The days of which the figures may be different since this was last asked. */
  takeTouchedDays(): ReadonlySet<Day> {
    const touched = new Set([...this.days.takeTouched(), ...this.total.touched]);
    this.total.touched.clear();
    return touched;
  }

  /** The statuses that notes add, in the order of their paths. */
  get statuses(): NotedStatus[] {
    return [...this.added]
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([key, status]) => ({ ...status, path: this.entries.get(key)?.head.path ?? key }));
  }

  /** Whether notes were read with other statuses than are added now; then `takeStatuses`, and read everything again. */
  get outdated(): boolean {
    const now = signOfAll(statusTable(this.statuses));
    return now !== signOfAll(this.settings.statuses ?? new Map<string, AddedStatus>());
  }

  takeStatuses(): void {
    this.settings = { ...this.settings, statuses: statusTable(this.statuses) };
  }

  /** What is wrong with what the tasks of a note point at, by line (from 0). */
  refProblemsOf(path: string): { line: number; problems: Problem[] }[] {
    const entry = this.entries.get(foldPath(path));
    if (!entry) return [];
    return entry.head.rows
      .map(({ task }) => ({ line: task.line, problems: refProblems(entry.head.path, task, this.refs.table) }))
      .filter(({ problems }) => problems.length > 0);
  }

  /** The slot table, with the places of all rows as the paths stand now. */
  protected placedColumns(): SlotTable {
    const { table } = this;
    const came = this.places.refresh(() => [...this.entries.values()].map((entry) => entry.head.path));
    if (came) for (const { head } of this.entries.values()) table.placeNote(head, this.places.of(head.path));
    return table;
  }

  protected matching(plan: Plan): { rows: Row[]; resting: number } {
    const few = this.fewNotes(plan);
    return plan.gather.from === 'tasks' && !few
      ? new ColumnAnswer(this.placedColumns(), plan).matching()
      : matchingRows(plan, (visit) => this.visit(plan.gather.from, few, visit));
  }

  protected answerOf(plan: Plan): Answer {
    const few = this.fewNotes(plan);
    return plan.gather.from === 'tasks' && !few
      ? new ColumnAnswer(this.placedColumns(), plan).answer()
      : answerOnce(plan, (visit) => this.visit(plan.gather.from, few, visit));
  }

  /** The notes in which alone a gather can find something, when they are so few that looking through them is cheapest. */
  private fewNotes({ gather, context }: Plan): ReadonlySet<string> | null {
    const notes = candidateNotes(gather.where, context, { postings: this.postings, names: this.names, namesOf: this.lookup.namesOf });
    return notes !== null && notes.size * 8 < this.entries.size ? notes : null;
  }

  private visit(from: Source, few: ReadonlySet<string> | null, visit: (row: Row) => void): void {
    const visitAll = (entry: NoteEntry | undefined): void => {
      if (entry) for (const row of rowsFor(entry, from)) visit(row);
    };
    if (few) for (const key of few) visitAll(this.entries.get(key));
    else for (const entry of this.entries.values()) visitAll(entry);
  }

  contextAt(path: string | null): GatherContext {
    const { today, firstDayOfWeek, me, raiseTag, notNowTag, statuses } = this.settings;
    return {
      today,
      firstDayOfWeek,
      me,
      thisNote: path === null ? null : this.thisNote(path),
      ...(raiseTag !== undefined && { raiseTag }),
      ...(notNowTag !== undefined && { notNowTag }),
      ...(statuses && { statuses }),
    };
  }

  /** A note as gathers in it mean it; a page that has no note yet is meant by what it is called. */
  private thisNote(at: string): ThisNote | null {
    const entry = this.entries.get(foldPath(at));
    if (entry) {
      const { path, journal, handle, tag, series, present } = entry.head;
      return { path, journal, handle, tag, series, ...(present.length > 0 && { people: present }) };
    }
    return placeWithoutNote(at);
  }

  private namesOf(target: string): ReadonlySet<string> {
    const path = this.names.pathOf(target);
    const names = path === null ? undefined : this.entries.get(path)?.names;
    return new Set([foldPath(target), ...(names ?? [])]);
  }
}

/** What of the added statuses decides how texts are read and gathered. */
const signOfAll = (statuses: AddedStatuses): string => [...statuses].map(([sign, { means, name }]) => `${sign}${means} ${name}`).join('\n');
