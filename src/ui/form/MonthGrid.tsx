import { ChevronLeft, ChevronRight } from 'lucide-react';
import { type KeyboardEvent, type ReactNode, useRef, useState } from 'react';
import { type Day, type Weekday, addMonths, civilFrom, endOfMonth, isoDay, startOfMonth, startOfWeek } from '../../core/calendar/day';
import { dayTitle, weekdayName, monthTitle } from '../../core/calendar/day-name';

interface MonthGridProps {
  today: Day;
  /** The day that is marked; null for none. */
  chosen: Day | null;
  firstDayOfWeek: Weekday;
  onChoose: (day: Day) => void;
  /** What else a day shows below its number, and how that is said; the days are wider then. */
  more?: (day: Day) => { drawn: ReactNode; said: string };
}

const STEPS: Record<string, number> = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -7, ArrowDown: 7 };

/** A month to pick a day from: arrows go from day to day, also into the next month. */
export function MonthGrid({ today, chosen, firstDayOfWeek, onChoose, more }: MonthGridProps) {
  const [at, setAt] = useState(chosen ?? today);
  const grid = useRef<HTMLDivElement>(null);
  const first = startOfWeek(startOfMonth(at), firstDayOfWeek);
  const { month } = civilFrom(at);
  const weeks = Math.ceil((endOfMonth(at) - first + 1) / 7);
  const go = (day: Day): void => {
    setAt(day);
    requestAnimationFrame(() => grid.current?.querySelector<HTMLElement>(`[data-pick="${isoDay(day)}"]`)?.focus());
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const step = STEPS[event.key];
    const next =
      step !== undefined ? at + step : event.key === 'PageUp' ? addMonths(at, -1) : event.key === 'PageDown' ? addMonths(at, 1) : null;
    if (next === null) return;
    event.preventDefault();
    go(next);
  };
  return (
    <div className="w-fit" role="group" aria-label="Calendar">
      <div className="mb-1 flex items-center justify-between">
        <button type="button" className="quiet-button" aria-label="The month before" onClick={() => setAt(addMonths(at, -1))}>
          <ChevronLeft size={15} aria-hidden="true" />
        </button>
        <span className="font-semibold" aria-live="polite">
          {monthTitle(at)}
        </span>
        <button type="button" className="quiet-button" aria-label="The month after" onClick={() => setAt(addMonths(at, 1))}>
          <ChevronRight size={15} aria-hidden="true" />
        </button>
      </div>
      <div ref={grid} className="grid grid-cols-7 gap-0.5 text-center text-[0.86rem]" onKeyDown={onKeyDown}>
        {Array.from({ length: 7 }, (_, index) => (
          <span key={index} className={`${more ? 'w-13' : 'w-8'} text-muted`} aria-hidden="true">
            {weekdayName(first + index).slice(0, 2)}
          </span>
        ))}
        {Array.from({ length: weeks * 7 }, (_, index) => {
          const day = first + index;
          const civil = civilFrom(day);
          const look =
            day === chosen
              ? 'bg-primary font-bold text-on-primary'
              : day === today
                ? 'bg-sun-soft font-bold'
                : civil.month === month
                  ? ''
                  : 'text-muted';
          const shown = more?.(day);
          return (
            <button
              key={day}
              type="button"
              data-pick={isoDay(day)}
              tabIndex={day === at ? 0 : -1}
              aria-label={`${dayTitle(day)}${day === today ? ', today' : ''}${shown?.said ?? ''}`}
              aria-pressed={day === chosen}
              className={`${shown ? 'flex h-12 w-13 flex-col items-center justify-between py-1' : 'h-7 w-8'} rounded-md hover:bg-raised ${look}`}
              onClick={() => onChoose(day)}
            >
              {civil.day}
              {shown?.drawn}
            </button>
          );
        })}
      </div>
    </div>
  );
}
