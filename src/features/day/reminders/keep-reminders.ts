import { isSealedPath } from '../../../core/note/names/path';
import type { Now } from '../../../core/calendar/span';
import { compareMoments } from '../../../core/day/reminders';
import type { Services } from '../../session/state/services';
import { tellBySystem } from './tell-by-system';
import { RINGING, readRings, withReminders } from './ringing';

/** What decides how one is reminded. */
export interface RemindSettings {
  remindStarts: boolean;
  notify: boolean;
}

/**
 * Looks at each turn of the minute what is to be remembered, as long as this tab does the clockwork: what comes is kept in the store, where
 * all tabs see it, and told by the system where that is wanted. What came while no page was open is found at the first look.
 */
export function keepReminders(
  { store, engine, clock }: Pick<Services, 'store' | 'engine' | 'clock'>,
  settings: () => RemindSettings,
  ends: AbortSignal,
): void {
  let looking: Promise<void> = Promise.resolve();
  const look = (): void => {
    looking = looking.then(() => lookOnce({ store, engine }, clock.now(), settings())).catch(() => undefined);
  };
  look();
  const stop = clock.listen(look);
  ends.addEventListener('abort', stop);
}

/** Looks once; a clock that was put back by less than a day makes nothing ring again. */
export async function lookOnce(
  { store, engine }: Pick<Services, 'store' | 'engine'>,
  now: Now,
  { remindStarts, notify }: RemindSettings,
): Promise<void> {
  const { last } = readRings(await store.value(RINGING), now);
  if (compareMoments(now, last) < 0 && now.day >= last.day - 1) return;
  const asked = await engine.ask('remindersIn', { after: last, until: now, starts: remindStarts });
  // What rings is kept in the store, and told by the system: nothing of a sealed note is.
  const found = asked && asked.filter(({ path }) => !isSealedPath(path));
  // An engine that cannot say it now is asked again: nothing is passed over.
  if (found === null) return;
  await store.changeValue(RINGING, (present) => withReminders(readRings(present, now), found, now));
  if (notify && found.length > 0) await tellBySystem(found);
}
