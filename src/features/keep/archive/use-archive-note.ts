import { useCallback } from 'react';
import { useNavigate } from 'react-router';
import { refuse } from '../../session/telling/messages';
import { counted, useToldDone } from '../../session/acting/use-act';
import { noteAddress } from '../../session/places/addresses';
import { useServices } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';

/** Archives a note whole, or brings one back, as one step of Undo; one that holds open tasks stays, which is said. */
export function useArchiveNote(path: string, title: string): (what: 'archive' | 'bring back') => Promise<void> {
  const { store, actions, clock } = useServices();
  const navigate = useNavigate();
  const told = useToldDone();
  const open = useAppSelector((state) => state.library.overview?.notes.find((note) => note.path === path)?.open ?? 0);
  return useCallback(
    async (what) => {
      if (what === 'archive' && open > 0) {
        refuse(
          `“${title}” holds ${counted(open, 'open task')}: finish, move or cancel ${open === 1 ? 'it' : 'them'} first. Nothing was archived.`,
        );
        return;
      }
      const { archivedWhole, broughtBackWhole } = await import('../../../store/acting/archived-whole');
      const label = what === 'archive' ? `Archived: ${title}` : `Brought back: ${title}`;
      let to = path;
      const result = await actions.step(label, async () => {
        const notes = await store.all();
        const plan = what === 'archive' ? archivedWhole(notes, path, clock.now().day) : broughtBackWhole(notes, path);
        if ('refused' in plan) return plan;
        to = plan.path;
        return plan.writes;
      });
      if ('refused' in result) {
        refuse(result.refused);
        return;
      }
      told(label, result.step);
      void navigate(noteAddress(to), { replace: true });
    },
    [store, actions, clock, navigate, told, path, title, open],
  );
}
