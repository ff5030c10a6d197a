import { listAt } from '../../../core/note/names/outside-path';
import type { SearchShows } from '../../../core/index/questions/search';
import type { Day } from '../../../core/calendar/day';
import { isoDay, readIsoDay } from '../../../core/calendar/day';
import { type PageName, ROUTES } from './routes';

/** The address of a page, with the rest that its route leaves open. */
const of = (page: PageName, rest: string): string => ROUTES[page].replace(/[*:].*$/, '') + encode(rest);

const encode = (path: string): string => path.split('/').map(encodeURIComponent).join('/');

/** The address of a note, of a line in it (from 0), or of the note as it is turned. */
export function noteAddress(path: string, line?: number, view?: string): string {
  const list = listAt(path);
  // What stands on an outside list has the page of the list.
  if (list !== null) return outsideAddress(list);
  return `${of('note', path)}${line === undefined ? '' : `?line=${line + 1}`}${view === undefined ? '' : `?view=${view}`}`;
}

/** What the address of a note says when its text is shown as it is stored. */
export const STORED = 'stored';

/** How the page of a day is turned: to its plan, or to the hours of its week. */
export type DayView = 'plan' | 'week';

/** The page of a day, to be written in or turned. */
export function dayAddress(day: Day, view?: DayView): string {
  return of('day', isoDay(day)) + (view ? `?view=${view}` : '');
}

/** The text of a note where one writes it: of the page of a day, that of the day. */
export function textAddress(path: string, title: string): string {
  const day = readIsoDay(title);
  return day === null ? noteAddress(path) : dayAddress(day);
}

export function tagAddress(tag: string): string {
  return of('tag', tag);
}

export function personAddress(handle: string): string {
  return of('person', handle);
}

/** The page of a series of meetings. */
export function seriesAddress(series: string): string {
  return of('series', series);
}

/** The page of a status: one of the five by its word, one that a note adds by its name. */
export function statusAddress(status: string): string {
  return of('status', status);
}

/** The page where files come in and go out. */
export const filesAddress = (): string => ROUTES.files;

/** The page of a folder; of all notes where none is named. */
export function folderAddress(folder: string): string {
  return of('folder', folder);
}

/** The address of a task by its ref, wherever it stands. */
export function itemAddress(ref: string): string {
  return of('item', ref);
}

/** The address of a search, and of what of it is shown. */
export function findAddress(typed: string, show: SearchShows | 'only' = 'all'): string {
  return `${ROUTES.find}?${new URLSearchParams({ q: typed, ...(show !== 'all' && { show }) }).toString()}`;
}

/** Where a gather is made by pointing, beginning with one. */
export const askAddress = (gather: string): string => `${ROUTES.ask}${gather === '' ? '' : `?q=${encodeURIComponent(gather)}`}`;

/** Where the tasks of a gather are gone through one after the other; by the note that holds it, where one does. */
export const throughAddress = (gather: string, at: string | null): string =>
  `${ROUTES.through}?${new URLSearchParams({ q: gather, ...(at !== null && { of: at }) }).toString()}`;

/** A timed sheet whose lines become tasks. */
export const brainstormAddress = (): string => ROUTES.brainstorm;

/** A page of the help, and a heading in it. */
export function helpAddress(page = 'note', heading?: string): string {
  return of('help', page) + (heading === undefined ? '' : `#${heading}`);
}

/** The texts that a note had, wherever it is or was. */
export const earlierAddress = (path: string): string => of('earlier', path);

/** What is kept: copies, deleted notes, and what all of it takes. */
export const keepAddress = (): string => ROUTES.keep;

/** The address of the settings, or of a part of them. */
export function settingsAddress(part?: 'keys' | 'statuses'): string {
  return `${ROUTES.settings}${part ? `#${part}` : ''}`;
}

/** The outside lists, or one of them. */
export const outsideAddress = (list = ''): string => (list === '' ? '/outside' : of('outside', list));

/** All that is lent out. */
export const lentAddress = (): string => ROUTES.lent;

/** Where this device is linked to a desk; with the words of an invitation behind the number sign, which no server is sent. */
export const linkAddress = (words = ''): string => ROUTES.link + (words === '' ? '' : `#${words.replaceAll(' ', '+')}`);

/** The words of an invitation, from what stands behind the number sign; empty for none. */
export const wordsOfLink = (hash: string): string => (/^#[a-z+]+$/i.test(hash) ? hash.slice(1).replaceAll('+', ' ') : '');
