import type { Day } from '../../calendar/day';
import type { NoteKind } from '../../note/facts/front-matter';
import type { AddedStatus } from '../../task/line/status';
import type { Library } from '../library';
import type { NoteEntry } from '../note-entry';
import type { NameRegister } from '../names/name-register';
import { type DayFigures, figuresOf } from '../days/day-figures';
import { startsOf } from '../days/day-matter';
import type { DayItem } from '../../day/day-items';

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
  /** Lines of finished tasks. */
  closed: number;
  /** The key that opens it, where it is a slip with one. */
  slipKey?: string;
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
  /** How many notes use it. */
  notes: number;
}

/** What the frame shows of the whole library. */
export interface Overview {
  notes: NoteSummary[];
  tags: NameSummary[];
  people: NameSummary[];
  /** Day number → figures; days without any are left out. */
  days: Record<Day, DayFigures>;
  /** Path of an agenda page → the count on the rack. */
  agendaCounts: Record<string, number>;
  /** What of today has a time, by its time. */
  timed: DayItem[];
  /** Statuses that notes add. */
  statuses: AddedStatus[];
  /** Folded names that more than one note has: links by them are marked. */
  sharedNames: string[];
  lines: number;
  tasks: number;
  open: number;
}

/** What of an overview is different; parts that are left out stayed the same. */
export interface OverviewNews extends Partial<Omit<Overview, 'notes' | 'days'>> {
  notes: { changed: NoteSummary[]; gone: string[] };
  /** Null for a day that nothing is left of. */
  days: Record<Day, DayFigures | null>;
}

export const EMPTY_OVERVIEW: Overview = {
  notes: [],
  tags: [],
  people: [],
  days: {},
  agendaCounts: {},
  timed: [],
  statuses: [],
  sharedNames: [],
  lines: 0,
  tasks: 0,
  open: 0,
};

/** The overview after news; parts that did not change stay the same objects. */
export function overviewAfter(before: Overview, { notes, days, ...rest }: OverviewNews): Overview {
  return {
    ...before,
    ...rest,
    ...((notes.changed.length > 0 || notes.gone.length > 0) && { notes: notesAfter(before.notes, notes) }),
    ...(Object.keys(days).length > 0 && { days: daysAfter(before.days, days) }),
  };
}

function notesAfter(before: readonly NoteSummary[], { changed, gone }: OverviewNews['notes']): NoteSummary[] {
  const left = new Map(changed.map((note) => [note.path, note]));
  const without = new Set(gone);
  const kept = before.flatMap((note) => {
    const next = left.get(note.path);
    left.delete(note.path);
    return next ?? (without.has(note.path) ? [] : note);
  });
  return [...kept, ...left.values()];
}

function daysAfter(before: Overview['days'], changed: OverviewNews['days']): Overview['days'] {
  const days = { ...before };
  for (const [day, tally] of Object.entries(changed)) {
    if (tally) days[Number(day)] = tally;
    else Reflect.deleteProperty(days, day);
  }
  return days;
}

/** Remembers what the page was told of the whole library, and finds what is different since. */
export class OverviewKeeper {
  private readonly notes = new Map<string, NoteSummary>();
  /** What was told of each day, as JSON. */
  private readonly days = new Map<Day, string>();
  private readonly told = new Map<keyof Overview, string>();
  private today: Day | null = null;

  /**
   * @param keys folded paths of the notes that changed since the last call; null for all
   */
  news(library: Library, keys: Iterable<string> | null, agendaCounts: Record<string, number>): OverviewNews {
    const all = keys === null || this.today !== library.today;
    this.today = library.today;
    const news: OverviewNews = { notes: { changed: [], gone: [] }, days: this.dayNews(library, all) };
    for (const key of all ? new Set([...library.entries.keys(), ...this.notes.keys()]) : (keys ?? [])) {
      this.takeNote(library, key, news.notes);
    }
    const timed = startsOf(library, library.today).map(({ item }) => item);
    this.put(news, 'timed', timed);
    this.put(news, 'tags', namesOf(library.tagNames, library.total.tags, null));
    this.put(news, 'people', namesOf(library.peopleNames, library.total.people, library.personPages));
    this.put(news, 'agendaCounts', agendaCounts);
    this.put(news, 'statuses', library.statuses);
    this.put(news, 'sharedNames', library.names.sharedNames());
    this.put(news, 'lines', library.lineCount);
    this.put(news, 'tasks', library.taskCount);
    this.put(news, 'open', library.total.open);
    return news;
  }

  private put<K extends keyof OverviewNews & keyof Overview>(news: OverviewNews, name: K, value: Overview[K] & OverviewNews[K]): void {
    const text = JSON.stringify(value);
    if (this.told.get(name) === text) return;
    this.told.set(name, text);
    news[name] = value;
  }

  private takeNote(library: Library, key: string, into: OverviewNews['notes']): void {
    const entry = library.entries.get(key);
    const before = this.notes.get(key);
    const after = entry && summaryOf(entry);
    if (before && before.path !== after?.path) into.gone.push(before.path);
    if (after && !isSame(before, after)) into.changed.push(after);
    if (after) this.notes.set(key, after);
    else this.notes.delete(key);
  }

  private dayNews(library: Library, all: boolean): OverviewNews['days'] {
    const touched = library.takeTouchedDays();
    const days = all ? new Set([...library.total.days.keys(), ...library.days.timedDays, ...this.days.keys()]) : touched;
    const changed: OverviewNews['days'] = {};
    for (const day of days) {
      const figures = figuresOf(library, day);
      const told = figures && JSON.stringify(figures);
      if ((this.days.get(day) ?? null) === told) continue;
      changed[day] = figures;
      if (told === null) this.days.delete(day);
      else this.days.set(day, told);
    }
    return changed;
  }
}

/** Everything the frame shows, at once. */
export function overviewOf(library: Library, agendaCounts: Record<string, number>): Overview {
  return overviewAfter(EMPTY_OVERVIEW, new OverviewKeeper().news(library, null, agendaCounts));
}

function summaryOf({ head, counts, slipKey }: NoteEntry): NoteSummary {
  const { path, title, kind, journal, journalSaid } = head;
  return {
    path,
    title,
    kind,
    journal,
    journalSaid,
    open: kind === 'archive' ? 0 : counts.open,
    closed: counts.closed,
    ...(slipKey !== null && { slipKey }),
  };
}

function isSame(a: NoteSummary | undefined, b: NoteSummary): boolean {
  return (
    a?.path === b.path &&
    a.title === b.title &&
    a.kind === b.kind &&
    a.journal === b.journal &&
    a.journalSaid === b.journalSaid &&
    a.open === b.open &&
    a.closed === b.closed &&
    a.slipKey === b.slipKey
  );
}

function namesOf(
  register: NameRegister,
  counts: ReadonlyMap<string, number>,
  pages: ReadonlyMap<string, { title: string; path: string }> | null,
): NameSummary[] {
  const names = [...register.all()].map(([folded, name, notes]): NameSummary => {
    const page = pages?.get(folded);
    return { name, fullName: page?.title ?? null, path: page?.path ?? null, open: counts.get(folded) ?? 0, notes };
  });
  return names.sort((a, b) => b.open - a.open || (a.name < b.name ? -1 : a.name > b.name ? 1 : 0));
}
