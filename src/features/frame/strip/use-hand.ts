import { useEffect, useRef } from 'react';
import type { HandItem, InHand } from '../../../core/index/days/day-plan';
import { timeName } from '../../../core/calendar/span';
import { isOpen } from '../../../core/task/line/status';
import { libraryActions } from '../../session/state/library-slice';
import { useChanges } from '../../session/asked/use-changes';
import { useNow, useServices } from '../../session/state/services';
import { useAppDispatch, useAppSelector } from '../../session/state/state';

/** The first lists go before it, in milliseconds. */
const AFTER = 400;

/** Asks what is in hand whenever notes change and when the minute turns, once for all that show it. */
export function useAskHand(): void {
  const { engine } = useServices();
  const changes = useChanges();
  const isReady = useAppSelector((state) => state.library.overview !== null);
  const settings = useAppSelector((state) => state.settings);
  const now = useNow();
  const dispatch = useAppDispatch();
  // Most changes and minutes change nothing of it.
  const told = useRef('');
  useEffect(() => {
    if (!isReady) return;
    let gone = false;
    const timer = setTimeout(
      () =>
        void engine.ask('inHand', { now }).then((hand) => {
          const sign = JSON.stringify(hand);
          if (gone || sign === told.current) return;
          told.current = sign;
          dispatch(libraryActions.handTold(hand));
        }),
      changes === 0 ? AFTER : 0,
    );
    return () => {
      gone = true;
      clearTimeout(timer);
    };
  }, [engine, isReady, changes, settings, now, dispatch]);
}

/** What is in hand, and what comes then; null until it is known. */
export const useHand = (): InHand | null => useAppSelector((state) => state.library.hand);

/** What is in hand, in words: `Label drafts, room 2`; and when it ends, or how much longer it takes than was meant, in minutes. */
export function handWords(now: NonNullable<InHand['now']>, minute: number): { until: string | null; over: number } {
  const { item, since } = now;
  if (since === null || item.minutes === null) return { until: item.end === null ? null : timeName(item.end % 1440), over: 0 };
  const end = since + item.minutes;
  return { until: timeName(end % 1440), over: Math.max(0, minute - end) };
}

/** The task that one would begin now: what the clock says is in hand but nobody began, else what comes then. */
export function toBegin({ now, then }: InHand): HandItem | null {
  if (now?.item.task && now.since === null && now.item.status === 'todo') return now.item;
  return then?.task && then.status !== null && isOpen(then.status) ? then : null;
}
