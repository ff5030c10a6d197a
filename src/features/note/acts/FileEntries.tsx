import { MenuEntry } from '../../../ui/menu/menu';
import { frameSlice } from '../../session/state/frame-slice';
import { useServices } from '../../session/state/services';
import { useAppDispatch } from '../../session/state/state';
import { useAtCursor } from '../use-at-cursor';

/** What goes out of a note: all of it, what stands at the cursor, or paper. */
export function FileEntries({ path, onTakeOut }: { path: string; onTakeOut: (() => void) | null | undefined }) {
  const { commands } = useServices();
  const dispatch = useAppDispatch();
  const { heading, task } = useAtCursor(path);
  const isAtPart = heading !== null || task !== null;
  // A dialog is shown once the menu has let go of the keys.
  const later = (show: () => void) => () => void setTimeout(show);
  return (
    <>
      {onTakeOut && <MenuEntry label="Take out…" onSelect={later(onTakeOut)} />}
      {isAtPart && <MenuEntry label="Take out what is at the cursor…" onSelect={later(() => commands.text?.run('text-take-out'))} />}
      <MenuEntry label="Print…" onSelect={later(() => dispatch(frameSlice.actions.dialogShown({ is: 'print' })))} />
    </>
  );
}
