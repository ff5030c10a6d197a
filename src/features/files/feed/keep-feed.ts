import { FEED, readFeed } from './feed-state';
import { type FeedGiven, type FeedServices, sendFeed } from './send-feed';

/** What depends on the day or the minute alone is sent so often, in minutes. */
const ANYWAY = 30;

/**
 * Keeps the calendar that the server gives the same as the notes, as long as this tab does the clockwork: at the turn of a minute in which
 * something changed, and now and then.
 */
export function keepFeed(services: FeedServices, given: () => FeedGiven, ends: AbortSignal): void {
  const { store, clock } = services;
  let changed = true;
  let minutes = 0;
  let sending: Promise<void> = Promise.resolve();
  const look = (): void => {
    if (!changed && ++minutes < ANYWAY) return;
    changed = false;
    minutes = 0;
    sending = sending.then(async () => {
      if (!readFeed(await store.value(FEED))) return;
      const isThere = await sendFeed(services, given()).catch(() => false);
      changed ||= !isThere;
    });
  };
  look();
  const stops = [
    clock.listen(look),
    store.listen({
      changed: () => {
        changed = true;
      },
    }),
  ];
  ends.addEventListener('abort', () => stops.forEach((stop) => stop()));
}
