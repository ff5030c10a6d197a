import { useState } from 'react';
import { Link } from 'react-router';
import type { NotedStatus } from '../../../core/index/live/overview';
import { STATUSES, STATUS_NAMES, signOf } from '../../../core/task/line/status';
import { Dialog } from '../../../ui/Dialog';
import { counted, useToldDone } from '../../session/acting/use-act';
import { noteAddress } from '../../session/places/addresses';
import { useServices } from '../../session/state/services';
import { useAddedStatuses } from '../../session/state/use-statuses';
import { useStatusUse } from './use-status-use';
import { Labelled } from '../../../ui/form/Labelled';

/** Removes a status that a note adds: it says where it stands and asks what the tasks become. */
export function RemoveStatus({ status, onClose }: { status: NotedStatus; onClose: () => void }) {
  const { actions } = useServices();
  const told = useToldDone();
  const use = useStatusUse(status);
  const others = useAddedStatuses().filter(({ path }) => path !== status.path);
  const choices = [...STATUSES.map((means) => ({ sign: signOf(means), means, name: STATUS_NAMES[means] })), ...others];
  const [sign, setSign] = useState(signOf(status.means));
  const [refused, setRefused] = useState<string | null>(null);
  const remove = async (): Promise<void> => {
    const becomes = choices.find((one) => one.sign === sign);
    const done = await actions.changeStatus(
      status.path,
      null,
      status.sign,
      becomes ? { status: becomes.means, sign } : null,
      `Removed the status: ${status.name}`,
    );
    if ('refused' in done) return setRefused(done.refused);
    told(done.changed > 0 ? `Removed; ${counted(done.changed, 'task')} changed` : `Removed the status “${status.name}”`, done.step);
    onClose();
  };
  return (
    <Dialog open onClose={onClose} title={`Remove “${status.name}”`}>
      <div className="grid gap-3" aria-busy={use === null}>
        {use !== null && use.count === 0 && <p>No task bears it.</p>}
        {use !== null && use.count > 0 && (
          <>
            <p>{counted(use.count, 'task')} bear it:</p>
            <ul className="max-h-[30vh] overflow-auto">
              {use.notes.map(({ path, title, count }) => (
                <li key={path}>
                  <Link to={noteAddress(path)} className="name-link" onClick={onClose}>
                    {title}
                  </Link>{' '}
                  <span className="text-muted">{count}</span>
                </li>
              ))}
            </ul>
            <Labelled label="They become">
              <select className="field w-fit" autoFocus value={sign} onChange={(event) => setSign(event.target.value)}>
                {choices.map((one) => (
                  <option key={one.sign} value={one.sign}>
                    {one.name}
                  </option>
                ))}
              </select>
            </Labelled>
          </>
        )}
        <p role="status" className="text-[0.9rem] text-late empty:hidden">
          {refused}
        </p>
        <div className="flex gap-2">
          <button type="button" className="solid-button" disabled={use === null} onClick={() => void remove()}>
            Remove it
          </button>
          <button type="button" className="line-button" onClick={onClose}>
            Leave it
          </button>
        </div>
      </div>
    </Dialog>
  );
}
