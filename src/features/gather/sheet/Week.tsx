import { useState } from 'react';
import type { SheetWeek } from '../../../core/gather/forms/sheet';
import type { RowView } from '../../../core/index/live/view';
import type { FormProps } from '../list/form-props';
import type { ActOnRow } from '../list/use-list-actions';
import { DayCell } from './DayCell';
import { Entry } from './Entry';
import type { SheetMoves } from './use-sheet-moves';
import type { TimedDays } from './use-timed';

interface WeekProps {
  week: SheetWeek<RowView>;
  /** Its ISO number. */
  number: number;
  /** The month whose days stand out, from 1; null for all. */
  month: number | null;
  timed: TimedDays;
  writing: FormProps['writing'];
  moves: SheetMoves;
  onAct: ActOnRow;
}

/** So many lines of bars are drawn; the rest is counted, and drawn at a press. */
const MOST_LANES = 3;

/** A week of a sheet: its number, plans of several days as bars, and its days. */
export function Week({ week, number, month, timed, writing, moves, onAct }: WeekProps) {
  const [isWhole, setIsWhole] = useState(false);
  const bars = isWhole ? week.bars : week.bars.filter(({ lane }) => lane < MOST_LANES);
  const hidden = week.bars.length - bars.length;
  return (
    <div className="grid grid-cols-[2rem_repeat(7,minmax(0,1fr))] border-t border-line">
      <span className="pt-1.5 text-[0.74rem] text-muted tabular-nums" title={`Week ${number}`}>
        {number}
      </span>
      <div className="relative col-span-7 grid grid-cols-7">
        {week.days.map(({ day, entries }) => (
          <DayCell
            key={day}
            day={day}
            entries={entries}
            month={month}
            timed={timed}
            lanes={Math.max(0, ...bars.filter(({ from, to }) => from <= day && to >= day).map(({ lane }) => lane + 1))}
            hidden={hidden > 0 && day === week.first ? { count: hidden, show: () => setIsWhole(true) } : null}
            writing={writing}
            moves={moves}
            onAct={onAct}
          />
        ))}
        {bars.map(({ entry, from, to, lane }) => (
          <div
            key={`${entry.row.key} ${from}`}
            data-day-cell
            className="absolute px-0.5"
            style={{
              insetInlineStart: `${((from - week.first) * 100) / 7}%`,
              width: `${((to - from + 1) * 100) / 7}%`,
              top: `${1.9 + lane * 1.8}rem`,
            }}
          >
            <ul>
              <Entry entry={entry} isBar moves={moves} onAct={onAct} />
            </ul>
          </div>
        ))}
      </div>
    </div>
  );
}
