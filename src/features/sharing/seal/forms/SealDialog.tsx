import { useEffect, useState } from 'react';
import type { SealDesk } from '../../../../store/seal/seal-desk';
import { Dialog } from '../../../../ui/Dialog';
import type { AskedDialog } from '../../../session/acting/task-dialog';
import { useServices } from '../../../session/state/services';
import { OpenForm } from './OpenForm';
import { PassphraseForm } from './PassphraseForm';
import { SealForm } from './SealForm';

type Asked = Extract<AskedDialog, { is: 'seal' }>;

interface SealDialogProps {
  asked: Asked;
  onClose: () => void;
}

const TITLES = { open: 'Open a seal', notes: 'Seal a note', folder: 'Seal a folder', passphrase: 'Another passphrase' } as const;

/** Opens a seal, seals a note or a folder, or gives a seal another passphrase. */
export function SealDialog({ asked, onClose }: SealDialogProps) {
  const { seals } = useServices();
  const [desk, setDesk] = useState<SealDesk | 'failed' | null>(seals.opened);
  useEffect(() => {
    void seals.open().then(setDesk, () => setDesk('failed'));
  }, [seals]);
  return (
    <Dialog open onClose={onClose} title={TITLES[asked.what]} onGone={intoText}>
      {desk === null && <p role="status">Looking…</p>}
      {desk === 'failed' && <p role="alert">The part of Recado that seals could not be loaded. Load the page anew.</p>}
      {desk !== null && desk !== 'failed' && <Form desk={desk} asked={asked} onClose={onClose} />}
    </Dialog>
  );
}

/** What was opened is there to be written in: the button that asked for it is gone, and the focus with it, or in the page at large. */
function intoText(): void {
  const { activeElement } = document;
  if (activeElement === null || activeElement === document.body || activeElement.id === 'page')
    document.querySelector<HTMLElement>('#page .cm-content')?.focus();
}

function Form({ desk, asked, onClose }: SealDialogProps & { desk: SealDesk }) {
  switch (asked.what) {
    case 'open':
      return <OpenForm desk={desk} seal={asked.seal ?? null} path={asked.path ?? null} onClose={onClose} />;
    case 'passphrase':
      return <PassphraseForm desk={desk} path={asked.seal} onClose={onClose} />;
    default:
      return <SealForm desk={desk} asked={asked} onClose={onClose} />;
  }
}
