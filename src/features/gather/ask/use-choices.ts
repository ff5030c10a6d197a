import { useMemo } from 'react';
import { notesNamed } from '../../session/state/notes-named';
import { useAppSelector } from '../../session/state/state';
import { useAddedStatuses } from '../../session/state/use-statuses';
import { type Choice, MOST_NOTES, choicesFrom } from './choices';

/** Every condition that can be chosen from one's own notes; of very many notes those whose title or path holds what is typed. */
export function useChoices(typed: string): readonly Choice[] {
  const overview = useAppSelector((state) => state.library.overview);
  const statuses = useAddedStatuses();
  const all = overview?.notes;
  // Of few notes all are there, whatever is typed.
  const words = all && all.length > MOST_NOTES ? typed.replace(/^\[\[/, '') : '';
  const notes = useMemo(() => notesNamed(all ?? [], words, MOST_NOTES), [all, words]);
  return useMemo(
    () => choicesFrom({ tags: overview?.tags ?? [], people: overview?.people ?? [], notes, statuses }),
    [overview, notes, statuses],
  );
}
