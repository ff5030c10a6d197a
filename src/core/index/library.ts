import type { Day, Weekday } from '../calendar/day';
import type { DateStyle } from '../calendar/day-name';
import type { Answer } from '../gather/answer';
import { sentenceText } from '../gather/sentence';
import { type Why, explain } from '../gather/why';
import type { GatherContext } from '../gather/ast';
import type { NameLookup } from '../gather/evaluate';
import { isResting } from '../gather/state';
import { speaksOfResting } from '../gather/evaluate';
import { foldPath } from '../note/path';
import { readNote } from '../task/read-note';
import { type AddedStatus, isOpen } from '../task/status';
import { type Problem, READING_DEFAULTS, type ReadingSettings } from '../task/task';
import { addedStatusOf, statusTable } from '../task/added-status';
import { type RefTask, isBlocked, refProblems, refTask } from '../task/ref-problems';
import { RefIndex } from './ref-index';
import { LiveGather } from './live-gather';
import { NameTable, namesFor } from './name-table';
import { type NoteHead, type Row, headOf, rowsOf } from './row';
import { countRows, emptyTally } from './tally';
import { type AnswerView, groupView } from './view';

/** Everything that changes how the library is read and answered, apart from the notes. */
export interface LibrarySettings extends ReadingSettings {
  today: Day;
  firstDayOfWeek: Weekday;
  dateStyle: DateStyle;
  me: string | null;
}

/** What the library keeps of a note. */
export interface NoteEntry {
  head: NoteHead;
  rows: Row[];
  /** How many of its tasks are open. */
  open: number;
  /** The texts of its gather blocks. */
  gathers: string[];
  lineCount: number;
  /** Tags and people named anywhere in it, as written. */
  tags: readonly string[];
  people: readonly string[];
  /** Every name by which a link may mean it, folded. */
  names: string[];
  fullName: string | null;
  /** The status that it adds. */
  status: AddedStatus | null;
  /** Its tasks that have a ref. */
  refs: RefTask[];
  echoes: number;
}

/** A note that came, changed (text) or went (null). */
export interface NoteChange {
  path: string;
  text: string | null;
}

interface Subscription {
  live: LiveGather;
  text: string;
  /** The note that holds the gather; null for one of the interface's own. */
  at: string | null;
  /** The last answer that could be read. */
  answer: AnswerView | null;
}

/** All notes, read and indexed, with gathers that are kept answered. Pure: no clock, no store. */
export class Library {
  readonly entries = new Map<string, NoteEntry>();
  readonly total = emptyTally();
  lineCount = 0;
  private readonly subscriptions = new Map<string, Subscription>();
  readonly names = new NameTable();
  readonly refs = new RefIndex();
  /** Statuses that notes add, by the folded path of the note. */
  private readonly added = new Map<string, AddedStatus>();
  private echoes = 0;

  constructor(private settings: LibrarySettings) {}

  readonly lookup: NameLookup = {
    namesOf: (target) => this.namesOf(target),
    pathOf: (target) => this.names.pathOf(target),
    isBlocked: (row) => row.task.needs.length > 0 && isBlocked(row.task.needs, this.refs.table),
  };

  get today(): Day {
    return this.settings.today;
  }

  *rows(): Generator<Row> {
    for (const entry of this.entries.values()) yield* entry.rows;
  }

  /** Reads changed notes into the index; gives the ids of the subscriptions whose answers may differ. */
  apply(changes: readonly NoteChange[]): string[] {
    const touched = new Set<string>();
    let renamed = false;
    const refsBefore = this.refs.version;
    for (const change of changes) {
      const { removed, added, namesChanged } = this.replace(change);
      renamed ||= namesChanged;
      for (const [id, subscription] of this.subscriptions) {
        if (subscription.live.change(removed, added)) touched.add(id);
      }
    }
    if (this.refs.version !== refsBefore) {
      for (const [id, { live, at }] of this.subscriptions) {
        if (this.echoes === 0 && !live.asksForRefs) continue;
        live.rebuild(this.rows(), this.contextAt(at));
        touched.add(id);
      }
    }
    if (renamed) {
      for (const [id, { live, at }] of this.subscriptions) {
        if (!live.asksForNames) continue;
        live.rebuild(this.rows(), this.contextAt(at));
        touched.add(id);
      }
    }
    return [...touched];
  }

