import { keyName } from '../commands/command';
import { useCommandKeys } from '../commands/use-key-of';
import { frameSlice } from '../session/state/frame-slice';
import { useAppDispatch } from '../session/state/state';

/** The button that opens a slip, a small card with its corner cut. */
export function SlipButton({ className = '' }: { className?: string }) {
  const dispatch = useAppDispatch();
  const key = useCommandKeys().get('slip') ?? null;
  return (
    <button
      type="button"
      className={`solid-button cut-corner ${className}`}
      title={key === null ? 'Fill in a slip' : `Fill in a slip (${keyName(key)})`}
      onClick={() => dispatch(frameSlice.actions.dialogShown({ is: 'slip' }))}
    >
      Slip
    </button>
  );
}
