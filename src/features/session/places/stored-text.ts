import { readIsoDay } from '../../../core/calendar/day';
import { pageInJournal } from '../../../core/index/live/journal-claims';
import type { Overview } from '../../../core/index/live/overview';
import { foldName } from '../../../core/note/names/names';
import { STORED, noteAddress, textAddress } from './addresses';
import { restOf } from './routes';

/**
 * Where the key for the stored text leads from a page: to its text as it is stored, and from there back. Null for a page that no note holds.
 *
 * @param address where one is: its path and its search
 * @param journal which is chosen for the pages of days
 */
export function storedTextFrom(
  { pathname, search }: { pathname: string; search: string },
  overview: Overview | null,
  journal: string | null = null,
): string | null {
  const path = noteOfPage(pathname, overview, journal);
  if (path === null) return null;
  if (new URLSearchParams(search).get('view') !== STORED) return noteAddress(path, undefined, STORED);
  return textAddress(path, overview?.notes.find((note) => note.path === path)?.title ?? '');
}

/** The note that a page shows: itself, that of a day, or that of a person or a tag. */
export function noteOfPage(pathname: string, overview: Overview | null, journal: string | null = null): string | null {
  const note = restOf('note', pathname);
  if (note !== null) return note;
  const day = readIsoDay(restOf('day', pathname) ?? '');
  if (day !== null) return pageInJournal(overview?.notes ?? [], day, journal);
  const named = (name: string | null, among: Overview['people'] | undefined): string | null =>
    name === null ? null : (among?.find((one) => foldName(one.name) === foldName(name))?.path ?? null);
  return named(restOf('person', pathname), overview?.people) ?? named(restOf('tag', pathname), overview?.tags);
}