  private replace(change: NoteChange): { removed: Row[]; added: Row[]; namesChanged: boolean } {
    const key = foldPath(change.path);
    const before = this.entries.get(key);
    const after = change.text === null ? null : entryOf(change.path, change.text, this.settings);
    if (before) {
      this.entries.delete(key);
      countRows(this.total, before.rows, -1);
      this.lineCount -= before.lineCount;
      this.names.remove(before.names, key);
      this.refs.remove(before.refs);
      this.echoes -= before.echoes;
      this.added.delete(key);
    }
    if (after) {
      this.entries.set(key, after);
      after.open = countRows(this.total, after.rows, 1);
      this.lineCount += after.lineCount;
      this.names.add(after.names, key);
      this.refs.add(after.refs);
      this.echoes += after.echoes;
      if (after.status) this.added.set(key, after.status);
    }
    const namesChanged = !before || !after || before.names.join('\n') !== after.names.join('\n');
    return { removed: before?.rows ?? [], added: after?.rows ?? [], namesChanged };
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
    return entry.rows
      .map(({ task }) => ({ line: task.line, problems: refProblems(entry.head.path, task, this.refs.table) }))
      .filter(({ problems }) => problems.length > 0);
  }

  /** New settings or a new day: everything that depends on them is answered afresh. Gives all ids. */
  changeSettings(settings: LibrarySettings, texts?: Iterable<NoteChange>): string[] {
    this.settings = { ...settings, ...(this.settings.statuses && { statuses: this.settings.statuses }) };
    if (texts) this.apply([...texts]);
    for (const { live, at } of this.subscriptions.values()) live.rebuild(this.rows(), this.contextAt(at));
    return [...this.subscriptions.keys()];
  }

  /** Keeps a gather answered until it is unsubscribed. A new text under a known id keeps its last answer at hand. */
  subscribe(id: string, text: string, at: string | null): void {
    const previous = this.subscriptions.get(id);
    if (previous && previous.text === text && previous.at === at) return;
    const live = new LiveGather(text, this.contextAt(at), this.lookup, (ref) => this.refs.has(ref));
    live.rebuild(this.rows(), this.contextAt(at));
    this.subscriptions.set(id, { live, text, at, answer: previous?.answer ?? null });
  }

  unsubscribe(id: string): void {
    this.subscriptions.delete(id);
  }

  /** Answers a gather once, without keeping it. */
  ask(text: string, at: string | null = null): { live: LiveGather; answer: Answer } {
    const live = new LiveGather(text, this.contextAt(at), this.lookup, (ref) => this.refs.has(ref));
    live.rebuild(this.rows(), this.contextAt(at));
    return { live, answer: live.answer(this.settings.dateStyle) };
  }

  /** Why a task is in the answer to a gather, or what keeps it out; null when there is no such task or question. */
  why(text: string, at: string | null, path: string, line: number): Why | null {
    const row = this.entries.get(foldPath(path))?.rows.findLast((one) => one.task.line === line);
    if (!row) return null;
    const { live, answer } = this.ask(text, at);
    return live.errors.length > 0 ? null : explain(live.plan, answer, row, this.lookup);
  }

  /** What a subscribed gather comes to now; null for an id that nobody subscribed. */
  answer(id: string): AnswerView | null {
    const subscription = this.subscriptions.get(id);
    if (!subscription) return null;
    const { live } = subscription;
    if (live.errors.length > 0) {
      const last = subscription.answer ?? { title: null, sentence: '', total: 0, more: 0, resting: 0, groups: [] };
      return { ...last, title: live.gather.title ?? last.title, errors: live.errors };
    }
    const answer = live.answer(this.settings.dateStyle);
    subscription.answer = {
      title: live.gather.title,
      sentence: sentenceText(live.gather, this.contextAt(subscription.at)),
      total: answer.total,
      more: answer.more,
      resting: answer.resting,
      groups: answer.groups.map((group) => groupView(group, this.settings.today)),
      errors: [],
    };
    return subscription.answer;
  }

  /**
   * How many different open tasks the subscribed gathers hold together, without those that rest; a gather that
   * itself asks for resting tasks counts them too.
   */
  countOpen(ids: readonly string[]): number {
    const seen = new Set<Row>();
    for (const id of ids) {
      const live = this.subscriptions.get(id)?.live;
      if (!live) continue;
      const asked = speaksOfResting(live.gather.where);
      for (const row of live.rows) {
        if (isOpen(row.task.status) && (asked || !isResting(row, this.settings.today))) seen.add(row);
      }
    }
    return seen.size;
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

function entryOf(path: string, text: string, settings: ReadingSettings = READING_DEFAULTS): NoteEntry {
  const note = readNote(path, text, settings);
  const rows = rowsOf(note, settings.repeatLead === undefined ? 0 : settings.repeatLead);
  const head = rows[0]?.head ?? headOf(note);
  const isPerson = note.kind === 'person';
  return {
    head,
    rows,
    open: 0,
    gathers: note.gathers.map((gather) => gather.text),
    lineCount: note.lines.starts.length,
    tags: note.tags,
    people: isPerson ? [...note.people, note.front.handle ?? note.title] : note.people,
    names: namesFor(path, note.title, note.front.aliases),
    fullName: isPerson ? note.title : null,
    status: addedStatusOf(note.front, note.title),
    refs: rows.filter((row) => row.task.ref !== null).map((row) => refTask(path, row.task)),
    echoes: rows.filter((row) => row.echo !== null).length,
  };
}
