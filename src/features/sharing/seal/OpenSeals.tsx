import { LockOpen } from 'lucide-react';
import { useCommandKeys } from '../../commands/use-key-of';
import { useCloseSeals } from './use-close-seals';
import { isOpenSeal, useSeals } from './use-seals';
import { keyName } from '../../commands/command';

/** In the strip: which seals are open, and what closes them. */
export function OpenSeals() {
  const state = useSeals();
  const close = useCloseSeals();
  const key = useCommandKeys().get('seal-close');
  const open = state.seals.filter((seal) => isOpenSeal(state, seal));
  if (open.length === 0) return null;
  return (
    <span className="flex items-center gap-1">
      <LockOpen size={13} aria-hidden="true" />
      <span className="max-w-[12rem] truncate">{open.length === 1 ? `${open[0]?.name} is open` : `${open.length} seals are open`}</span>
      <button
        type="button"
        className="quiet-button min-h-[25px] flex-none px-1.5 py-0"
        title={key == null ? undefined : keyName(key)}
        onClick={close}
      >
        Close
      </button>
    </span>
  );
}
