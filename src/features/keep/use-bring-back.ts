import { useCallback } from 'react';
import { useNavigate } from 'react-router';
import { baseNameOf } from '../../core/note/names/path';
import { broughtBack } from '../../store/keep/bring-back';
import type { EarlierText } from '../../store/keep/earlier-text';
import { refuse } from '../session/telling/messages';
import { useToldDone } from '../session/acting/use-act';
import { noteAddress } from '../session/places/addresses';
import { useServices } from '../session/state/services';

/**
 * Gives a note a text that it had before, whole, and goes there.
 *
 * @example void bringBack(moment, path) // at the path where the note is now
 */
export function useBringBack(): (moment: EarlierText, path?: string) => Promise<void> {
  const { store, actions } = useServices();
  const told = useToldDone();
  const navigate = useNavigate();
  return useCallback(
    async (moment, path = moment.path) => {
      const content = await store.earlier.content(moment.id);
      if (!content) return void refuse('This text was let go meanwhile.');
      const label = `Brought back: ${baseNameOf(path)}`;
      let at = path;
      const result = await actions.step(label, async () => {
        const writes = await broughtBack(store, path, moment.note, content);
        at = writes[0]?.path ?? path;
        return writes;
      });
      if ('refused' in result) return void refuse(result.refused);
      told(label, result.step);
      void navigate(noteAddress(at));
    },
    [store, actions, told, navigate],
  );
}
