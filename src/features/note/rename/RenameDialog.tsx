import { useRef, useState } from 'react';
import type { Renaming } from '../../../core/gather/saying/rename-everywhere';
import { Dialog } from '../../../ui/Dialog';
import { unlooked } from '../../sharing/seal/unlooked';
import { useSeals } from '../../sharing/seal/use-seals';
import { useServices } from '../../session/state/services';
import { counted, useToldDone } from '../../session/acting/use-act';
import { Labelled } from '../../../ui/form/Labelled';

interface RenameDialogProps {
  /** What is renamed now, as people read it. */
  name: string;
  /** The renaming that a typed name asks for; null where it can be no such name. */
  renaming: (after: string) => Renaming | null;
  /** What such a name may hold, said when one cannot be used. */
  rule: string;
  onClose: () => void;
  onDone: (after: string) => void;
}

/** Renames something wherever it stands; it says how many places in how many notes before anything changes. */
export function RenameDialog({ name, renaming, rule, onClose, onDone }: RenameDialogProps) {
  const { actions } = useServices();
  const told = useToldDone();
  const { closed } = useSeals();
  const [after, setAfter] = useState(name);
  const [asked, setAsked] = useState<{ places: number; notes: number } | null>(null);
  const answer = useRef<((yes: boolean) => void) | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const same = after.trim() === name;
  const wanted = same ? null : renaming(after.trim());
  const problem = same ? null : wanted ? refused : rule;
  const start = async (): Promise<void> => {
    if (!wanted) return;
    const result = await actions.renameEverywhere(wanted, (places, notes) => {
      setAsked({ places, notes });
      return new Promise<boolean>((resolve) => (answer.current = resolve));
    });
    if (!('refused' in result)) {
      told(`Renamed in ${counted(result.places, 'place')}`, result.step);
      onDone(after.trim());
    } else if (result.refused !== '') setRefused(result.refused);
    setAsked(null);
  };
  const close = (): void => {
    answer.current?.(false);
    onClose();
  };
  return (
    <Dialog open onClose={close} title={`Rename ${name}`}>
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (asked) answer.current?.(true);
          else void start();
        }}
      >
        <Labelled label="New name">
          <input
            className="field"
            autoFocus
            value={after}
            readOnly={asked !== null}
            aria-invalid={problem !== null}
            aria-describedby="rename-problem"
            onChange={(event) => {
              setAfter(event.target.value);
              setRefused(null);
            }}
          />
        </Labelled>
        <p id="rename-problem" role="status" className="text-[0.9rem] text-late empty:hidden">
          {problem}
        </p>
        {asked && (
          <p role="status">
            {counted(asked.places, 'place')} in {counted(asked.notes, 'note')} will change. {unlooked(closed)}
          </p>
        )}
        <div className="flex gap-2">
          <button type="submit" className="solid-button" disabled={!asked && !wanted}>
            {asked ? 'Rename them' : 'See what changes'}
          </button>
          <button type="button" className="line-button" onClick={close}>
            Leave it
          </button>
        </div>
      </form>
    </Dialog>
  );
}
