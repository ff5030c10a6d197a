import { useRef, useState } from 'react';
import { type ImportReport, importNotes } from '../../store/import-notes';
import { readSettings } from '../../store/settings';
import { Dialog } from '../../ui/Dialog';
import { useServices } from '../session/services';
import { ImportReportView } from './ImportReportView';
import { type GivenFile, givenFrom, readGiven } from './read-files';

type Phase = { is: 'asking' } | { is: 'reading'; read: number } | { is: 'done'; report: ImportReport } | { is: 'failed'; message: string };

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
  const { store, actions, saveSettings } = useServices();
  const [phase, setPhase] = useState<Phase>({ is: 'asking' });
  const stop = useRef(new AbortController());
  const run = async (files: GivenFile[]): Promise<void> => {
    if (files.length === 0) return;
    setPhase({ is: 'reading', read: 0 });
    try {
      const report = await importNotes(readGiven(files), store, (read) => setPhase({ is: 'reading', read }), stop.current.signal);
      setPhase({ is: 'done', report });
      onImported?.();
    } catch (error) {
      setPhase({ is: 'failed', message: error instanceof Error ? error.message : String(error) });
    }
  };
  switch (phase.is) {
    case 'asking':
      return <AskForFiles given={given} onGiven={(files) => void run(files)} />;
    case 'reading':
      return (
        <div className="grid gap-3">
          <p role="status">Reading: {phase.read} files so far.</p>
          <button type="button" className="line-button justify-self-start" onClick={() => stop.current.abort()}>
            Stop here
          </button>
        </div>
      );
    case 'failed':
      return <p role="alert">The import stopped: {phase.message} What came in before that is kept.</p>;
    case 'done':
      return (
        <ImportReportView
          report={phase.report}
          onUseSettings={() => void saveSettings(readSettings(phase.report.settings))}
          onTakeBack={async () => {
            const paths = [...phase.report.added, ...phase.report.beside.map((one) => one.path)];
            await actions.remove(paths, `Took back an import of ${paths.length} notes`);
            onClose();
          }}
          onClose={onClose}
        />
      );
  }
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
