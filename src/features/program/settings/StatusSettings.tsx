import { ArrowDown, ArrowUp } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import type { NotedStatus } from '../../../core/index/live/overview';
import { type AddedStatus, STATUSES, STATUS_NAMES, signOf } from '../../../core/task/line/status';
import type { Settings, SettingsChange } from '../../../store/device/settings';
import { MarkPicture } from '../../../ui/marks/MarkPicture';
import { statusAddress } from '../../session/places/addresses';
import { useAddedStatuses } from '../../session/state/use-statuses';
import { RemoveStatus } from './RemoveStatus';
import { useSectionAt } from './use-section-at';
import { StatusDialog } from './StatusDialog';

interface Known extends AddedStatus {
  /** The note that adds it; null for one of the five. */
  path: string | null;
}

const FIVE: readonly Known[] = STATUSES.map((means) => ({
  sign: signOf(means),
  name: STATUS_NAMES[means],
  means,
  colour: null,
  icon: null,
  path: null,
}));

interface StatusSettingsProps {
  settings: Settings;
  set: (change: SettingsChange) => void;
}

/** The statuses: the five and those that notes add, which are made, changed and removed here; and the order of choice. */
export function StatusSettings({ settings, set }: StatusSettingsProps) {
  const added = useAddedStatuses();
  const section = useSectionAt('statuses');
  const [changing, setChanging] = useState<NotedStatus | 'new' | null>(null);
  const [removing, setRemoving] = useState<NotedStatus | null>(null);
  const all = [...FIVE, ...added];
  const round = settings.cycle.flatMap((sign) => all.find((status) => status.sign === sign) ?? []);
  const others = all.filter((status) => !round.includes(status));
  const store = (signs: readonly Known[]): void => set({ cycle: signs.map(({ sign }) => sign) });
  const move = (at: number, by: number): void => {
    const next = [...round];
    const [one] = next.splice(at, 1);
    if (one) next.splice(at + by, 0, one);
    store(next);
  };
  const line = (status: Known, at: number | null): React.ReactNode => {
    const own = added.find(({ path }) => path === status.path);
    return (
      <li key={status.sign + (status.path ?? '')} className="flex min-h-[34px] flex-wrap items-center gap-2 border-b border-line py-0.5">
        <MarkPicture look={{ status: status.means, priority: null, late: false, resting: false, ...(own && { added: own }) }} />
        <Link to={statusAddress(status.path === null ? status.means : status.name)} className="hover:underline">
          {status.name}
        </Link>
        <code className="rounded bg-raised px-1 font-mono text-[0.84rem] text-muted">[{status.sign}]</code>
        {own && <span className="text-[0.86rem] text-muted">counts as {STATUS_NAMES[own.means]}</span>}
        <span className="ms-auto flex items-center gap-1">
          {own && (
            <>
              <button
                type="button"
                className="quiet-button text-[0.86rem]"
                onClick={() => setChanging(own)}
                aria-label={`Change ${own.name}`}
              >
                Change
              </button>
              <button
                type="button"
                className="quiet-button text-[0.86rem]"
                onClick={() => setRemoving(own)}
                aria-label={`Remove ${own.name}`}
              >
                Remove
              </button>
            </>
          )}
          {at !== null && (
            <>
              <button
                type="button"
                className="quiet-button"
                disabled={at === 0}
                onClick={() => move(at, -1)}
                aria-label={`${status.name} earlier`}
              >
                <ArrowUp size={14} aria-hidden="true" />
              </button>
              <button
                type="button"
                className="quiet-button"
                disabled={at === round.length - 1}
                onClick={() => move(at, 1)}
                aria-label={`${status.name} later`}
              >
                <ArrowDown size={14} aria-hidden="true" />
              </button>
            </>
          )}
          <button
            type="button"
            className="line-button text-[0.86rem]"
            // A round of one would turn nothing.
            disabled={at !== null && round.length <= 2}
            aria-label={at === null ? `Put ${status.name} into the round` : `Take ${status.name} out of the round`}
            onClick={() => store(at === null ? [...round, status] : round.filter((one) => one !== status))}
          >
            {at === null ? 'Into the round' : 'Out of it'}
          </button>
        </span>
      </li>
    );
  };
  return (
    <section ref={section} id="statuses" aria-label="Statuses" className="max-w-2xl">
      <h2 className="mb-1 font-title text-[1.17rem] font-bold">Statuses</h2>
      <p className="mb-2 text-[0.92rem] text-muted">
        “Next status” goes through the round, from first to last and back. A status of your own is a note with a sign for the box; it counts
        as one of the five wherever tasks are gathered.
      </p>
      <h3 className="section-label">The round</h3>
      <ol aria-label="The round">{round.map((status, at) => line(status, at))}</ol>
      <h3 className="section-label mt-3">Others</h3>
      <ul aria-label="Other statuses">{others.map((status) => line(status, null))}</ul>
      <button type="button" className="line-button mt-2" onClick={() => setChanging('new')}>
        Add a status
      </button>
      {changing !== null && <StatusDialog status={changing === 'new' ? null : changing} onClose={() => setChanging(null)} />}
      {removing !== null && <RemoveStatus status={removing} onClose={() => setRemoving(null)} />}
    </section>
  );
}
