import { useCallback } from 'react';
import { journalPathOf } from '../../../core/index/live/journal-claims';
import { baseNameOf } from '../../../core/note/names/path';
import { landingOf, readLanding } from '../../../core/slip/landing';
import type { LinePlace } from '../../../core/task/writing/write-lines';
import { useNow, useServices } from '../state/services';
import { useAppSelector } from '../state/state';
import { refuse } from '../telling/messages';
import { useToldDone } from './use-act';
import { useFindPlace } from './use-find-place';

/** The path of today's journal page; where several notes claim the day, the one that counts. */
export function useTodayPath(): string {
  const { day: today } = useNow();
  const notes = useAppSelector((state) => state.library.overview?.notes);
  return journalPathOf(notes ?? [], today);
}

/**
 * Where a task lands that is written from a place, as a link's target.
 *
 * @param demanded where the list demands it; null when it does not
 * @param at the note that one writes from; null when it is none
 */
export function useLanding(demanded: string | null, at: string | null): string {
  const loosePlace = useAppSelector((state) => state.settings.loosePlace);
  const note = useAppSelector((state) => state.library.overview?.notes.find((one) => one.path === at));
  const journal = useTodayPath();
  return landingOf({ demanded, home: note && note.kind !== 'agenda' ? note.path : null, loosePlace, journal });
}

/**
 * Writes a task where a link's target says, and tells of it with an Undo; a place that is none is refused with the reason.
 *
 * @param behind where it goes in the note that one writes from, when no heading is said
 * @returns whether it was written
 */
export function useLandTask(at: string | null): (target: string, line: string, behind: () => Promise<LinePlace>) => Promise<boolean> {
  const { actions } = useServices();
  const find = useFindPlace(at);
  const told = useToldDone();
  return useCallback(
    async (target, line, behind) => {
      const landing = readLanding(target);
      const found = landing && (await find(landing));
      if (!found) {
        refuse(`There is no note “${landing?.note ?? ''}”, so nothing was written.`);
        return false;
      }
      const { path, heading, made } = found;
      const place: LinePlace = heading === null && path === at ? await behind() : { heading, side: 'last' };
      const result = await actions.writeLines(path, place, [line], `New task: ${wordsOf(line)}`, made);
      if ('refused' in result) refuse(result.refused);
      else told(`Written into ${baseNameOf(path)}`, result.step);
      return !('refused' in result);
    },
    [actions, find, told, at],
  );
}

/** The words of a line behind its box. */
const wordsOf = (line: string): string => line.replace(/^\S+ \[.\] /u, '');
