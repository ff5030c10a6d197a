import { useCallback } from 'react';
import { listAt } from '../../core/note/names/outside-path';
import { baseNameOf } from '../../core/note/names/path';
import { type Landing, landingText } from '../../core/slip/landing';
import { useFindPlace } from '../session/acting/use-find-place';
import { say, unsay } from '../session/telling/messages';
import { useToldDone } from '../session/acting/use-act';
import { shorten } from '../session/acting/shorten';
import { useTodayPath } from '../session/acting/use-land-task';
import { useServices } from '../session/state/services';
import { useAppSelector } from '../session/state/state';

/** What is to be stored, and where. */
export interface StoredSlip {
  text: readonly string[];
  landing: Landing;
}

/** Beyond so many lines the person is told that it is under way. */
const TELL_FROM = 200;

/**
 * Stores what was written down, and tells where, with an Undo. A place that is gone falls to the place of loose tasks, which is said.
 *
 * @returns why it could not be stored; null once it is
 */
export function useStoreSlip(at: string | null): (slip: StoredSlip) => Promise<string | null> {
  const { actions, outside } = useServices();
  const find = useFindPlace(at);
  const told = useToldDone();
  const journal = useTodayPath();
  const { slipSide, slipHeading, loosePlace } = useAppSelector((state) => state.settings);
  return useCallback(
    async ({ text, landing }) => {
      const working = text.length < TELL_FROM ? null : say(`Storing ${text.length} lines`, { is: 'working' });
      const fallen: Landing = loosePlace === 'journal' ? { note: journal, heading: slipHeading } : { note: loosePlace, heading: null };
      const words = shorten((text[0] ?? '').replace(/^\s*\S+ (?:\[.\] )?/u, '').replace(/\s*\{[^{}]*\}$/, ''));
      const store = async () => {
        const wanted = await find(landing);
        const place = wanted ?? (await find(fallen));
        if (!place) return { refused: `There is no note “${landing.note}”.` };
        const to = { heading: place.heading, side: slipSide };
        const list = listAt(place.path);
        const result =
          list === null
            ? await actions.writeLines(place.path, to, text, `Slip: ${words}`, place.made)
            : await (await import('../sharing/outside/put-lines')).putLines(outside, list, text, at);
        return 'refused' in result ? result : { ...result, place, isWanted: wanted !== null };
      };
      const result = await store().finally(() => working !== null && unsay(working));
      if ('refused' in result) return result.refused;
      const { place, isWanted } = result;
      const where =
        (place.path === journal ? 'today’s page' : baseNameOf(place.path)) + (place.heading === null ? '' : ` › ${place.heading}`);
      const gone = isWanted ? '' : ` There is no “${landingText(landing)}” any more.`;
      told(text.length === 1 ? `On ${where}: ${words}.${gone}` : `${text.length} lines on ${where}.${gone}`, result.step);
      return null;
    },
    [actions, outside, find, told, journal, slipSide, slipHeading, loosePlace, at],
  );
}
