import type { ReactNode } from 'react';
import type { ImportReport } from '../../store/notes/import-notes';
import { counted } from '../session/acting/use-act';

interface ImportReportViewProps {
  report: ImportReport;
  onUseSettings: () => void;
  onTakeBack: () => Promise<void>;
  onClose: () => void;
}

/** @example '1 note came in.' */
export function cameInWords({ added, beside }: Pick<ImportReport, 'added' | 'beside'>): string {
  return `${counted(added.length + beside.length, 'note')} came in.`;
}

/** What came in, what was here, and what did not come in and why. */
export function ImportReportView({ report, onUseSettings, onTakeBack, onClose }: ImportReportViewProps) {
  const { added, beside, same, asBytes, left } = report;
  const came = added.length + beside.length;
  return (
    <div className="grid gap-3" data-testid="import-report">
      <p role="status">
        <strong>{cameInWords(report)}</strong>
        {report.stopped && ' You stopped it there; the rest was not read.'}
      </p>
      {report.earlier > 0 && <p>{counted(report.earlier, 'earlier text')} came with them.</p>}
      {report.failed !== null && (
        <p role="alert" className="rounded-md bg-late-soft px-3 py-1.5 text-late">
          The rest could not be stored. {report.failed}
        </p>
      )}
      <Listed count={beside.length} words="had a path that another text has, and stand beside it under a number">
        {beside.map((one) => (
          <li key={one.path}>{one.path}</li>
        ))}
      </Listed>
      <Listed count={same.length} words="are here already, byte for byte">
        {same.map((path) => (
          <li key={path}>{path}</li>
        ))}
      </Listed>
      <Listed count={asBytes.length} words="are not UTF-8 text: kept as bytes, read-only">
        {asBytes.map((path) => (
          <li key={path}>{path}</li>
        ))}
      </Listed>
      <Listed count={left.length} words="did not come in">
        {left.map((one, index) => (
          <li key={index}>
            {one.path}: {one.reason}
          </li>
        ))}
      </Listed>
      <div className="flex flex-wrap gap-2">
        <button type="button" className="solid-button" autoFocus onClick={onClose}>
          Done
        </button>
        {report.settings !== null && (
          <button type="button" className="line-button" onClick={onUseSettings}>
            Use the settings that came with it
          </button>
        )}
        {report.step !== null && came > 0 && (
          <button type="button" className="line-button" onClick={() => void onTakeBack()}>
            Take the import back
          </button>
        )}
      </div>
    </div>
  );
}

function Listed({ count, words, children }: { count: number; words: string; children: ReactNode }) {
  if (count === 0) return null;
  return (
    <details open={count < 6}>
      <summary className="cursor-pointer">
        {count} {words}
      </summary>
      <ul className="ms-4 max-h-40 overflow-auto text-[0.9rem] text-muted [overflow-wrap:anywhere]">{children}</ul>
    </details>
  );
}
