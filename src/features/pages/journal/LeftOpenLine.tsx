import { frameSlice } from '../../session/state/frame-slice';
import { useAppDispatch } from '../../session/state/state';
import { counted } from '../../session/acting/use-act';
import { useLeftOpen } from './use-left-open';

/** How much earlier days left open, and the way to look through it; nothing where they left none. */
export function LeftOpenLine() {
  const dispatch = useAppDispatch();
  const count = useLeftOpen(0)?.count ?? 0;
  if (count === 0) return null;
  return (
    <p className="no-print flex flex-wrap items-center gap-x-2 text-[0.92rem] text-muted">
      {counted(count, 'task')} left from earlier days:
      <button type="button" className="line-button" onClick={() => dispatch(frameSlice.actions.dialogShown({ is: 'carry' }))}>
        Look through {count === 1 ? 'it' : 'them'}
      </button>
    </p>
  );
}
