import { useEffect, useRef, useState } from 'react';
import { type ImportReport, importNotes } from '../../store/notes/import-notes';
import { readSettings } from '../../store/device/settings';
import { Dialog } from '../../ui/Dialog';
import { useServices } from '../session/state/services';
import { useToldDone, useUndo } from '../session/acting/use-act';
import { ImportReportView, cameInWords } from './ImportReportView';
import { type GivenFile, givenFrom, readGiven } from './read-files';

type Phase = { is: 'asking' } | { is: 'reading'; read: number } | { is: 'done'; report: ImportReport };

interface ImportDialogProps {
  open: boolean;
  /** Files that were dropped and wait to be read; null to ask for some. */
  given: GivenFile[] | null;
  onClose: () => void;
  onImported?: () => void;
}

/** Takes Markdown files, a folder or a zip in, shows how far it is, and reports what came of each file. */
export function ImportDialog({ open, given, onClose, onImported }: ImportDialogProps) {
  return (
    <Dialog open={open} onClose={onClose} title="Import notes">
      <ImportSteps key={given ? 'given' : 'ask'} given={given} onClose={onClose} onImported={onImported} />
    </Dialog>
  );
}

interface ImportStepsProps {
  given: GivenFile[] | null;
  onClose: () => void;
  onImported: (() => void) | undefined;
}

function ImportSteps({ given, onClose, onImported }: ImportStepsProps) {
  const { store, changeSettings } = useServices();
  const undo = useUndo();
  const told = useToldDone();
  const [phase, setPhase] = useState<Phase>({ is: 'asking' });
  const [stop] = useState(() => new AbortController());
  const open = useRef(true);
  useEffect(
    () => () => {
      open.current = false;
      // Whoever closes the dialog wants no more of it.
      stop.abort();
    },
    [stop],
  );
  const run = async (files: GivenFile[]): Promise<void> => {
    if (files.length === 0) return;
    setPhase({ is: 'reading', read: 0 });
    const report = await importNotes(readGiven(files), store, (read) => setPhase({ is: 'reading', read }), stop.signal);
    onImported?.();
    if (open.current) setPhase({ is: 'done', report });
    else told(cameInWords(report), report.step);
  };
  if (phase.is === 'asking') return <AskForFiles given={given} onGiven={(files) => void run(files)} />;
  if (phase.is === 'reading')
    return (
      <div className="grid gap-3">
        <p role="status">Reading: {phase.read.toLocaleString('en')} files so far.</p>
        <button type="button" className="line-button justify-self-start" onClick={() => stop.abort()}>
          Stop here
        </button>
      </div>
    );
  const { report } = phase;
  return (
    <ImportReportView
      report={report}
      onUseSettings={() => void changeSettings(readSettings(report.settings))}
      onTakeBack={async () => {
        if (report.step !== null) await undo(report.step);
        onClose();
      }}
      onClose={onClose}
    />
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
          {given.length} {given.length === 1 ? 'file' : 'files'} dropped. A note that is here already is never overwritten.
        </p>
        <button type="button" autoFocus className="solid-button justify-self-start" onClick={() => onGiven(given)}>
          Import
        </button>
      </div>
    );
  }
  return (
    <div className="grid gap-3">
      <p className="text-muted">
        Markdown or text files, a folder of them, or a zip. A note that is here already is never overwritten; what comes in keeps its bytes.
      </p>
      <div className="flex flex-wrap gap-2">
        <button type="button" className="solid-button" onClick={() => files.current?.click()}>
          Choose files or a zip
        </button>
        <button type="button" className="line-button" onClick={() => folder.current?.click()}>
          Choose a folder
        </button>
      </div>
      <p className="text-[0.86rem] text-muted">Files can also be dropped anywhere on the window.</p>
      <input
        ref={files}
        data-testid="import-files"
        type="file"
        multiple
        hidden
        accept=".md,.markdown,.txt,.zip"
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
