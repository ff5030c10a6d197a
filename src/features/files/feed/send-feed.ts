import { signOfText } from '../../../core/agenda/text-sign';
import { pathsOfLists, withoutSealed } from '../../../core/formats/listed';
import { statusTable } from '../../../core/task/line/added-status';
import type { AddedStatus } from '../../../core/task/line/status';
import type { Settings } from '../../../store/device/settings';
import type { Services } from '../../session/state/services';
import { FEED, type Feed, changeFeed, readFeed } from './feed-state';

/** What happened longer ago than so many days is left out. */
const DAYS_BACK = 60;

/** What is needed to make a calendar. */
export type FeedServices = Pick<Services, 'store' | 'engine' | 'clock'>;

export interface FeedGiven {
  settings: Settings;
  /** What notes add. */
  statuses: readonly AddedStatus[];
}

/** One after the other, in all tabs: no older calendar comes after a newer one, and none after it was withdrawn. */
async function inTurn<T>(work: () => Promise<T>): Promise<T> {
  // A page that is not served safely has no locks.
  const locks = navigator.locks as LockManager | undefined;
  return locks ? locks.request('recado calendar', work) : work();
}

/**
 * Makes the calendar and sends it where it differs from what was sent last; what went wrong is kept with it.
 *
 * @returns whether the server has it
 */
export const sendFeed = (services: FeedServices, given: FeedGiven): Promise<boolean> => inTurn(() => send(services, given));

async function send(services: FeedServices, given: FeedGiven): Promise<boolean> {
  const { store } = services;
  const feed = readFeed(await store.value(FEED));
  if (!feed) return true;
  const calendar = await calendarOf(feed, services, given);
  // The moment of writing is in each task: it alone is no change.
  const sign = signOfText(calendar.replace(/^DTSTAMP:.*$/gm, ''));
  if (sign === feed.sign && feed.problem === null) return true;
  const problem = await put(feed, calendar);
  await changeFeed(store, (present) => {
    if (present?.id !== feed.id) return present;
    return problem === null ? { ...present, sent: Date.now(), sign, problem } : { ...present, problem };
  });
  return problem === null;
}

async function calendarOf({ pages, events }: Feed, { store, engine, clock }: FeedServices, given: FeedGiven): Promise<string> {
  const now = clock.now();
  const lists = withoutSealed((await Promise.all(pages.map((at) => engine.ask('listed', { texts: null, at })))).flat());
  const happening = events ? await engine.ask('events', { from: now.day - DAYS_BACK }) : [];
  const notes = (await store.many(pathsOfLists(lists))).flatMap((note) => note ?? []);
  const { Files } = await import('../../../engine/files/files');
  const files = new Files();
  try {
    const { workingDay, slipHeading } = given.settings;
    const asked = {
      ...({ taken: { is: 'lists', title: 'Recado', lists, events: happening }, format: 'ics', title: 'Recado' } as const),
      ...{ slipHeading, now, others: {}, reading: { workingDay, statuses: statusTable(given.statuses) } },
    };
    return await (await files.takeOut(asked, notes, () => undefined)).file.text();
  } finally {
    files.end();
  }
}

async function put({ id, key }: Feed, calendar: string): Promise<string | null> {
  try {
    const { status } = await fetch(`/feeds/${id}`, {
      method: 'PUT',
      headers: { 'Content-Type': 'text/calendar', 'Recado-Key': key },
      body: calendar,
    });
    if (status === 204) return null;
    if (status === 507) return 'The server keeps as many calendars as it can.';
    return status === 413 ? 'The calendar is larger than the server takes: choose fewer pages.' : `The server refused it (${status}).`;
  } catch {
    return 'The server was not reached; it is tried again.';
  }
}

/** Withdraws a calendar: the address is dead at once. Whether the server did; where it did not, it is kept here to be tried again. */
export const withdrawFeed = (services: Pick<Services, 'store'>, feed: Feed): Promise<boolean> => inTurn(() => withdraw(services, feed));

async function withdraw({ store }: Pick<Services, 'store'>, { id, key }: Feed): Promise<boolean> {
  try {
    const { status } = await fetch(`/feeds/${id}`, { method: 'DELETE', headers: { 'Recado-Key': key } });
    if (status !== 204) return false;
  } catch {
    return false;
  }
  await changeFeed(store, (present) => (present?.id === id ? null : present));
  return true;
}
