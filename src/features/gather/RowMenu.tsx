import { type ReactNode, useContext } from 'react';
import type { RowView } from '../../core/index/view';
import type { WideIntention } from '../../core/task/intention';
import { Menu, MenuEntry, MenuLine } from '../../ui/menu';
import { frameSlice } from '../session/frame-slice';
import { useAppDispatch } from '../session/state';
import { dialogTask } from '../session/task-dialog';
import { TaskEntries } from './TaskEntries';
import { GatherSource } from './gather-source';

interface RowMenuProps {
  row: RowView;
  onAct: (intentions: readonly WideIntention[]) => void;
  onReword: () => void;
  children: ReactNode;
}

/** What can be done to a task from a list. */
export function RowMenu({ row, onAct, onReword, children }: RowMenuProps) {
  const dispatch = useAppDispatch();
  const source = useContext(GatherSource);
  return (
    <Menu trigger={children}>
      <TaskEntries rows={[row]} onAct={onAct} onReword={onReword} />
      {source && (
        <>
          <MenuLine />
          <MenuEntry
            label="Why it stands here"
            onSelect={() => dispatch(frameSlice.actions.whyAsked({ task: dialogTask(row), gather: source.text, at: source.at }))}
          />
        </>
      )}
    </Menu>
  );
}
