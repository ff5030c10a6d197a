import { useState } from 'react';
import { Link } from 'react-router';
import { signedName } from '../../../core/task/acts/word-actions';
import type { Intention } from '../../../core/task/acts/intention';
import { Choice } from '../../../ui/form/Choice';
import { Dialog } from '../../../ui/Dialog';
import { outsideAddress } from '../../session/places/addresses';
import { useServices } from '../../session/state/services';
import type { AskedDialog } from '../../session/acting/task-dialog';
import { counted, useToldDone } from '../../session/acting/use-act';
import { copyOut, joinTasks, sendOn } from './send-on';
import { useOutsideLists } from './use-outside-lists';
import { Labelled } from '../../../ui/form/Labelled';

interface OntoDialogProps {
  asked: Extract<AskedDialog, { is: 'onto' }>;
  onClose: () => void;
}

type How = 'join' | 'send';

/** Joins tasks with an outside list, or puts them there once; with a day and labels where one says so. */
export function OntoDialog({ asked: { tasks }, onClose }: OntoDialogProps) {
  const services = useServices();
  const told = useToldDone();
  const lists = useOutsideLists();
  const [how, setHow] = useState<How>('join');
  const [name, setName] = useState<string | null>(null);
  const [due, setDue] = useState('');
  const [labels, setLabels] = useState('');
  const list = name ?? lists?.[0]?.name ?? null;
  const more = (): Intention[] => [
    ...(due.trim() === '' ? [] : [{ do: 'set', clause: `due ${due.trim()}` } as const]),
    ...labels.split(/[\s,]+/).flatMap((label): Intention[] => {
      const tag = label === '' ? null : signedName(`#${label.replace(/^#/, '')}`);
      return tag === null ? [] : [{ do: 'tag', name: tag }];
    }),
  ];
  const act = (): void => {
    if (list === null) return;
    onClose();
    void (how === 'join' ? joinTasks : sendOn)(services, tasks, list, more(), told);
  };
  const copy = (): void => {
    onClose();
    void copyOut(services, tasks, told);
  };
  return (
    <Dialog open onClose={onClose} title="Onto an outside list">
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          act();
        }}
      >
        <p className="text-muted [overflow-wrap:anywhere]">{tasks.length === 1 ? tasks[0]?.text : counted(tasks.length, 'task')}</p>
        {lists?.length === 0 && (
          <p>
            No list is followed yet:{' '}
            <Link className="name-link" to={outsideAddress()} onClick={onClose}>
              outside lists
            </Link>
            . For a list that cannot be followed the tasks can be copied, and marked as sent.
          </p>
        )}
        {lists && lists.length > 0 && (
          <>
            <Choice
              label="How"
              value={how}
              options={[
                ['join', 'Join: one task on both sides'],
                ['send', 'Send on: put there once'],
              ]}
              onChoose={setHow}
            />
            <Labelled label="List">
              <select className="field" autoFocus value={list ?? ''} onChange={({ target }) => setName(target.value)}>
                {lists.map((one) => (
                  <option key={one.name}>{one.name}</option>
                ))}
              </select>
            </Labelled>
            <div className="grid grid-cols-2 gap-2 max-sm:grid-cols-1">
              <Labelled label="Due, where it is to be another day">
                <input className="field" placeholder="next week" value={due} onChange={({ target }) => setDue(target.value)} />
              </Labelled>
              <Labelled label="Labels">
                <input className="field" placeholder="loans autumn" value={labels} onChange={({ target }) => setLabels(target.value)} />
              </Labelled>
            </div>
          </>
        )}
        <div className="flex flex-wrap gap-2">
          {list !== null && (
            <button type="submit" className="solid-button">
              {how === 'join' ? 'Join' : 'Send on'}
            </button>
          )}
          <button type="button" className="line-button" onClick={copy}>
            Copy, and mark as sent
          </button>
        </div>
      </form>
    </Dialog>
  );
}
