import type { Day, Weekday } from '../calendar/day';
import type { DateStyle } from '../calendar/day-name';
import type { Answer, Plan } from '../gather/answer';
import { answerOnce, matchingRows } from '../gather/answer-once';
import type { GatherContext, GatherError, Source } from '../gather/ast';
import type { NameLookup } from '../gather/evaluate';
import { type Why, explain } from '../gather/why';
import { unknownNames } from '../gather/unknown-names';
import { foldPath } from '../note/path';
import type { LineDays } from '../note/line-days';
import type { AddedStatus } from '../task/status';
import { readNote } from '../task/read-note';
import type { Problem, ReadingSettings, Task } from '../task/task';
import { statusTable } from '../task/added-status';
import { isBlocked, refProblems } from '../task/ref-problems';
import { AnswerTeller } from './answer-teller';
import { candidateNotes } from './candidate-notes';
import { ColumnAnswer } from './column-answer';
import { Columns } from './columns';
import { RefIndex } from './ref-index';
import { LiveGather } from './live-gather';
import { NameRegister } from './name-register';
import { NameTable } from './name-table';
import type { AnswerNews } from './news';
import { NotePostings } from './note-postings';
import { PlaceTable } from './place-table';
import { PageCount } from './page-count';
import { type NoteEntry, entryOf, namesSame, rowsFor } from './note-entry';
import type { Row } from './row';
import { countTasks, emptyTally } from './tally';
import type { AnswerView } from './view';

/** Everything that changes how the library is read and answered, apart from the notes. */
export interface LibrarySettings extends ReadingSettings {
  today: Day;
  firstDayOfWeek: Weekday;
  dateStyle: DateStyle;
  me: string | null;
  /** The path of the note in which loose tasks are caught, beside the journal pages. */
  loosePlace?: string | null;
}

/** A note that came, changed (text) or went (null). */
export interface NoteChange {
  path: string;
  text: string | null;
  /** When its lines were seen first. */
  seen?: LineDays | null;
}

interface Subscription {
  live: LiveGather;
  text: string;
  /** The note that holds the gather; null for one of the interface's own. */
  at: string | null;
  teller: AnswerTeller;
  /** Names in it that nothing bears, as of a version of the names. */
  hints: { version: string; found: GatherError[] } | null;
}

/** All notes, read and indexed, with gathers that are kept answered. Pure: no clock, no store. */
export class Library {
  readonly entries = new Map<string, NoteEntry>();
  readonly total = emptyTally();
  lineCount = 0;
  private readonly subscriptions = new Map<string, Subscription>();
  readonly names = new NameTable();
  readonly refs = new RefIndex();
  readonly tagNames = new NameRegister();
  readonly peopleNames = new NameRegister();
  /** Folded handle → the page of that person. */
  readonly personPages = new Map<string, { title: string; path: string }>();
  private readonly columns = new Columns();
  private readonly places = new PlaceTable();
  private readonly postings = new NotePostings();
  private readonly pages = new Map<string, PageCount>();
  /** Statuses that notes add, by the folded path of the note. */
  private readonly added = new Map<string, AddedStatus>();
  private echoes = 0;
  /** Grows whenever a note comes, goes or is called otherwise. */
  private titlesVersion = 0;
  /** Folded paths of the notes that changed since `takeChanged`. */
  private changedKeys: string[] = [];

  constructor(private settings: LibrarySettings) {}

  readonly lookup: NameLookup = {
    namesOf: (target) => this.namesOf(target),
    pathOf: (target) => this.names.pathOf(target),
    isBlocked: (row) => row.task.needs.length > 0 && isBlocked(row.task.needs, this.refs.table),
    hasTask: (ref) => this.refs.has(ref),
    isLoosePlace: (path) => this.settings.loosePlace != null && foldPath(this.settings.loosePlace) === foldPath(path),
  };

  get today(): Day {
    return this.settings.today;
  }

  get taskCount(): number {
    return this.columns.size;
  }

  *rows(): Generator<Row> {
    for (const entry of this.entries.values()) yield* entry.head.rows;
  }

  /** Reads changed notes into the index; gives the ids of the subscriptions whose answers may differ. */
  apply(changes: readonly NoteChange[]): string[] {
    const touched = new Set<string>();
    let renamed = false;
    const refsBefore = this.refs.version;
    const echoesBefore = this.echoes;
    for (const change of changes) {
      const key = foldPath(change.path);
      // What answers hold of a note is taken out of them by its old rows, which its slots give only as long as they are its own.
      const removed = this.rowsAsked(key);
      if (this.replace(key, change)) renamed = true;
      const added = this.rowsAsked(key);
      for (const [id, { live }] of this.subscriptions) {
        const { from } = live.gather;
        if (live.change(removed.get(from) ?? NO_ROWS, added.get(from) ?? NO_ROWS)) touched.add(id);
      }
      if (this.pages.size > 0) this.countNote(key);
    }
    const refsChanged = this.refs.version !== refsBefore;
    const echoed = this.echoes > 0 || echoesBefore > 0;
    for (const [id, subscription] of this.subscriptions) {
      const { live } = subscription;
      const again = (refsChanged && (echoed || live.asksForRefs)) || (renamed && live.asksForNames);
      if (!again) continue;
      this.rebuild(subscription);
      touched.add(id);
    }
    if (this.pages.size > 0 && ((refsChanged && echoed) || renamed)) this.recount();
    return [...touched];
  }

