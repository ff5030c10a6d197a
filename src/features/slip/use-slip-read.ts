import { useCallback, useDeferredValue, useMemo } from 'react';
import { journalPathOf } from '../../core/index/live/journal-claims';
import { type Landing, slipLanding } from '../../core/slip/landing';
import type { OwnSlip } from '../../core/slip/own-slip';
import { dayAsked, pastDays } from '../../core/slip/slip-line';
import { actionContext } from '../session/acting/action-context';
import { useNow } from '../session/state/services';
import { useAppSelector } from '../session/state/state';
import { type ReadSlip, type SlipState, type SlipSurroundings, readSlip } from './read-slip';
import { useAddedStatuses } from '../session/state/use-statuses';

/** A slip with where it lands. */
export interface ShownSlip extends ReadSlip {
  landing: Landing;
  /** Days that are past, which is asked about. */
  past: readonly ('due' | 'plan')[];
  surroundings: SlipSurroundings;
}

/** Of more lines than these only the first are read while one types. */
const MOST_SHOWN = 60;

/**
 * What a slip comes to as it is filled in; a key stroke does not wait for it.
 *
 * @returns `exact` reads it once more as it stands, whole: what is shown may be a key stroke behind
 */
export function useSlipRead(state: SlipState, own: OwnSlip | null, link: string | null): { read: ShownSlip; exact: () => ShownSlip } {
  const settings = useAppSelector((one) => one.settings);
  const notes = useAppSelector((one) => one.library.overview?.notes);
  const added = useAddedStatuses();
  const now = useNow();
  const read = useCallback(
    (filled: SlipState, most: number): ShownSlip => {
      const surroundings = { link, context: actionContext(settings, now, added), raiseTag: settings.raiseTag };
      const slip = readSlip(filled, own, surroundings, most);
      const [first] = slip.lines;
      const landing = slipLanding({
        into: filled.target?.trim() ? filled.target : slip.into,
        loosePlace: settings.loosePlace,
        slipHeading: settings.slipHeading,
        today: now.day,
        day: first ? dayAsked(first.task) : null,
        laterPages: settings.slipLater === 'page',
        pageOf: (day) => journalPathOf(notes ?? [], day),
      });
      return { ...slip, landing, past: first ? pastDays(first.task, now.day) : [], surroundings };
    },
    [own, link, settings, added, notes, now],
  );
  const deferred = useDeferredValue(state);
  return { read: useMemo(() => read(deferred, MOST_SHOWN), [read, deferred]), exact: () => read(state, Infinity) };
}
