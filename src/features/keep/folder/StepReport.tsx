import { Link } from 'react-router';
import { baseNameOf } from '../../../core/note/names/path';
import { counted } from '../../session/acting/use-act';
import { noteAddress } from '../../session/places/addresses';
import { useNow } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { momentName } from '../kept-words';
import type { StepState, StepWish } from './step-state';

interface StepReportProps {
  /** How the place is called. */
  name: string;
  state: StepState | null;
  wish: (wanted: StepWish) => void;
  /** What is said where it may not be looked at. */
  asleep?: string;
}

const SAYS: Record<Exclude<StepState['is'], 'asleep'>, string> = {
  'in step': 'is in step',
  looking: 'is read for the first time',
  away: 'cannot be read now',
};

/** How a place of files stands with the notes: when it was looked at, what came of it, and what is asked. */
export function StepReport({ name, state, wish, asleep = 'waits' }: StepReportProps) {
  const { day: today } = useNow();
  const style = useAppSelector((one) => one.settings.dateStyle);
  return (
    <>
      <p role="status">
        <strong className="font-semibold">{name}</strong> {state ? (state.is === 'asleep' ? asleep : SAYS[state.is]) : 'is joined'}
        {state?.is === 'in step' && `, looked at ${momentName(state.at, today, style)}`}.{state?.why && ` ${state.why}`}
        {state?.did && <span className="block text-muted">Last: {state.did}.</span>}
      </p>
      {state !== null && state.asks > 0 && (
        <div role="alert" className="my-2 rounded-md bg-late-soft px-3 py-2">
          <p>
            {counted(state.asks, 'file')} that stood there are gone. Perhaps the place is only away; if they were removed, their notes go
            too, and stand among the deleted ones.
          </p>
          <p className="mt-1 flex flex-wrap gap-2">
            <button type="button" className="line-button" onClick={() => wish('remove')}>
              Remove the notes
            </button>
            <button type="button" className="line-button" onClick={() => wish('write back')}>
              Write the files again
            </button>
          </p>
        </div>
      )}
      {state !== null && state.warned.length > 0 && (
        <Listed title={`${counted(state.warned.length, 'file')} were not as they should be`} places={state.warned} isOpen />
      )}
      {state !== null && state.beside.length > 0 && (
        <Listed
          title={`${counted(state.beside.length, 'note')} changed on both sides in the same lines`}
          places={state.beside.map(({ path, other }) => ({ path: other, why: `the other text of ${baseNameOf(path)}` }))}
          leads
        />
      )}
      {state !== null && state.failed.length > 0 && (
        <Listed title={`${counted(state.failed.length, 'file')} could not be written or read, and are tried again`} places={state.failed} />
      )}
      {state !== null && state.ignored.length > 0 && (
        <Listed title={`${counted(state.ignored.length, 'file')} ignored`} places={state.ignored} />
      )}
      {state !== null && state.warned.length + state.beside.length > 0 && (
        <button type="button" className="quiet-button text-[0.86rem]" onClick={() => wish('seen')}>
          I have seen it
        </button>
      )}
    </>
  );
}

interface ListedProps {
  title: string;
  places: readonly { path: string; why: string }[];
  /** Whether the paths are notes. */
  leads?: boolean;
  isOpen?: boolean;
}

function Listed({ title, places, leads = false, isOpen = false }: ListedProps) {
  return (
    <details className="my-1" open={isOpen}>
      <summary className="cursor-pointer">{title}</summary>
      <ul className="ms-4 max-h-48 overflow-auto text-[0.9rem] text-muted [overflow-wrap:anywhere]">
        {places.map(({ path, why }) => (
          <li key={`${path} ${why}`}>
            {leads ? (
              <Link className="name-link" to={noteAddress(path)}>
                {path}
              </Link>
            ) : (
              path
            )}
            : {why}
          </li>
        ))}
      </ul>
    </details>
  );
}
