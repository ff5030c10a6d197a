import { type FormEvent, useEffect, useRef, useState } from 'react';
import { PRIORITY_NAMES } from '../../core/task/line/clause';
import { statusTable } from '../../core/task/line/added-status';
import { STATUSES, STATUS_NAMES } from '../../core/task/line/status';
import { Dialog } from '../../ui/Dialog';
import { actionContext } from '../session/acting/action-context';
import { useNow, useServices } from '../session/state/services';
import { useAppSelector } from '../session/state/state';
import { useAddedStatuses } from '../session/state/use-statuses';
import type { TaskDialog } from '../session/acting/task-dialog';
import { useAct } from '../session/acting/use-act';
import { AboutTask } from './AboutTask';
import { ClauseField } from './ClauseField';
import { NeedsField } from './NeedsField';
import {
  DETAIL_CLAUSES,
  type DetailClause,
  type Need,
  type TaskDetails,
  detailsOf,
  intentionsFor,
  needKey,
  needsIntentions,
  understoodAs,
} from './details';
import { Labelled } from '../../ui/form/Labelled';

interface DetailsDialogProps {
  asked: Extract<TaskDialog, { is: 'details' }>;
  onClose: () => void;
}

/**
 * Every attribute of one task in a form: Tab goes through it in order, Enter stores, Escape steps back. What cannot be read is marked
 * and nothing is stored; what was changed is not dropped unasked.
 */
export function DetailsDialog({ asked, onClose }: DetailsDialogProps) {
  const { ref, openSteps } = asked.task;
  const added = useAddedStatuses();
  const before = detailsOf(ref.expected, statusTable(added));
  const [form, setForm] = useState(before);
  const [firstNeeds, setFirstNeeds] = useState<readonly Need[]>([]);
  const [needs, setNeeds] = useState<readonly Need[]>([]);
  const [leaving, setLeaving] = useState(false);
  const fields = useRef<HTMLFormElement>(null);
  const { act, actAll } = useAct();
  const { engine } = useServices();
  const now = useNow();
  const settings = useAppSelector((state) => state.settings);
  const written = before?.needs ?? '';
  useEffect(() => {
    const refs = written.split(',').flatMap((one) => one.trim() || []);
    void engine.ask('tasksOf', { refs }).then((tasks) => {
      const named = refs.map((key): Need => {
        const task = tasks.find((one) => one.ref === key);
        return {
          ref: key,
          text: task?.text ?? `${key}, which no task bears`,
          at: task ? { path: task.path, line: task.line, expected: task.raw } : null,
        };
      });
      setFirstNeeds(named);
      setNeeds(named);
    });
  }, [engine, written]);
  if (!before || !form) return null;
  const set = (change: Partial<TaskDetails>): void => {
    setLeaving(false);
    setForm({ ...form, ...change });
  };
  const understood = (name: DetailClause): { words: string; fine: boolean } | null =>
    form.clauses[name] === before.clauses[name] || form.clauses[name].trim() === ''
      ? null
      : understoodAs(ref.expected, name, form.clauses[name], actionContext(settings, now));
  const needsChanged = needs.map(needKey).join() !== firstNeeds.map(needKey).join();
  const changed = needsChanged || JSON.stringify(form) !== JSON.stringify(before);
  const store = async (event?: FormEvent): Promise<void> => {
    event?.preventDefault();
    const wrong = DETAIL_CLAUSES.find((name) => understood(name)?.fine === false);
    if (wrong !== undefined) {
      setLeaving(false);
      fields.current?.querySelector<HTMLInputElement>(`input[name="${wrong}"]`)?.focus();
      return;
    }
    const intentions = [...needsIntentions(firstNeeds, needs), ...intentionsFor(before, form)];
    const [only] = intentions;
    if (!only) return onClose();
    const [raw] = intentions.length === 1 ? [await act(ref, before.text, only, openSteps)] : await actAll([asked.task], intentions);
    // What was refused stays in the form.
    if (raw !== null) onClose();
  };
  return (
    <Dialog
      open
      onClose={() => (changed && !leaving ? setLeaving(true) : leaving ? setLeaving(false) : onClose())}
      title="Details"
      side="right"
    >
      {leaving && (
        <div role="alert" className="mb-3 grid gap-2 rounded-md bg-sun-soft px-3 py-2">
          <p>What you changed is not stored yet.</p>
          <p className="flex flex-wrap gap-2">
            <button type="button" autoFocus className="solid-button" onClick={() => void store()}>
              Store it
            </button>
            <button type="button" className="line-button" onClick={onClose}>
              Drop the changes
            </button>
            <button type="button" className="quiet-button" onClick={() => setLeaving(false)}>
              Go on
            </button>
          </p>
        </div>
      )}
      <form ref={fields} className="grid gap-3" onSubmit={(event) => void store(event)}>
        <Labelled label="Words">
          <input className="field" autoFocus value={form.text} onChange={(event) => set({ text: event.target.value })} />
        </Labelled>
        <div className="flex gap-3">
          <Pick
            label="Status"
            value={form.sign ?? form.status}
            options={[
              ...STATUSES.map((status) => [status, STATUS_NAMES[status]] as const),
              ...added.map(({ sign, name }) => [sign, name] as const),
            ]}
            onPick={(picked) => {
              const own = added.find(({ sign }) => sign === picked);
              const status = own?.means ?? STATUSES.find((one) => one === picked);
              if (status) set({ status, sign: own?.sign ?? null });
            }}
          />
          <Pick label="Priority" value={form.priority} options={PRIORITY_NAMES} onPick={(priority) => set({ priority })} />
        </div>
        <div className="grid grid-cols-2 gap-x-3 gap-y-2.5">
          {DETAIL_CLAUSES.map((name) => (
            <ClauseField
              key={name}
              name={name}
              value={form.clauses[name]}
              understood={understood(name)}
              onChange={(value) => set({ clauses: { ...form.clauses, [name]: value } })}
            />
          ))}
        </div>
        <NeedsField own={ref} needs={needs} onChange={(next) => (setLeaving(false), setNeeds(next))} />
        <div className="flex gap-2">
          <button type="submit" className="solid-button">
            Store
          </button>
          <button type="button" className="line-button" onClick={onClose}>
            Leave it as it was
          </button>
        </div>
        <AboutTask path={ref.path} line={ref.line} onClose={onClose} />
      </form>
    </Dialog>
  );
}

interface PickProps<T extends string> {
  label: string;
  value: T;
  options: readonly (readonly [T, string])[];
  onPick: (value: T) => void;
}

function Pick<T extends string>({ label, value, options, onPick }: PickProps<T>) {
  return (
    <Labelled label={label} className="flex-1">
      <select className="field" value={value} onChange={(event) => onPick(event.target.value as T)}>
        {options.map(([option, words]) => (
          <option key={option} value={option}>
            {words}
          </option>
        ))}
      </select>
    </Labelled>
  );
}
