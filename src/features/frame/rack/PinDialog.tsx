import { useState } from 'react';
import { Dialog } from '../../../ui/Dialog';
import { KeyButton } from '../../commands/KeyButton';
import { isKept } from '../../commands/definitions';
import { useCommandKeys } from '../../commands/use-key-of';
import { otherOfKey, usePinKeys, useSlipKeys } from '../../commands/use-own-keys';
import { writtenKey } from '../../commands/written-key';
import { frameSlice } from '../../session/state/frame-slice';
import { useAppDispatch, useAppSelector } from '../../session/state/state';
import { Labelled } from '../../../ui/form/Labelled';

/** Asks how a pin is called, and by which key its place is gone to. */
export function PinDialog({ address, onClose }: { address: string; onClose: () => void }) {
  const pin = useAppSelector((state) => state.frame.pins.find((one) => one.address === address));
  const dispatch = useAppDispatch();
  const keys = useCommandKeys();
  const slips = useSlipKeys();
  const pins = usePinKeys();
  const [title, setTitle] = useState(pin?.title ?? '');
  const [key, setKey] = useState(pin?.key ?? null);
  const typed = key !== null && writtenKey(key) === null;
  const other = otherOfKey(key, address, keys, [...slips, ...pins]);
  const problem = typed
    ? 'This key is pressed in writing: it needs Ctrl with a letter or sign, or is an F key.'
    : key !== null && isKept(key)
      ? 'Browsers keep this key for themselves.'
      : other && `Also the key of “${other}”.`;
  return (
    <Dialog open onClose={onClose} title="Name and key of a pin">
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (typed) return;
          onClose();
          const words = title.trim();
          if (pin) dispatch(frameSlice.actions.pinChanged({ address, title: words || pin.title, ...(key !== null && { key }) }));
        }}
      >
        <Labelled label="Name">
          <input
            className="field"
            autoFocus
            value={title}
            onChange={(event) => setTitle(event.target.value)}
            onFocus={(event) => event.target.select()}
          />
        </Labelled>
        <div className="grid gap-1">
          <span className="section-label">Key</span>
          <span className="flex flex-wrap items-center gap-3">
            <KeyButton of={title} value={key} onChange={setKey} />
            <span className="text-[0.86rem] text-muted">Press the button, then the key. Backspace takes it away.</span>
          </span>
          {problem && (
            <span role="status" className="text-[0.86rem] text-late">
              {problem}
            </span>
          )}
        </div>
        <button type="submit" className="solid-button justify-self-start" disabled={typed}>
          Store
        </button>
      </form>
    </Dialog>
  );
}
