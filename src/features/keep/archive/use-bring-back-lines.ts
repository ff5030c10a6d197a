import { useCallback } from 'react';
import { baseNameOf } from '../../../core/note/names/path';
import { broughtBackLines } from '../../../store/acting/brought-back-lines';
import { actionContext } from '../../session/acting/action-context';
import { refuse } from '../../session/telling/messages';
import type { DialogTask } from '../../session/acting/task-dialog';
import { useToldDone } from '../../session/acting/use-act';
import { useServices } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';

/** Brings archived lines back into the notes they came from, as one step of Undo. */
export function useBringBackLines(): (tasks: readonly DialogTask[]) => Promise<void> {
  const { store, actions, clock } = useServices();
  const settings = useAppSelector((state) => state.settings);
  const told = useToldDone();
  return useCallback(
    async (tasks) => {
      const label = tasks.length === 1 ? `Brought back: ${tasks[0]?.text ?? ''}` : `Brought back: ${tasks.length} lines`;
      const refs = tasks.map(({ ref }) => ref);
      const done = { to: [] as string[] };
      const result = await actions.step(label, async () => {
        const outcome = await broughtBackLines(store, refs, actionContext(settings, clock.now()));
        if ('refused' in outcome) return outcome;
        done.to = outcome.to;
        return outcome.writes;
      });
      if ('refused' in result) {
        refuse(result.refused);
        return;
      }
      told(done.to.length === 1 ? `${label}, to “${baseNameOf(done.to[0] ?? '')}”` : label, result.step);
    },
    [store, actions, clock, settings, told],
  );
}
