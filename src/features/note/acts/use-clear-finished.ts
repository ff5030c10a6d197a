import { say } from '../../session/telling/messages';
import type { WideIntention } from '../../../core/task/acts/intention';
import { frameSlice } from '../../session/state/frame-slice';
import { useAppDispatch } from '../../session/state/state';
import { useServices } from '../../session/state/services';
import { useAct } from '../../session/acting/use-act';
import { finishedTasks } from './finished-tasks';

/** Clears what is finished out of a note: under a heading at its foot, into the archive, or away. */
export function useClearFinished(path: string): (where: 'foot' | 'archive' | 'away') => Promise<void> {
  const { store } = useServices();
  const { actAll } = useAct();
  const dispatch = useAppDispatch();
  return async (where) => {
    const text = await store.text(path);
    const finished = text === null ? [] : finishedTasks(text);
    const [first] = finished;
    if (!first) {
      say('Nothing finished is there to clear.');
      return;
    }
    const tasks = finished.map((task) => ({ ref: { path, line: task.line, expected: task.raw }, text: task.text }));
    if (where === 'archive') {
      dispatch(frameSlice.actions.dialogShown({ is: 'archive', refs: tasks.map(({ ref }) => ref) }));
      return;
    }
    const intention: WideIntention = where === 'foot' ? { do: 'sweep' } : { do: 'delete' };
    // Sweeping takes every finished task of the note at once.
    await actAll(where === 'foot' ? tasks.slice(0, 1) : tasks, [intention]);
  };
}
