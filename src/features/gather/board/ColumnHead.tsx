import type { BoardColumn } from '../../../core/gather/answer/board';
import type { GroupKeyName } from '../../../core/gather/language/ast';
import { dropWords } from '../../../core/gather/writing/drop-on-column';
import type { RowView } from '../../../core/index/live/view';
import { durationName } from '../../../core/calendar/duration';
import { MoreMenu } from '../../../ui/MoreMenu';
import { MenuEntry } from '../../../ui/menu';

interface ColumnHeadProps {
  by: GroupKeyName;
  column: BoardColumn<RowView>;
  level: 'h3' | 'h4';
  isFolded: boolean;
  onFold: () => void;
  /** Puts the column a place further to one side; null where there is none, or where it stays. */
  onMove: { back: (() => void) | null; on: (() => void) | null };
}

/** What a column is called, how much it holds, and what a drop into it does. */
export function ColumnHead({ by, column, level: Level, isFolded, onFold, onMove }: ColumnHeadProps) {
  const { label } = column;
  const sums = [countOf(column), column.takes > 0 ? durationName(column.takes) : ''].filter((part) => part !== '');
  return (
    <div className="border-b-2 border-edge px-1 pb-1.5">
      <div className="flex items-center gap-1">
        <Level className="min-w-0 flex-1 font-title text-[1.05rem] font-semibold [overflow-wrap:anywhere]">
          <button type="button" aria-expanded={!isFolded} className="min-h-[25px] rounded-md text-start hover:underline" onClick={onFold}>
            {label} <span className="font-sans text-[0.84rem] font-semibold text-muted">{sums.join(' · ')}</span>
          </button>
        </Level>
        <MoreMenu label={`Actions for the column ${label}`} small>
          <MenuEntry label={isFolded ? 'Unfold it' : 'Fold it'} onSelect={onFold} />
          {onMove.back && <MenuEntry label="A place to the left" onSelect={onMove.back} />}
          {onMove.on && <MenuEntry label="A place to the right" onSelect={onMove.on} />}
        </MoreMenu>
      </div>
      <p className="text-[0.8rem] text-muted">{dropWords(by, column)}</p>
    </div>
  );
}

const countOf = ({ count, more, cards }: BoardColumn<RowView>): string =>
  more > 0 ? `the last ${cards.length} of ${count}` : String(count);
