import { useState } from 'react';
import { Dialog } from '../../../ui/Dialog';
import { useServices } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { Check } from '../../../ui/form/Check';

/** Prints the page that is shown: says how it will look, and lets go of what paper needs not. */
export function PrintDialog({ onClose }: { onClose: () => void }) {
  const { changeSettings } = useServices();
  const sources = useAppSelector((state) => state.settings.printSources);
  const [isPrinting, setPrinting] = useState(false);
  return (
    <Dialog
      open={!isPrinting}
      onClose={onClose}
      title="Print"
      onGone={() => {
        // The page is printed without the dialog over it.
        if (isPrinting) requestAnimationFrame(() => window.print());
        onClose();
      }}
    >
      <div className="grid gap-3">
        <p>
          The page as it stands, black on white, with boxes to tick by pen: its lists whole, what is folded stays folded. Rack, day row and
          what stands beside stay behind. “Save as PDF” is one of the browser’s printers.
        </p>
        <Check checked={sources} onChange={(checked) => void changeSettings({ printSources: checked })}>
          Say where each task stands
        </Check>
        <button type="button" className="solid-button justify-self-start" autoFocus onClick={() => setPrinting(true)}>
          Print
        </button>
      </div>
    </Dialog>
  );
}
