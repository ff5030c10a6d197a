import type { ImportReport } from '../../../store/notes/import/import-notes';
import { counted } from '../../session/acting/use-act';
import { Listed } from './Listed';

interface BringInReportProps {
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
export function BringInReport({ report, onUseSettings, onTakeBack, onClose }: BringInReportProps) {
  const { added, beside, same, asBytes, left, longer } = report;
  const came = added.length + beside.length + longer.length;
  return (
    <div className="grid grid-cols-1 gap-3" data-testid="import-report">
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
      <Listed
        lines={beside.map((one) => one.path)}
        one="note had a path that another text has, and stands beside it under a number"
        many="notes had a path that another text has, and stand beside it under a number"
      />
      <Listed
        lines={longer}
        one="note was here already, and has more lines at its end"
        many="notes were here already, and have more lines at their end"
      />
      <Listed lines={same} one="note is here already, just so" many="notes are here already, just so" />
      <Listed
        lines={asBytes}
        one="file is no UTF-8 text: kept as bytes, read-only"
        many="files are no UTF-8 text: kept as bytes, read-only"
      />
      <Listed lines={left.map(({ path, reason }) => `${path}: ${reason}`)} one="file did not come in" many="files did not come in" />
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
