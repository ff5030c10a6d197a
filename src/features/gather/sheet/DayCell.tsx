import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { type Day, civilFrom, isoDay } from '../../../core/calendar/day';
import { MONTH_NAMES, dayTitle } from '../../../core/calendar/day-name';
import { timeName } from '../../../core/calendar/span';
import { NO_FIGURES } from '../../../core/day/plan/day-figures';
import { hoursOf } from '../../../core/day/hours/hours';
import type { SheetEntry } from '../../../core/gather/forms/sheet';
import { columnGather } from '../../../core/gather/writing/column-gather';
import type { RowView } from '../../../core/index/live/view';
import { PlannedBar } from '../../day/row/DayBars';
import { dayAddress, noteAddress } from '../../session/places/addresses';
import { useNow } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { plainWords } from '../../frame/strip/plain-words';
import type { FormProps } from '../list/form-props';
import { NewTaskLine } from '../list/NewTaskLine';
import type { ActOnRow } from '../list/use-list-actions';
import { useTaskDrop } from '../rows/use-task-drop';
import { Entry } from './Entry';
import type { SheetMoves } from './use-sheet-moves';
import type { TimedDays } from './use-timed';

interface DayCellProps {
  day: Day;
  entries: readonly SheetEntry<RowView>[];
  month: number | null;
  timed: TimedDays;
  /** How many lines of bars lie over it. */
  lanes: number;
  /** The bars of its week that are not drawn; null on the other days. */
  hidden: { count: number; show: () => void } | null;
  writing: FormProps['writing'];
  moves: SheetMoves;
  onAct: ActOnRow;
}

/** So many things stand on a day; the others are counted, and shown at a press. */
const MOST = 4;
const MORE = 'min-h-[25px] rounded-md px-1 text-[0.8rem] font-semibold text-muted hover:underline';

/** A day of a sheet: its number, how full it is, its appointments, and what is due or planned. */
export function DayCell({ day, entries, month, timed, lanes, hidden, writing, moves, onAct }: DayCellProps) {
  const { day: today } = useNow();
  const settings = useAppSelector((state) => state.settings);
  const [isWhole, setIsWhole] = useState(false);
  const appointments = timed.appointments.get(day) ?? [];
  const figures = timed.figures.get(day) ?? NO_FIGURES;
  const shown = isWhole ? entries : entries.slice(0, Math.max(1, MOST - appointments.length));
  const more = entries.length - shown.length;
  const isOutside = month !== null && civilFrom(day).month !== month;
  const gather = useMemo(
    () => writing && columnGather(writing.gather, 'day', { group: isoDay(day), label: '', finished: false }),
    [writing, day],
  );
  const { isOver, handlers } = useTaskDrop(({ tasks }) => moves.drop(tasks, day));
  return (
    <div
      data-day-cell
      role="group"
      aria-label={dayTitle(day)}
      className={`group/cell min-h-24 min-w-0 border-s border-line px-0.5 pb-1 ${isOutside ? 'bg-raised' : ''} ${
        isOver ? 'outline-2 -outline-offset-2 outline-primary outline-dashed' : ''
      }`}
      {...handlers}
    >
      <div className="flex h-[1.9rem] items-center gap-1 px-1">
        <Link
          to={dayAddress(day, 'plan')}
          className={`min-w-[25px] rounded-md px-1 text-center text-[0.86rem] tabular-nums hover:underline ${
            day === today ? 'bg-sun font-bold text-[#14242b]' : isOutside ? 'text-muted' : 'font-semibold'
          }`}
        >
          {civilFrom(day).day}
          {civilFrom(day).day === 1 && ` ${MONTH_NAMES[civilFrom(day).month - 1] ?? ''}`}
        </Link>
        {day >= today && figures.minutes > 0 && (
          <span className="min-w-0 flex-1">
            <PlannedBar minutes={figures.minutes} available={figures.hours ?? hoursOf(day, [], settings)} />
          </span>
        )}
      </div>
      <div style={{ height: `${lanes * 1.8}rem` }} />
      {appointments.map(({ path, line, text, start }) => (
        <Link
          key={`${path}:${line}`}
          to={noteAddress(path, line ?? undefined)}
          className="mb-0.5 block min-h-[25px] truncate rounded-md border border-edge px-1 text-[0.8rem] leading-[1.6rem] hover:underline"
        >
          {start !== null && <span className="text-muted tabular-nums">{timeName(start)} </span>}
          {plainWords(text)}
        </Link>
      ))}
      <ul>
        {shown.map((entry) => (
          <Entry key={`${entry.row.key} ${entry.is}`} entry={entry} isBar={false} moves={moves} onAct={onAct} />
        ))}
      </ul>
      {(more > 0 || isWhole) && (
        <button type="button" className={MORE} onClick={() => setIsWhole(!isWhole)}>
          {isWhole ? 'fewer' : `${more} more`}
        </button>
      )}
      {hidden && (
        <button type="button" className={MORE} onClick={hidden.show}>
          {hidden.count} longer {hidden.count === 1 ? 'plan' : 'plans'}
        </button>
      )}
      {gather && writing && (
        // By touch one writes on the page of the day, which its number leads to.
        <div className="opacity-0 group-focus-within/cell:opacity-100 group-hover/cell:opacity-100 pointer-coarse:hidden">
          <NewTaskLine gather={gather} at={writing.at} written={writing.written} label="Write" day={day} />
        </div>
      )}
    </div>
  );
}
