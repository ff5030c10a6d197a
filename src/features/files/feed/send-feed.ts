import { signOfText } from '../../../core/agenda/text-sign';
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

/** Whether this server gives calendars; one that serves files alone does not. */
export async function serverOffers(): Promise<boolean> {
  try {
    const response = await fetch('/feeds');
    const said: unknown = await response.json();
    return response.ok && typeof said === 'object' && said !== null && 'offers' in said && said.offers === true;
  } catch {
    return false;
  }
}

/**
 * Makes the calendar and sends it where it differs from what was sent last; what went wrong is kept with it. One after the other, in all
 * tabs: an older calendar never comes after a newer one.
 */
export async function sendFeed(services: FeedServices, given: FeedGiven): Promise<void> {
  // A page that is not served safely has no locks.
  const locks = navigator.locks as LockManager | undefined;
  await (locks ? locks.request('recado calendar', () => send(services, given)) : send(services, given));
}

async function send(services: FeedServices, given: FeedGiven): Promise<void> {
  const { store } = services;
  const feed = readFeed(await store.value(FEED));
  if (!feed) return;
  const calendar = await calendarOf(feed, services, given);
  if (calendar === null) return;
  // The moment of writing is in each task: it alone is no change.
  const sign = signOfText(calendar.replace(/^DTSTAMP:.*$/gm, ''));
  if (sign === feed.sign && feed.problem === null) return;
  const problem = await put(feed, calendar);
  await changeFeed(store, (present) => {
    if (present?.id !== feed.id) return present;
    return problem === null ? { ...present, sent: Date.now(), sign, problem } : { ...present, problem };
  });
}

async function calendarOf({ pages, events }: Feed, { engine, clock }: FeedServices, given: FeedGiven): Promise<string | null> {
  const lists = (await Promise.all(pages.map((at) => engine.ask('listed', { texts: null, at })))).flat();
  const { withFiles } = await import('../../../engine/files/files');
  const now = clock.now();
  const { workingDay, slipHeading } = given.settings;
  const taken = await withFiles(new AbortController().signal, (files) =>
    files.takeOut(
      {
        taken: { is: 'lists', title: 'Recado', lists, ...(events && { eventsFrom: now.day - DAYS_BACK }) },
        ...{ format: 'ics', title: 'Recado', slipHeading, now, others: {} },
        reading: { workingDay, statuses: statusTable(given.statuses) },
      },
      null,
      () => undefined,
    ),
  );
  return taken && taken.file.text();
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
export async function withdrawFeed({ store }: Pick<Services, 'store'>, { id, key }: Feed): Promise<boolean> {
  try {
    const { status } = await fetch(`/feeds/${id}`, { method: 'DELETE', headers: { 'Recado-Key': key } });
    if (status !== 204) return false;
  } catch {
    return false;
  }
  await changeFeed(store, (present) => (present?.id === id ? null : present));
  return true;
}
