import { useMemo } from 'react';
import type { GatherContext } from '../../core/gather/language/ast';
import { placeWithoutNote } from '../../core/gather/rows/place-without-note';
import { foldName } from '../../core/note/names/names';
import { statusTable } from '../../core/task/line/added-status';
import { useNow } from '../session/state/services';
import { useAppSelector } from '../session/state/state';
import { useAddedStatuses } from '../session/state/use-statuses';

/** What the gather is asked against, as far as the page knows it. */
export function useContextAt(at: string | null): GatherContext {
  const { day: today } = useNow();
  const { firstDayOfWeek, me, raiseTag, notNowTag } = useAppSelector((state) => state.settings);
  const added = useAddedStatuses();
  const note = useAppSelector((state) => state.library.overview?.notes.find((one) => one.path === at));
  const person = useAppSelector((state) => state.library.overview?.people.find((one) => one.path === at));
  return useMemo(
    () => ({
      today,
      firstDayOfWeek,
      me,
      raiseTag,
      notNowTag,
      statuses: statusTable(added),
      thisNote: note
        ? {
            path: note.path,
            journal: note.journal,
            handle: person?.name ?? null,
            tag: note.kind === 'tag' ? foldName(note.handle ?? note.title) : null,
          }
        : at === null
          ? null
          : placeWithoutNote(at),
    }),
    [today, firstDayOfWeek, me, raiseTag, notNowTag, added, note, person, at],
  );
}