  /** The rows of a note that the gathers that are kept answered look at, by what these gather. */
  private rowsAsked(key: string): ReadonlyMap<Source, readonly Row[]> {
    const entry = this.entries.get(key);
    const rows = new Map<Source, readonly Row[]>();
    if (!entry) return rows;
    for (const { live } of this.subscriptions.values())
      if (!rows.has(live.gather.from)) rows.set(live.gather.from, rowsFor(entry, live.gather.from));
    return rows;
  }

  /** Counts a note afresh on every agenda page. */
  private countNote(key: string): void {
    const rows = this.entries.get(key)?.head.rows ?? NO_ROWS;
    for (const page of this.pages.values()) page.take(key, rows);
  }

  /** Puts a note in the place of what it was; gives whether it is called otherwise now. */
  private replace(key: string, change: NoteChange): boolean {
    const before = this.entries.get(key);
    const note = change.text === null ? null : readNote(change.path, change.text, this.settings);
    const after = note && entryOf(key, note, this.settings, change.seen ?? null, this.columns);
    this.changedKeys.push(key);
    if (before) this.forget(key, before);
    if (note && after) this.take(key, after, note.tasks);
    if (before && after && namesSame(before, after)) this.postings.replace(before, after);
    else {
      if (before) this.forgetNames(before);
      if (after) this.takeNames(after);
    }
    const namesChanged = !before || !after || before.names.join('\n') !== after.names.join('\n');
    if (namesChanged) this.titlesVersion++;
    return namesChanged;
  }

  private take(key: string, entry: NoteEntry, tasks: readonly Task[]): void {
    this.entries.set(key, entry);
    countTasks(this.total, entry, tasks, 1);
    this.columns.addNote(entry, tasks, this.places.of(entry.head.path));
    // Every answer that is kept will ask for its rows.
    if (this.subscriptions.size > 0) this.columns.makeRows(entry, tasks);
    this.lineCount += entry.lineCount;
    this.names.add(entry.names, key);
    this.refs.add(entry.refs);
    this.echoes += entry.echoes;
    if (entry.status) this.added.set(key, entry.status);
    if (entry.head.handle !== null && entry.fullName !== null)
      this.personPages.set(entry.head.handle, { title: entry.fullName, path: entry.head.path });
  }

