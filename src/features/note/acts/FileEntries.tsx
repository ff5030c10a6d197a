import { MenuEntry } from '../../../ui/menu/menu';
import { frameSlice } from '../../session/state/frame-slice';
import { useServices } from '../../session/state/services';
import { useAppDispatch } from '../../session/state/state';
import { useAtCursor } from '../use-at-cursor';

interface FileEntriesProps {
  path: string;
  onTakeOut: (() => void) | null | undefined;
  onLend: (() => void) | null | undefined;
}

/** What goes out of a note, and what of it is lent: all of it, what stands at the cursor, or paper. */
export function FileEntries({ path, onTakeOut, onLend }: FileEntriesProps) {
  const { commands } = useServices();
  const dispatch = useAppDispatch();
  const { heading, task } = useAtCursor(path);
  const isAtPart = heading !== null || task !== null;
  return (
    <>
      {onTakeOut && <MenuEntry label="Take out…" onSelect={onTakeOut} />}
      {isAtPart && <MenuEntry label="Take out what is at the cursor…" onSelect={() => commands.text?.run('text-take-out')} />}
      {onLend && <MenuEntry label="Lend…" onSelect={onLend} />}
      {onLend && isAtPart && <MenuEntry label="Lend what is at the cursor…" onSelect={() => commands.text?.run('text-lend')} />}
      <MenuEntry label="Print…" onSelect={() => dispatch(frameSlice.actions.dialogShown({ is: 'print' }))} />
    </>
  );
}
