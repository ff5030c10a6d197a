import type { Day } from '../../calendar/day';
import { figuresOf } from '../days/figures-of';
import { startsOf } from '../days/day-matter';
import type { Library } from '../library';
import type { NameRegister } from '../names/name-register';
import type { NoteEntry } from '../note-entry';
import { EMPTY_OVERVIEW, type NameSummary, type NoteSummary, type Overview, type OverviewNews, overviewAfter } from './overview';

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
    this.put(news, 'tags', namesOf(library.tagNames, library.total.tags, library.tagPages));
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

function summaryOf({ head, counts, slipKey, handle, foot }: NoteEntry): NoteSummary {
  const { path, title, kind, journal, journalName, journalSaid } = head;
  return {
    path,
    title,
    kind,
    journal,
    journalSaid,
    open: kind === 'archive' ? 0 : counts.open,
    closed: counts.closed,
    ...(journalName !== null && { journalName }),
    ...(slipKey !== null && { slipKey }),
    ...(handle !== null && { handle }),
    ...(foot !== null && { foot }),
  };
}

function isSame(a: NoteSummary | undefined, b: NoteSummary): boolean {
  return (
    a?.path === b.path &&
    a.title === b.title &&
    a.kind === b.kind &&
    a.journal === b.journal &&
    a.journalName === b.journalName &&
    a.journalSaid === b.journalSaid &&
    a.open === b.open &&
    a.closed === b.closed &&
    a.slipKey === b.slipKey &&
    a.handle === b.handle &&
    a.foot === b.foot
  );
}

function namesOf(
  register: NameRegister,
  counts: ReadonlyMap<string, number>,
  pages: ReadonlyMap<string, { title: string; path: string }>,
): NameSummary[] {
  const names = [...register.all()].map(([folded, name, notes]): NameSummary => {
    const page = pages.get(folded);
    return { name, fullName: page?.title ?? null, path: page?.path ?? null, open: counts.get(folded) ?? 0, notes };
  });
  return names.sort((a, b) => b.open - a.open || (a.name < b.name ? -1 : a.name > b.name ? 1 : 0));
}
