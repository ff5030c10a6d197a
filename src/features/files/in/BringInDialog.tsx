import { useRef } from 'react';
import type { GivenFile } from '../../../engine/files/read-given';
import { readSettings } from '../../../store/device/settings';
import { Dialog } from '../../../ui/Dialog';
import { counted, useUndo } from '../../session/acting/use-act';
import { useServices } from '../../session/state/services';
import { BringInPreview } from './BringInPreview';
import { BringInReport } from './BringInReport';
import { givenFrom } from './given-files';
import { useBringIn } from './use-bring-in';

interface BringInDialogProps {
  open: boolean;
  /** Files that were dropped and wait to be read; null to ask for some. */
  given: GivenFile[] | null;
  onClose: () => void;
  onCameIn?: () => void;
}

/** Takes files in: asks for them, says what they come to, and reports what came of each. */
export function BringInDialog({ open, given, onClose, onCameIn }: BringInDialogProps) {
  return (
    <Dialog open={open} onClose={onClose} title="Bring in files" side="wide">
      <Steps key={given ? 'given' : 'ask'} given={given} onClose={onClose} onCameIn={onCameIn} />
    </Dialog>
  );
}

interface StepsProps {
  given: GivenFile[] | null;
  onClose: () => void;
  onCameIn: (() => void) | undefined;
}

function Steps({ given, onClose, onCameIn }: StepsProps) {
  const { changeSettings } = useServices();
  const undo = useUndo();
  const { phase, read, choose, bringIn, stop } = useBringIn(onCameIn);
  switch (phase.is) {
    case 'asking':
      return <AskForFiles given={given} onGiven={(files) => void read(files)} />;
    case 'reading':
      return <Working words={`Reading: ${counted(phase.read, 'file')} so far.`} onStop={stop} />;
    case 'deciding':
      return (
        <BringInPreview
          plan={phase.plan}
          choices={phase.choices}
          stale={phase.stale}
          onChoose={(choices) => void choose(choices)}
          onBringIn={() => void bringIn()}
          onClose={onClose}
        />
      );
    case 'coming':
      return <Working words={`Bringing in: ${counted(phase.stored, 'file')} so far.`} onStop={stop} />;
    case 'done':
      return (
        <BringInReport
          report={phase.report}
          onUseSettings={() => void changeSettings(readSettings(phase.report.settings))}
          onTakeBack={async () => {
            if (phase.report.step !== null) await undo(phase.report.step);
            onClose();
          }}
          onClose={onClose}
        />
      );
  }
}

function Working({ words, onStop }: { words: string; onStop: () => void }) {
  return (
    <div className="grid gap-3">
      <p role="status">{words}</p>
      <button type="button" className="line-button justify-self-start" autoFocus onClick={onStop}>
        Stop
      </button>
    </div>
  );
}

function AskForFiles({ given, onGiven }: { given: GivenFile[] | null; onGiven: (files: GivenFile[]) => void }) {
  const files = useRef<HTMLInputElement>(null);
  const folder = useRef<HTMLInputElement>(null);
  const take = (list: FileList | null): void => {
    if (list) onGiven(givenFrom(list));
  };
  if (given) {
    return (
      <div className="grid gap-3">
        <p>
          {counted(given.length, 'file')} to be read. You see what they come to before anything changes, and a note that is here is never
          overwritten.
        </p>
        <button type="button" autoFocus className="solid-button justify-self-start" onClick={() => onGiven(given)}>
          Read {given.length === 1 ? 'it' : 'them'}
        </button>
      </div>
    );
  }
  return (
    <div className="grid gap-3">
      <p>
        Notes and tasks from elsewhere: you see what they come to before anything changes, and a note that is here is never overwritten.
      </p>
      <div className="flex flex-wrap gap-2">
        <button type="button" className="solid-button" autoFocus onClick={() => files.current?.click()}>
          Choose files or a zip
        </button>
        <button type="button" className="line-button" onClick={() => folder.current?.click()}>
          Choose a folder
        </button>
      </div>
      <p className="text-[0.86rem] text-muted">
        Markdown and text, zips of them, outlines (OPML), calendars (.ics), tables (.csv), address books (.vcf), JSON of Recado. Files can
        also be dropped anywhere on the window.
      </p>
      <input
        ref={files}
        data-testid="import-files"
        type="file"
        multiple
        hidden
        accept=".md,.markdown,.txt,.zip,.opml,.ics,.csv,.tsv,.json,.vcf"
        onChange={(event) => take(event.target.files)}
      />
      <input
        ref={folder}
        data-testid="import-folder"
        type="file"
        multiple
        hidden
        {...{ webkitdirectory: '' }}
        onChange={(event) => take(event.target.files)}
      />
    </div>
  );
}
