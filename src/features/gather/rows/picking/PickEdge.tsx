import { useContext } from 'react';
import type { RowView } from '../../../../core/index/live/view';
import { RowPicking } from './row-picking';

/** The left edge of a row, which selects it at a press; with Shift all rows from the last one on. By key the command does it. */
export function PickEdge({ row, selected }: { row: RowView; selected: boolean }) {
  const pick = useContext(RowPicking);
  return (
    <button
      type="button"
      aria-pressed={selected}
      tabIndex={-1}
      aria-label={`Select ${row.text}`}
      title={selected ? 'Leave it out' : 'Select it; with Shift all from the last one on'}
      className="row-pick no-print"
      onClick={(event) => {
        event.stopPropagation();
        pick(row, event.shiftKey);
      }}
    />
  );
}
