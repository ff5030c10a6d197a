import { ChevronLeft, ChevronRight } from 'lucide-react';
import { type KeyboardEvent, useMemo, useRef, useState } from 'react';
import { type Day, addMonths, civilFrom, isoWeekOf, startOfWeek } from '../../../core/calendar/day';
import { MONTH_NAMES, weekdayName, monthTitle } from '../../../core/calendar/day-name';
import { monthRange, sheetOf } from '../../../core/gather/forms/sheet';
import { useNow } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { ListFooter } from '../list/ListFooter';
import type { FormProps } from '../list/form-props';
import { useListActions } from '../list/use-list-actions';
import { rowIdAt } from '../rows/list-focus';
import { RowPicking } from '../rows/picking/row-picking';
import { Week } from './Week';
import { useSheetMoves } from './use-sheet-moves';
import { useTimed } from './use-timed';

/** How many weeks a sheet of weeks shows. */
const WEEKS = 4;

/** A gather as a sheet of days: a month, or some weeks; what is due and what is planned told apart, and appointments with them. */
export function GatherSheet({ answer, writing, showAll }: FormProps) {
  const { day: today } = useNow();
  const first = useAppSelector((state) => state.settings.firstDayOfWeek);
  const isMonth = answer.form?.is === 'month';
  /** How many months, or weeks, on from today's. */
  const [on, setOn] = useState(0);
  const sheet = useRef<HTMLDivElement>(null);
  const shown = isMonth ? addMonths(today, on) : startOfWeek(today, first) + 7 * on;
  const range = useMemo(() => (isMonth ? monthRange(shown, first) : { from: shown, to: shown + 7 * WEEKS - 1 }), [isMonth, shown, first]);
  const rows = useMemo(
    () => [...new Map(answer.groups.flatMap((group) => group.rows.map((row) => [row.id, row] as const))).values()],
    [answer],
  );
  const weeks = useMemo(() => sheetOf(rows, range), [rows, range]);
  const timed = useTimed(range);
  const held = useMemo(() => ({ groups: answer.groups, hold: () => undefined }), [answer]);
  const { onAct, pick, list } = useListActions(sheet, held, rows);
  const moves = useSheetMoves(onAct);
  const onKeyDown = (event: KeyboardEvent): void => {
    const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    const row = rows.find(({ id }) => id === rowIdAt(event.target));
    const entry = event.target instanceof Element ? event.target.closest<HTMLElement>('[data-entry]') : null;
    if (by === undefined || !row || !entry || event.ctrlKey || event.metaKey || event.altKey) return list.onKeyDown(event);
    event.preventDefault();
    event.stopPropagation();
    if (event.shiftKey) moves.byDays(row, entry.dataset['entry'] ?? 'plan', by);
    else focusBeside(sheet.current, entry, by);
  };
  const undated = rows.filter(({ due, plan }) => !due && !plan).length;
  return (
    <RowPicking value={pick}>
      <div className="mb-1 flex items-center gap-1">
        <strong className="font-title text-[1.05rem]">
          {isMonth ? monthTitle(shown) : `${dayWords(range.from)} to ${dayWords(range.to)}`}
        </strong>
        <span className="no-print ms-auto flex">
          <button
            type="button"
            className="quiet-button"
            aria-label={isMonth ? 'The month before' : 'The week before'}
            onClick={() => setOn(on - 1)}
          >
            <ChevronLeft size={16} aria-hidden="true" />
          </button>
          <button type="button" className="quiet-button text-[0.86rem]" disabled={on === 0} onClick={() => setOn(0)}>
            Today
          </button>
          <button
            type="button"
            className="quiet-button"
            aria-label={isMonth ? 'The month after' : 'The week after'}
            onClick={() => setOn(on + 1)}
          >
            <ChevronRight size={16} aria-hidden="true" />
          </button>
        </span>
      </div>
      <div className="relative overflow-x-auto">
        <div ref={sheet} {...list} onKeyDown={onKeyDown} className="min-w-[42rem] border-t border-line">
          <div className="grid grid-cols-[2rem_repeat(7,minmax(0,1fr))] text-[0.8rem] font-semibold text-muted">
            <span />
            {Array.from({ length: 7 }, (_, index) => (
              <span key={index} className="px-1.5 py-1">
                {weekdayName(range.from + index)}
              </span>
            ))}
          </div>
          {weeks.map((week) => (
            <Week
              key={week.first}
              week={week}
              number={isoWeekOf(week.first + 3).week}
              month={isMonth ? civilFrom(shown).month : null}
              timed={timed}
              writing={writing}
              moves={moves}
              onAct={onAct}
            />
          ))}
        </div>
      </div>
      {undated > 0 && (
        <p className="mt-1 text-[0.82rem] text-muted">
          {undated} {undated === 1 ? 'has no day and is' : 'have no day and are'} not on the sheet
        </p>
      )}
      <ListFooter answer={answer} showAll={showAll} />
    </RowPicking>
  );
}

const dayWords = (day: Day): string => `${civilFrom(day).day} ${MONTH_NAMES[civilFrom(day).month - 1] ?? ''}`;

/** Looks at what stands on the nearest day to a side that holds anything. */
function focusBeside(sheet: HTMLElement | null, entry: HTMLElement, side: number): void {
  const days = [...(sheet?.querySelectorAll<HTMLElement>('[data-day-cell]') ?? [])];
  const here = entry.closest<HTMLElement>('[data-day-cell]');
  const at = here ? days.indexOf(here) : -1;
  const others = side === 1 ? days.slice(at + 1) : days.slice(0, Math.max(0, at)).reverse();
  others.flatMap((day) => [...day.querySelectorAll<HTMLElement>('.task-mark, .row-focus')].slice(0, 1))[0]?.focus();
}
