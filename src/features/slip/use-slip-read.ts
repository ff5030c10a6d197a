import { useDeferredValue, useMemo } from 'react';
import { journalPathOf } from '../../core/index/live/journal-claims';
import { type Landing, slipLanding } from '../../core/slip/landing';
import type { OwnSlip } from '../../core/slip/own-slip';
import { dayAsked, pastDays } from '../../core/slip/slip-line';
import { actionContext } from '../session/acting/action-context';
import { useNow } from '../session/state/services';
import { useAppSelector } from '../session/state/state';
import { type ReadSlip, type SlipState, type SlipSurroundings, readSlip } from './read-slip';

/** A slip as it is shown while it is filled in. */
export interface ShownSlip extends ReadSlip {
  landing: Landing;
  /** Days that are past, which is asked about. */
  past: readonly ('due' | 'plan')[];
  surroundings: SlipSurroundings;
}

/** Of more lines than these only the first are read while one types. */
const MOST_SHOWN = 60;

/** What a slip comes to as it is filled in; a key stroke does not wait for it. */
export function useSlipRead(state: SlipState, own: OwnSlip | null, link: string | null): ShownSlip {
  const settings = useAppSelector((one) => one.settings);
  const notes = useAppSelector((one) => one.library.overview?.notes);
  const now = useNow();
  const deferred = useDeferredValue(state);
  return useMemo(() => {
    const context = actionContext(settings, now);
    const surroundings = { link, context, raiseTag: settings.raiseTag };
    const read = readSlip(deferred, own, surroundings, MOST_SHOWN);
    const [first] = read.lines;
    const landing = slipLanding({
      into: deferred.target?.trim() ? deferred.target : read.into,
      loosePlace: settings.loosePlace,
      slipHeading: settings.slipHeading,
      today: now.day,
      day: first ? dayAsked(first.task) : null,
      laterPages: settings.slipLater === 'page',
      pageOf: (day) => journalPathOf(notes ?? [], day),
    });
    return { ...read, landing, past: first ? pastDays(first.task, now.day) : [], surroundings };
  }, [deferred, own, link, settings, notes, now]);
}
