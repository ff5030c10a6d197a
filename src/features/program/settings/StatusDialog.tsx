import { type FormEvent, useState } from 'react';
import type { NotedStatus } from '../../../core/index/live/overview';
import { withStatus } from '../../../core/task/line/added-status';
import { type AddedStatus, STATUSES, STATUS_COLOURS, STATUS_NAMES, mayAddSign } from '../../../core/task/line/status';
import { Dialog } from '../../../ui/Dialog';
import { MarkPicture } from '../../../ui/marks/MarkPicture';
import { counted, useToldDone } from '../../session/acting/use-act';
import { useServices } from '../../session/state/services';
import { useAddedStatuses } from '../../session/state/use-statuses';
import { useStatusUse } from './use-status-use';
import { Labelled } from '../../../ui/form/Labelled';

const NEW: AddedStatus = { sign: '', name: '', means: 'todo', colour: null, icon: null };

/** What is wrong with a status, in words; null for nothing, and while it is not filled in. */
function problemOf({ sign, name }: AddedStatus, others: readonly AddedStatus[]): string | null {
  if (sign === '' || name === '') return null;
  if (!mayAddSign(sign)) return 'The sign is one character, no letter, digit or space, and none of _ : - x.';
  const owner = others.find((other) => other.sign === sign);
  if (owner) return `That is the sign of “${owner.name}”.`;
  const names = [...others.map((other) => other.name), ...STATUSES.map((five) => STATUS_NAMES[five])];
  return names.some((other) => other.toLowerCase() === name.toLowerCase()) ? 'Another status has this name.' : null;
}

/** Makes a status, or changes one; where its sign or meaning changes, the tasks that bear it follow in the same step. */
export function StatusDialog({ status, onClose }: { status: NotedStatus | null; onClose: () => void }) {
  const { actions, store } = useServices();
  const told = useToldDone();
  const others = useAddedStatuses().filter(({ path }) => path !== status?.path);
  const use = useStatusUse(status);
  const [form, setForm] = useState<AddedStatus>(status ?? NEW);
  const [refused, setRefused] = useState<string | null>(null);
  const set = (change: Partial<AddedStatus>): void => {
    setRefused(null);
    setForm({ ...form, ...change });
  };
  const name = form.name.trim();
  const problem = problemOf({ ...form, name }, others) ?? refused;
  const follows = status !== null && (form.sign !== status.sign || form.means !== status.means);
  const canStore = form.sign !== '' && name !== '' && problem === null;
  const save = async (event: FormEvent): Promise<void> => {
    event.preventDefault();
    if (!canStore) return;
    const next = { ...form, name };
    if (status === null) {
      const made = await actions.create('Statuses', name, withStatus('', next));
      if ('refused' in made) return setRefused(made.refused);
      told(`Added the status “${name}”`, made.step);
    } else {
      const text = (await store.text(status.path)) ?? '';
      const becomes = follows ? { status: next.means, sign: next.sign } : null;
      const done = await actions.changeStatus(status.path, withStatus(text, next), status.sign, becomes, `Changed the status: ${name}`);
      if ('refused' in done) return setRefused(done.refused);
      told(done.changed > 0 ? `Changed; ${counted(done.changed, 'task')} follow` : `Changed the status “${name}”`, done.step);
    }
    onClose();
  };
  return (
    <Dialog open onClose={onClose} title={status === null ? 'Add a status' : `Change “${status.name}”`}>
      <form className="grid gap-3" onSubmit={(event) => void save(event)}>
        <div className="flex items-end gap-3">
          <Labelled label="Name">
            <input className="field" autoFocus value={form.name} onChange={(event) => set({ name: event.target.value })} />
          </Labelled>
          <Labelled label="Sign in the box">
            <input
              className="field w-16 text-center font-mono"
              value={form.sign}
              onChange={(event) => set({ sign: [...event.target.value].at(-1) ?? '' })}
            />
          </Labelled>
          <span className="pb-1" title="How its mark looks">
            <MarkPicture
              look={{ status: form.means, priority: null, late: false, resting: false, added: form.sign === '' ? undefined : form }}
            />
          </span>
        </div>
        <div className="flex flex-wrap gap-3">
          <Labelled label="Counts as">
            <select
              className="field"
              value={form.means}
              onChange={(event) => set({ means: STATUSES.find((one) => one === event.target.value) ?? 'todo' })}
            >
              {STATUSES.map((one) => (
                <option key={one} value={one}>
                  {STATUS_NAMES[one]}
                </option>
              ))}
            </select>
          </Labelled>
          <Labelled label="Colour">
            <select className="field" value={form.colour ?? ''} onChange={(event) => set({ colour: event.target.value || null })}>
              <option value="">none of its own</option>
              {STATUS_COLOURS.map((colour) => (
                <option key={colour} value={colour}>
                  {colour}
                </option>
              ))}
            </select>
          </Labelled>
          <Labelled label="Shown in the mark">
            <input
              className="field w-28"
              placeholder="the sign"
              value={form.icon ?? ''}
              onChange={(event) => set({ icon: [...event.target.value].slice(0, 2).join('') || null })}
            />
          </Labelled>
        </div>
        {follows && use !== null && use.count > 0 && (
          <p className="text-muted">{counted(use.count, 'task')} that bear it follow, in one step that Undo takes back.</p>
        )}
        <p role="status" className="text-[0.9rem] text-late empty:hidden">
          {problem}
        </p>
        <div className="flex gap-2">
          <button type="submit" className="solid-button" disabled={!canStore}>
            Store
          </button>
          <button type="button" className="line-button" onClick={onClose}>
            Leave it
          </button>
        </div>
      </form>
    </Dialog>
  );
}
