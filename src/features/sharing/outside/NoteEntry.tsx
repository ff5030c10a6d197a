import { MenuEntry } from '../../../ui/menu/menu';
import { refuse } from '../../session/telling/messages';
import { foundTaskRef } from '../../session/acting/task-dialog';
import { frameSlice } from '../../session/state/frame-slice';
import { useServices } from '../../session/state/services';
import { useAppDispatch } from '../../session/state/state';

/** Its open tasks that are on no outside list, those that rest too. */
const NOT_THERE = 'this note and open and without joined and without sent\nincluding resting\nsteps apart';

/** Joins the open tasks of a note with an outside list, or sends them on: the entry of its menu. */
export function NoteEntry({ path }: { path: string }) {
  const { engine, texts } = useServices();
  const dispatch = useAppDispatch();
  const ask = async (): Promise<void> => {
    await texts.settle();
    const found = await engine.ask('matching', { text: NOT_THERE, at: path });
    if (found.length === 0) return void refuse('None of its open tasks is still to go onto an outside list.');
    const tasks = found.map((one) => ({ ref: foundTaskRef(one), text: one.text }));
    dispatch(frameSlice.actions.dialogShown({ is: 'onto', tasks }));
  };
  return <MenuEntry label="Its tasks onto an outside list…" onSelect={() => void ask()} />;
}
