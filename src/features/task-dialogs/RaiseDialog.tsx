import { useState } from 'react';
import { signedName } from '../../core/task/acts/word-actions';
import { Dialog } from '../../ui/Dialog';
import type { TaskDialog } from '../session/acting/task-dialog';
import { counted, useAct } from '../session/acting/use-act';
import { useAppSelector } from '../session/state/state';
import { Labelled } from '../../ui/form/Labelled';

interface RaiseDialogProps {
  asked: Extract<TaskDialog, { is: 'raise' }>;
  onClose: () => void;
}

/** Asks with whom tasks are to be raised; they then stand on that person's list for the next talk. */
export function RaiseDialog({ asked: { tasks }, onClose }: RaiseDialogProps) {
  const { actAll } = useAct();
  const people = useAppSelector((state) => state.library.overview?.people);
  const raiseTag = useAppSelector((state) => state.settings.raiseTag);
  const [typed, setTyped] = useState('');
  const who = typed.trim().replace(/^@?/, '@');
  const isName = signedName(who) !== null;
  return (
    <Dialog open onClose={onClose} title="Raise with somebody">
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (!isName) return;
          onClose();
          void actAll(tasks, [
            { do: 'tag', name: `#${raiseTag}` },
            { do: 'tag', name: who },
          ]);
        }}
      >
        <p className="text-muted [overflow-wrap:anywhere]">{tasks.length === 1 ? tasks[0]?.text : counted(tasks.length, 'task')}</p>
        <Labelled label="With whom">
          <input
            className="field"
            autoFocus
            list="known-people"
            placeholder="kofi"
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
          {typed.trim() !== '' && !isName && <span className="text-[0.86rem] text-late">“{typed.trim()}” can be nobody’s name.</span>}
        </Labelled>
        <datalist id="known-people">
          {people?.map(({ name, fullName }) => (
            <option key={name} value={name}>
              {fullName ?? name}
            </option>
          ))}
        </datalist>
        <button type="submit" className="solid-button justify-self-start" disabled={!isName}>
          Raise
        </button>
      </form>
    </Dialog>
  );
}
