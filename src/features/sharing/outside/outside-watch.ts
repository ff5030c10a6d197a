import { httpRemote } from '../../../store/outside/outside-remote';
import { JoinedNotes } from '../../../store/outside/in-step/joined-notes';
import { OutsideSync } from '../../../store/outside/in-step/outside-sync';
import { OUTSIDE_VALUE, OUTSIDE_WISH, readSeenLists } from '../../../store/outside/seen-lists';
import type { ActionContext } from '../../../core/task/acts/action-context';
import type { Notice } from '../../session/state/frame-slice';
import { newsOf } from './outside-news';
import type { Services } from '../../session/state/services';

/** How long after a change here it goes there, in milliseconds: several in a row go together. */
const SOON = 1500;
/** After how long one that was not reached is asked again, in milliseconds. */
const AGAIN = 60_000;

interface Watching {
  /** Tells a person. */
  notice: (one: Notice) => void;
  /** With what acts are done that come from there. */
  context: () => ActionContext;
  /** How often it is looked what changed there, in minutes; null for only when asked. */
  minutes: () => number | null;
}

/** Keeps outside lists in step with the lines of notes, as long as this tab does the clockwork. */
export async function keepOutside(
  services: Pick<Services, 'store' | 'texts' | 'outside'>,
  { context, minutes, notice }: Watching,
  ends: AbortSignal,
): Promise<void> {
  const { store, texts } = services;
  const desk = await services.outside.open();
  let working: Promise<void> = Promise.resolve();
  let soon: ReturnType<typeof setTimeout> | null = null;
  let again: ReturnType<typeof setTimeout> | null = null;
  let last = 0;
  const look = async (isAsked: boolean): Promise<void> => {
    last = Date.now();
    // What is being typed counts as what is stored.
    await texts.settle();
    const before = readSeenLists(await store.value(OUTSIDE_VALUE));
    await sync.pass(isAsked);
    await desk.tell();
    for (const one of newsOf(before, readSeenLists(await store.value(OUTSIDE_VALUE)))) notice(one);
    await lookAgain();
  };
  // One that asked to be left alone for a while, or was not reached, is asked again by itself.
  const lookAgain = async (): Promise<void> => {
    if (again) clearTimeout(again);
    again = null;
    const waits = (await desk.db.outsideLists.toArray()).flatMap(({ trouble, until }) =>
      until !== null ? [Math.max(until - Date.now(), 1000)] : trouble === 'away' || trouble === 'broken' ? [AGAIN] : [],
    );
    if (waits.length > 0 && !ends.aborted) again = setTimeout(() => then(false), Math.min(...waits));
  };
  const then = (isAsked: boolean): void => void (working = working.then(() => look(isAsked)).catch(() => undefined));
  const lookSoon = (): void => void (soon ??= setTimeout(() => ((soon = null), then(false)), SOON));
  const joined = new JoinedNotes(store, lookSoon);
  const sync = new OutsideSync({
    ...{ store, own: desk.own, remote: httpRemote, joined, context },
    now: () => Date.now(),
    origin: location.origin,
  });
  let followed = '';
  const stops = [
    store.listen(joined.listener),
    desk.own.listen({ changed: (changes) => void (changes.some(({ by }) => by !== 'outside') && lookSoon()) }),
    store.listen({
      valueChanged: (id) => {
        if (id === OUTSIDE_WISH) then(true);
        if (id === OUTSIDE_VALUE) void lookWhereNew();
      },
    }),
  ];
  // A list that is followed from now on is looked at right away.
  const lookWhereNew = async (): Promise<void> => {
    const names = readSeenLists(await store.value(OUTSIDE_VALUE))
      .map(({ name, address, user }) => `${name} ${address} ${user}`)
      .join('\n');
    if (names === followed) return;
    followed = names;
    then(true);
  };
  const each = setInterval(() => {
    const wait = minutes();
    if (wait !== null && Date.now() - last >= wait * 60_000) then(false);
  }, 15_000);
  const back = (): void => then(false);
  window.addEventListener('online', back);
  await lookWhereNew();
  ends.addEventListener('abort', () => {
    for (const stop of stops) stop();
    clearInterval(each);
    if (soon) clearTimeout(soon);
    if (again) clearTimeout(again);
    window.removeEventListener('online', back);
  });
}
