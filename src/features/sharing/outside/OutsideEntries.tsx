import type { RowView } from '../../../core/index/live/view';
import { MenuEntry } from '../../../ui/menu/menu';
import type { DialogTask } from '../../session/acting/task-dialog';
import { useAct, useToldDone } from '../../session/acting/use-act';
import { useServices } from '../../session/state/services';
import { copyOut, joinedWith, sentTo, takeSentBack } from './send-on';

interface OutsideEntriesProps {
  rows: readonly RowView[];
  tasks: DialogTask[];
  /** Asks where they go. */
  onAsk: () => void;
}

/** What can be done with tasks and outside lists. */
export function OutsideEntries({ rows, tasks, onAsk }: OutsideEntriesProps) {
  const services = useServices();
  const told = useToldDone();
  const { actAll } = useAct();
  const joined = rows.some(({ raw }) => joinedWith(raw) !== null);
  const sent = rows.some(({ raw }) => sentTo(raw) !== null);
  return (
    <>
      <MenuEntry label="Join or send on…" onSelect={onAsk} />
      {joined && <MenuEntry label="Joined no more" onSelect={() => void actAll(tasks, [{ do: 'unset', clause: 'joined' }])} />}
      {sent && <MenuEntry label="Take back what was sent on" onSelect={() => void takeSentBack(services, tasks, told)} />}
      <MenuEntry label="Copy, and mark as sent" onSelect={() => void copyOut(services, tasks, told)} />
    </>
  );
}
