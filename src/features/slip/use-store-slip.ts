import { useCallback } from 'react';
import { baseNameOf } from '../../core/note/names/path';
import { type Landing, landingText } from '../../core/slip/landing';
import { useFindPlace } from '../session/acting/use-find-place';
import { refuse, say, unsay } from '../session/acting/messages';
import { shorten, useToldDone } from '../session/acting/use-act';
import { useTodayPath } from '../session/acting/use-land-task';
import { frameSlice } from '../session/state/frame-slice';
import { useServices } from '../session/state/services';
import { useAppDispatch, useAppSelector } from '../session/state/state';
import { slipDraft } from './slip-draft';

/** What is to be stored, and what is there again should that fail. */
export interface StoredSlip {
  text: readonly string[];
  landing: Landing;
  typed: string;
}

/** Beyond so many lines the person is told that it is under way. */
const TELL_FROM = 200;

/**
 * Stores what was written down, and tells where, with an Undo. A place that is gone falls to the place of loose tasks, which is said; what
 * cannot be stored stands in the slip again.
 */
export function useStoreSlip(at: string | null): (slip: StoredSlip) => Promise<void> {
  const { actions } = useServices();
  const find = useFindPlace(at);
  const told = useToldDone();
  const dispatch = useAppDispatch();
  const journal = useTodayPath();
  const { slipSide, slipHeading, loosePlace } = useAppSelector((state) => state.settings);
  return useCallback(
    async ({ text, landing, typed }) => {
      const working = text.length < TELL_FROM ? null : say(`Storing ${text.length} lines`, { is: 'working' });
      const fallen: Landing = loosePlace === 'journal' ? { note: journal, heading: slipHeading } : { note: loosePlace, heading: null };
      const wanted = await find(landing);
      const place = wanted ?? (await find(fallen));
      const words = shorten((text[0] ?? '').replace(/^\s*\S+ (?:\[.\] )?/u, '').replace(/\s*\{[^{}]*\}$/, ''));
      const result = place
        ? await actions.writeLines(place.path, { heading: place.heading, side: slipSide }, text, `Slip: ${words}`, place.made)
        : { refused: `There is no note “${landing.note}”.` };
      if (working !== null) unsay(working);
      if ('refused' in result) {
        slipDraft.keep(typed);
        refuse(`${result.refused} The slip is as it was.`);
        dispatch(frameSlice.actions.dialogShown({ is: 'slip', typed }));
        return;
      }
      const where =
        (place?.path === journal ? 'today’s page' : baseNameOf(place?.path ?? '')) + (place?.heading == null ? '' : ` › ${place.heading}`);
      const gone = wanted ? '' : ` There is no “${landingText(landing)}” any more.`;
      told(text.length === 1 ? `On ${where}: ${words}.${gone}` : `${text.length} lines on ${where}.${gone}`, result.step);
    },
    [actions, find, told, dispatch, journal, slipSide, slipHeading, loosePlace],
  );
}