  private forget(key: string, entry: NoteEntry): void {
    this.entries.delete(key);
    countTasks(
      this.total,
      entry,
      entry.head.rows.map((row) => row.task),
      -1,
    );
    this.columns.removeNote(entry);
    this.lineCount -= entry.lineCount;
    this.names.remove(entry.names, key);
    this.refs.remove(entry.refs);
    this.echoes -= entry.echoes;
    this.added.delete(key);
    if (entry.head.handle !== null && this.personPages.get(entry.head.handle)?.path === entry.head.path)
      this.personPages.delete(entry.head.handle);
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

  /** The statuses that notes add, in the order of their paths. */
  get statuses(): AddedStatus[] {
    return [...this.added].sort(([a], [b]) => (a < b ? -1 : 1)).map(([, status]) => status);
  }

  /** Whether notes were read with other statuses than are added now; then `takeStatuses`, and read everything again. */
  get outdated(): boolean {
    const now = [...statusTable(this.statuses)].map(([sign, { means }]) => sign + means).join();
    return now !== [...(this.settings.statuses ?? [])].map(([sign, { means }]) => sign + means).join();
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

  /** New settings or a new day: everything that depends on them is answered afresh. Gives all ids. */
  changeSettings(settings: LibrarySettings, texts?: Iterable<NoteChange>): string[] {
    this.settings = { ...settings, ...(this.settings.statuses && { statuses: this.settings.statuses }) };
    if (texts) this.apply([...texts]);
    for (const subscription of this.subscriptions.values()) this.rebuild(subscription);
    this.recount();
    return [...this.subscriptions.keys()];
  }

  /** Keeps a gather answered until it is unsubscribed, or subscribed with another text. */
  subscribe(id: string, text: string, at: string | null): void {
    const previous = this.subscriptions.get(id);
    if (previous && previous.text === text && previous.at === at) return;
    const live = this.liveGather(text, at);
    const subscription: Subscription = { live, text, at, hints: null, teller: new AnswerTeller(live) };
    this.subscriptions.set(id, subscription);
    this.rebuild(subscription);
  }

  unsubscribe(id: string): void {
    this.subscriptions.delete(id);
  }

  private liveGather(text: string, at: string | null): LiveGather {
    return new LiveGather(text, this.contextAt(at), this.settings.dateStyle, this.lookup);
  }

  private rebuild({ live, at }: Subscription): void {
    const context = this.contextAt(at);
    live.rebuild(({ plan }) => this.matching(plan), context, this.settings.dateStyle);
  }

  /** The columns, with the places of all rows as the paths stand now. */
  private placedColumns(): Columns {
    const { columns } = this;
    const came = this.places.refresh(() => [...this.entries.values()].map((entry) => entry.head.path));
    if (came) for (const { head } of this.entries.values()) columns.placeNote(head, this.places.of(head.path));
    return columns;
  }

  private matching(plan: Plan): { rows: Row[]; resting: number } {
    const few = this.fewNotes(plan);
    return plan.gather.from === 'tasks' && !few
      ? new ColumnAnswer(this.placedColumns(), plan).matching()
      : matchingRows(plan, (visit) => this.visit(plan.gather.from, few, visit));
  }

  private answerOf(plan: Plan): Answer {
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

  /** Answers a gather once, without keeping it. */
  ask(text: string, at: string | null = null): { live: LiveGather; answer: Answer } {
    const live = this.liveGather(text, at);
    if (live.errors.length > 0) return { live, answer: live.answer() };
    return { live, answer: this.answerOf(live.plan) };
  }

  /** Why a task is in the answer to a gather, or what keeps it out; null when there is no such task or question. */
  why(text: string, at: string | null, path: string, line: number): Why | null {
    const { live, answer } = this.ask(text, at);
    const entry = this.entries.get(foldPath(path));
    if (!entry || live.errors.length > 0) return null;
    const row = [...rowsFor(entry, live.gather.from), ...entry.head.rows].findLast((one) => one.task.line === line);
    return row ? explain(live.plan, answer, row, this.lookup) : null;
  }

  /** The first tasks whose words hold some words, open ones first. */
  find(
    words: string,
    most: number,
  ): { path: string; line: number; raw: string; text: string; noteTitle: string; status: Row['task']['status'] }[] {
    const quoted = `"${words.replace(/[\\"]/g, '\\$&')}"`;
    const { answer } = this.ask(`where text has ${quoted}\norder by status, priority, due\nlimit ${most}\nsteps apart\nincluding resting`);
    return answer.groups.flatMap((group) =>
      group.rows.map(({ row: { task, head } }) => ({
        path: head.path,
        line: task.line,
        raw: task.raw,
        text: task.text,
        noteTitle: head.title,
        status: task.status,
      })),
    );
  }

  /** What a subscribed gather comes to now; null for an id that nobody subscribed. */
  answer(id: string): AnswerView | null {
    const subscription = this.subscriptions.get(id);
    return subscription ? subscription.teller.answer(this.contextAt(subscription.at), this.hintsOf(subscription)) : null;
  }

  /** What is different in the answer to a subscribed gather since this was last asked. */
  news(id: string): AnswerNews | null {
    const subscription = this.subscriptions.get(id);
    return subscription ? subscription.teller.news(this.contextAt(subscription.at), this.hintsOf(subscription)) : null;
  }

  private hintsOf(subscription: Subscription): GatherError[] {
    const { text, at } = subscription;
    const version = `${this.tagNames.version} ${this.peopleNames.version} ${this.titlesVersion}`;
    if (subscription.hints?.version === version) return subscription.hints.found;
    const folder = at === null ? null : foldPath(at);
    const found = unknownNames(text, {
      tags: this.tagNames,
      people: this.peopleNames,
      hasNote: (name) => this.names.pathOf(name, folder) !== null,
      notes: () => [...this.entries.values()].map((entry) => entry.head.title),
      folders: () => [...this.entries.values()].map((entry) => entry.head.folder),
    });
    subscription.hints = { version, found };
    return found;
  }

  /** Keeps the open tasks of an agenda page counted; without gathers it is counted no more. */
  countPage(path: string, gathers: readonly string[] | null): void {
    const before = this.pages.get(path);
    if (gathers === null) this.pages.delete(path);
    else if (!before || before.texts.join('\0') !== gathers.join('\0')) this.startCount(path, gathers);
  }

  private startCount(path: string, gathers: readonly string[]): void {
    const count = new PageCount(gathers, this.contextAt(path), this.settings.dateStyle, this.lookup);
    count.start(this.entries, this.placedColumns());
    this.pages.set(path, count);
  }

  private recount(): void {
    for (const [path, { texts }] of this.pages) this.startCount(path, texts);
  }

  /** Path of each counted agenda page → its open tasks. */
  get pageCounts(): Record<string, number> {
    return Object.fromEntries([...this.pages].map(([path, { total }]) => [path, total]));
  }

  get countedPages(): readonly string[] {
    return [...this.pages.keys()];
  }

  contextAt(path: string | null): GatherContext {
    const { today, firstDayOfWeek, me } = this.settings;
    const head = path === null ? null : (this.entries.get(foldPath(path))?.head ?? null);
    return {
      today,
      firstDayOfWeek,
      me,
      thisNote: head && { path: head.path, journal: head.journal, handle: head.handle },
    };
  }

  private namesOf(target: string): ReadonlySet<string> {
    const path = this.names.pathOf(target);
    const names = path === null ? undefined : this.entries.get(path)?.names;
    return new Set([foldPath(target), ...(names ?? [])]);
  }
}

const NO_ROWS: readonly Row[] = [];
