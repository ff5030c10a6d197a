import { HOUR } from '../../core/keep/milliseconds';
import { copiesIn, isCopyDue } from '../../store/keep/copies';
import type { ActionContext } from '../../core/task/acts/action-context';
import type { AddedStatus } from '../../core/task/line/status';
import { OUTSIDE_VALUE } from '../../store/outside/seen-lists';
import { LEFT_BROWSER, readLeft, weeksAlone } from '../../store/keep/left-browser';
import { LENT_VALUE } from '../../store/lending/seen-lent';
import { DESK_VALUE } from '../../store/desk/linked-desk';
import type { Settings } from '../../store/device/settings';
import { keepAddress } from '../session/places/addresses';
import type { Notice } from '../session/state/frame-slice';
import type { Services } from '../session/state/services';
import { FOLDER } from './folder/step-state';
import { type NamedPlace, copyPlaces } from './copies/copy-places';
import { makeCopy } from './copies/make-copy';

/** How often it is looked whether a copy is due and what can be let go. */
const EACH = HOUR;

interface Watching {
  settings: () => Settings;
  /** Tells a person. */
  notice: (one: Notice) => void;
  now: () => number;
  /** With what, and how often, outside lists are kept in step. */
  outside: { context: () => ActionContext; minutes: () => number | null; notice: (one: Notice) => void };
  /** With what settings what is lent is read there. */
  lent: () => { settings: Settings; statuses: readonly AddedStatus[] };
}

/** Makes copies by itself, thins earlier texts, and reminds where nothing left the browser for long; as long as this tab does the clockwork. */
export function keepWatch(
  services: Pick<Services, 'store' | 'texts' | 'outside' | 'engine' | 'actions'>,
  { settings, notice, now, outside, lent }: Watching,
  ends: AbortSignal,
): void {
  const { store } = services;
  whenJoined(store, FOLDER.value, ends, async () => (await import('./folder/folder-watch')).keepFolder(services, ends));
  whenJoined(store, OUTSIDE_VALUE, ends, async () =>
    (await import('../sharing/outside/outside-watch')).keepOutside(services, outside, ends),
  );
  whenJoined(store, LENT_VALUE, ends, async () =>
    (await import('../sharing/lend/lend-watch')).keepLent(services, { settings: lent, notice }, ends),
  );
  whenJoined(store, DESK_VALUE, ends, async () => (await import('./desk/desk-watch')).keepDesk(services, ends));
  let working: Promise<void> = Promise.resolve();
  const look = (): void => {
    working = working
      .then(async () => {
        await store.earlier.thin(settings().earlierRoom);
        await copyWhereDue(store, settings(), now(), ends);
      })
      // A browser that gives no room now is asked again; what is there stays.
      .catch(() => undefined);
  };
  look();
  void remind(store, notice, now()).catch(() => undefined);
  const timer = setInterval(look, EACH);
  ends.addEventListener('abort', () => clearInterval(timer));
}

/** Few join a folder or link a desk: what keeps it in step is loaded with the first, which the value of this name says. */
function whenJoined(store: Services['store'], value: string, ends: AbortSignal, keep: () => Promise<void>): void {
  const look = async (): Promise<void> => {
    if ((await store.value(value)) == null) return;
    stop();
    if (!ends.aborted) await keep();
  };
  const stop = store.listen({ valueChanged: (id) => void (id === value && look()) });
  ends.addEventListener('abort', stop);
  void look();
}

async function copyWhereDue(store: Services['store'], settings: Settings, now: number, ends: AbortSignal): Promise<void> {
  const due: NamedPlace[] = [];
  for (const one of await copyPlaces(store)) {
    const [last] = await copiesIn(one.place);
    if (isCopyDue(last?.at ?? null, settings.copies, now)) due.push(one);
  }
  if (due.length > 0) await makeCopy(store, due, settings, new Date(now), ends);
}

/** From the first look on it is counted; where nothing left for weeks, one is told once a start. */
async function remind(store: Services['store'], notice: Watching['notice'], now: number): Promise<void> {
  const left = await store.changeValue(LEFT_BROWSER, (present) => ({ ...readLeft(present), since: readLeft(present).since ?? now }));
  const weeks = weeksAlone(left, now);
  if (weeks === null || !(await store.has((note) => note.demo === null))) return;
  notice({
    words: `Nothing was saved outside this browser for ${weeks} weeks.`,
    leads: { address: keepAddress(), words: 'See what is kept' },
  });
}
