import { type KeyboardEvent, memo, useEffect, useRef, useState } from 'react';
import { Link, useLocation } from 'react-router';
import { type Day, civilFrom, weekdayOf, isoDay } from '../../../core/calendar/day';
import { MONTH_NAMES, dayTitle, weekdayName } from '../../../core/calendar/day-name';
import { durationName } from '../../../core/calendar/duration';
import { NO_FIGURES, type DayFigures } from '../../../core/day/plan/day-figures';
import { DueEdges, KeptBar, PlannedBar } from './DayBars';
import { DayDrop } from './DayDrop';
import { onDrag } from './on-drag';
import { plainWords } from '../../frame/strip/plain-words';
import { handWords, useHand } from '../../frame/strip/use-hand';
import { useHours } from './use-hours';
import { dayAddress } from '../../session/places/addresses';
import { useNow } from '../../session/state/services';
import { frameSlice } from '../../session/state/frame-slice';
import { useAppDispatch, useAppSelector } from '../../session/state/state';
import { late } from '../../../ui/late';

const DayCards = late(() => import('./DayCards').then((part) => part.DayCards));

const PAST = 5;
/** In rem, with the gap behind it. */
const DAY_WIDTH = 3.9;
const TODAY_WIDTH = 10.4;

/** How many pixels a length of so many rem comes to now. */
const pixels = (rem: number): number => rem * Number.parseFloat(getComputedStyle(document.documentElement).fontSize);

/** The row of days across the top: what was kept, what is on, what comes. The wheel, keys and buttons move it. */
export const DayRow = memo(function DayRow() {
  const { day: today } = useNow();
  const [shift, setShift] = useState(0);
  // The cards of the days are loaded when somebody comes near.
  const [near, setNear] = useState(false);
  const row = useRef<HTMLDivElement>(null);
  const [count, setCount] = useState(16);
  useEffect(() => {
    const element = row.current;
    if (!element) return;
    // Today takes the room of nearly three days; all of them grow with the text.
    const measure = (): void => {
      setCount(Math.max(3, Math.floor((element.clientWidth - pixels(TODAY_WIDTH)) / (pixels(DAY_WIDTH) + 2)) + 1));
    };
    const watcher = new ResizeObserver(measure);
    watcher.observe(element);
    const wheel = (event: WheelEvent): void => {
      event.preventDefault();
      setShift((present) => present + Math.sign(event.deltaY || event.deltaX));
    };
    element.addEventListener('wheel', wheel, { passive: false });
    const stopDragging = onDrag(
      element,
      () => pixels(DAY_WIDTH),
      (days) => setShift((present) => present + days),
    );
    return () => {
      watcher.disconnect();
      element.removeEventListener('wheel', wheel);
      stopDragging();
    };
  }, []);
  const past = count < 8 ? 1 : PAST;
  const days = Array.from({ length: count }, (_, index) => today - past + shift + index);
  return (
    <>
      <div
        ref={row}
        className="flex min-w-0 flex-1 touch-pan-y items-stretch gap-[3px] overflow-hidden"
        role="group"
        aria-label="Days"
        onPointerOver={() => setNear(true)}
        onFocus={() => setNear(true)}
        onKeyDown={(event) => moveByArrow(event, setShift)}
      >
        {days.map((day) => (
          <DayCell key={day} day={day} today={today} />
        ))}
        {shift !== 0 && (
          <button type="button" className="quiet-button ms-auto self-center" onClick={() => setShift(0)}>
            Back to today
          </button>
        )}
      </div>
      {near && <DayCards row={row} />}
    </>
  );
});

/** Left and right go from day to day; beyond the last one the row moves. */
function moveByArrow(event: KeyboardEvent<HTMLElement>, setShift: (change: (shift: number) => number) => void): void {
  const step = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
  if (step === 0 || !(event.target instanceof HTMLElement)) return;
  event.preventDefault();
  const cells = [...event.currentTarget.querySelectorAll<HTMLElement>('a')];
  const next = cells[cells.indexOf(event.target) + step];
  if (next) next.focus();
  else setShift((shift) => shift + step);
}

function DayCell({ day, today }: { day: Day; today: Day }) {
  const counts = useAppSelector((state) => state.library.overview?.days[day]) ?? NO_FIGURES;
  const isWorking = useAppSelector((state) => (state.settings.workingHours[weekdayOf(day) - 1] ?? 0) > 0);
  const available = useHours(day);
  const { pathname } = useLocation();
  const active = pathname === dayAddress(day);
  const { day: date, month } = civilFrom(day);
  const isToday = day === today;
  const name = `${dayTitle(day)}${isToday ? ', today' : ''}${counts.due > 0 ? `, ${counts.due} due` : ''}${counts.minutes > 0 ? `, ${durationName(counts.minutes)} planned` : ''}`;
  if (isToday) return <TodayCell name={name} day={day} active={active} counts={counts} available={available} />;
  return (
    <Link
      to={dayAddress(day)}
      aria-label={name}
      aria-current={active ? 'page' : undefined}
      data-day={isoDay(day)}
      className={`relative flex w-[3.72rem] flex-none flex-col justify-between rounded-t-lg px-[7px] pt-2 pb-1 hover:bg-raised ${isWorking ? '' : 'bg-weekend'} ${active ? 'bg-sheet' : ''}`}
    >
      <span className="flex items-start justify-between leading-[1.05]">
        <span>
          <span className="block text-[0.79rem] text-muted">{weekdayName(day)}</span>
          <span className="block font-title text-[1.1rem] font-semibold">{date}</span>
        </span>
        {date === 1 && <span className="text-[0.7rem] text-muted">{MONTH_NAMES[month - 1]}</span>}
      </span>
      {day > today && <DueEdges count={counts.due} />}
      {day < today ? <KeptBar counts={counts} /> : <PlannedBar minutes={counts.minutes} available={available} />}
      <DayDrop day={day} />
    </Link>
  );
}

interface TodayCellProps {
  name: string;
  day: Day;
  active: boolean;
  counts: DayFigures;
  available: number;
}

function TodayCell({ name, day, active, counts, available }: TodayCellProps) {
  const { minute } = useNow();
  const dispatch = useAppDispatch();
  const { day: date, month } = civilFrom(day);
  const now = useHand()?.now ?? null;
  const words = now && handWords(now, minute);
  return (
    <div
      data-day={isoDay(day)}
      className="relative flex w-[10.2rem] flex-none flex-col justify-between rounded-t-lg border-t-[3px] max-sm:w-auto max-sm:min-w-0 max-sm:flex-1 border-sun bg-sheet px-[7px] pt-0.5 pb-1"
    >
      <span className="leading-tight">
        <button
          type="button"
          title="The month of journal pages"
          className="relative z-10 -mx-1 -my-px block min-h-[25px] max-w-full truncate rounded-md px-1 font-title text-[1.24rem] leading-tight font-semibold hover:bg-raised"
          onClick={() => dispatch(frameSlice.actions.dialogShown({ is: 'month', day }))}
        >
          {weekdayName(day)} {date} {MONTH_NAMES[month - 1]}
        </button>
        <span className="block truncate text-[0.76rem]">
          {now
            ? `${words?.until == null ? '' : `until ${words.until} · `}${plainWords(now.item.text)}`
            : counts.due > 0
              ? `${counts.due} due today`
              : 'nothing due today'}
        </span>
      </span>
      <PlannedBar minutes={counts.minutes} available={available} />
      <Link to={dayAddress(day)} aria-label={name} aria-current={active ? 'page' : 'date'} className="absolute inset-0 rounded-t-lg" />
      <DayDrop day={day} />
    </div>
  );
}
