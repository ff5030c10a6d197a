import { frameSlice } from '../../session/state/frame-slice';
import { useAppDispatch } from '../../session/state/state';
import { SealShape } from './SealShape';
import { useSeals } from './use-seals';

/** Under the notes of the rack: how many are sealed and closed, and what opens them. */
export function SealedLine() {
  const dispatch = useAppDispatch();
  const { closed } = useSeals();
  if (closed === 0) return null;
  return (
    <button
      type="button"
      className="flex min-h-[26px] w-full items-center gap-2 rounded-md px-2 text-start text-muted hover:bg-raised"
      onClick={() => dispatch(frameSlice.actions.dialogShown({ is: 'seal', what: 'open' }))}
    >
      <SealShape />
      <span className="min-w-0 flex-1 truncate">Open a seal…</span>
      <span className="text-[0.82rem] tabular-nums">{closed}</span>
    </button>
  );
}
