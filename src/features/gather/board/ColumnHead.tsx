import type { BoardColumn } from '../../../core/gather/forms/board';
import type { GroupKeyName } from '../../../core/gather/language/ast';
import { dropWords } from '../../../core/gather/writing/drop-on-column';
import type { RowView } from '../../../core/index/live/view';
import { durationName } from '../../../core/calendar/duration';
import { MoreMenu } from '../../../ui/menu/MoreMenu';
import { BY_TOUCH } from '../../../ui/input/by-touch';
import { MenuCheck, MenuEntry } from '../../../ui/menu/menu';
import { useServices } from '../../session/state/services';

/** What is dragged when it is a column. */
export const COLUMN_TYPE = 'application/x-recado-column';

export interface ColumnHeadProps {
  by: GroupKeyName;
  column: BoardColumn<RowView>;
  level: 'h3' | 'h4';
  isFolded: boolean;
  onFold: () => void;
  /** Puts the column a place further to one side; null where there is none, or where it stays. */
  onMove: { back: (() => void) | null; on: (() => void) | null };
  /** Whether it is dragged now, by which it is put before another; null where it stays. */
  onDrag: ((isHeld: boolean) => void) | null;
  /** Whether the cards of the board show their boxes, and how that is changed. */
  boxes: { shown: boolean; onChange: (shown: boolean) => void };
}

/** What a column is called, how much it holds, and what a drop into it does. */
export function ColumnHead({ by, column, level: Level, isFolded, onFold, onMove, onDrag, boxes }: ColumnHeadProps) {
  const { changeSettings } = useServices();
  const { label } = column;
  const sums = [countOf(column), column.takes > 0 ? durationName(column.takes) : ''].filter((part) => part !== '');
  return (
    <div
      className="border-b-2 border-edge px-1 pb-1.5"
      draggable={onDrag !== null && !BY_TOUCH}
      onDragStart={(event) => {
        event.stopPropagation();
        event.dataTransfer.setData(COLUMN_TYPE, '1');
        event.dataTransfer.effectAllowed = 'move';
        onDrag?.(true);
      }}
      onDragEnd={() => onDrag?.(false)}
    >
      <div className="flex items-center gap-1">
        <Level className="min-w-0 flex-1 font-title text-[1.05rem] font-semibold [overflow-wrap:anywhere]">
          <button type="button" aria-expanded={!isFolded} className="min-h-[25px] rounded-md text-start hover:underline" onClick={onFold}>
            {label} <span className="inline-block font-sans text-[0.84rem] font-semibold text-muted">{sums.join(' · ')}</span>
          </button>
        </Level>
        <MoreMenu label={`Actions for the column ${label}`} small>
          <MenuEntry label={isFolded ? 'Unfold it' : 'Fold it'} onSelect={onFold} />
          {onMove.back && <MenuEntry label="A place to the left" onSelect={onMove.back} />}
          {onMove.on && <MenuEntry label="A place to the right" onSelect={onMove.on} />}
          {by === 'heading' && column.key !== null && !column.finished && (
            <MenuEntry label="Finished lines go here" onSelect={() => void changeSettings({ finishedHeading: label })} />
          )}
          <MenuCheck label="Cards show their boxes" checked={boxes.shown} onChange={boxes.onChange} />
        </MoreMenu>
      </div>
      <p className="no-print text-[0.8rem] text-muted">{dropWords(by, column)}</p>
    </div>
  );
}

const countOf = ({ count, more, cards }: BoardColumn<RowView>): string =>
  more > 0 ? `the last ${cards.length} of ${count}` : String(count);
