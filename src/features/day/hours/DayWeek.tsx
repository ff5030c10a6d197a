import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { type Day, civilFrom, isoWeekName, isoWeekOf, startOfWeek } from '../../../core/calendar/day';
import { weekdayName } from '../../../core/calendar/day-name';
import { durationName } from '../../../core/calendar/duration';
import { takenBy } from '../../../core/day/hours/taken';
import { hoursOf, workingStretch } from '../../../core/day/hours/hours';
import { layHours, overlapCount } from '../../../core/day/hours/hours-layout';
import type { PlanItem } from '../../../core/index/days/day-plan';
import { dayAddress } from '../../session/places/addresses';
import { useNow } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { sumsOf } from '../plan/day-sums';
import { useDayPlans } from '../use-day-plan';
import { useSideIds } from '../use-side-ids';
import { HoursGrid } from './HoursGrid';
import { HoursHeight, pixelsAMinute } from './HoursHeight';
import { notCancelled } from './HoursPanel';
import { Waiting } from './Waiting';

/** The week in which a day lies, by its hours: seven columns, above each what it holds against what it can. */
export function DayWeek({ day }: { day: Day }) {
  const settings = useAppSelector((state) => state.settings);
  const first = startOfWeek(day, settings.firstDayOfWeek);
  const plans = useDayPlans(first, 7);
  const ids = useSideIds(first, first + 6);
  const [step, setStep] = useState(1);
  const days = useMemo(
    () => plans?.map(({ items }, index) => ({ day: first + index, items: notCancelled(items) })) ?? null,
    [plans, first],
  );
  if (!days) return <p className="text-muted">Looking at the week…</p>;
  const overlap = days.reduce((sum, one) => sum + overlapCount(layHours(one.items, workingStretch(one.day, settings))), 0);
  return (
    <section aria-label="The week by its hours">
      <div className="mt-2 mb-1 flex items-center justify-between gap-2 text-[0.86rem] text-muted">
        <span>
          {isoWeekName(isoWeekOf(first + 3))}
          {overlap > 0 && ` · ${overlap} things overlap`}
        </span>
        <HoursHeight step={step} onStep={setStep} />
      </div>
      <div className="relative overflow-x-auto">
        <div className="min-w-[46rem]">
          <div className="flex ps-12">
            {days.map((one) => (
              <WeekDay key={one.day} {...one} isShown={one.day === day} />
            ))}
          </div>
          <HoursGrid key={first} days={days} pixelsAMinute={pixelsAMinute(step)} ids={ids} />
          <div className="mt-2 flex ps-12 text-[0.84rem]">
            {days.map((one) => (
              <div key={one.day} className="min-w-0 flex-1 px-1.5">
                <Waiting items={one.items} label={`${weekdayName(one.day)}, without a time`} isNarrow />
              </div>
            ))}
          </div>
        </div>
      </div>
      <p className="no-print mt-3 text-[0.84rem] text-muted">
        Below each day waits what has no time. Drag to the quarter of an hour and to another day, or use the arrows; with Shift the length
        changes. Drag over free hours to write an appointment or a meeting.
      </p>
    </section>
  );
}

interface WeekDayProps {
  day: Day;
  items: readonly PlanItem[];
  isShown: boolean;
}

/** The head of a day in its week: what is chosen for it against its hours, hatched where that is too much. */
function WeekDay({ day, items, isShown }: WeekDayProps) {
  const { day: today } = useNow();
  const settings = useAppSelector((state) => state.settings);
  const { chosen } = sumsOf(items);
  const hours = hoursOf(day, takenBy(items), settings);
  const over = chosen - hours;
  const loads = hours > 0 ? `${durationName(chosen)} of ${durationName(hours)}` : 'free';
  return (
    <Link
      to={dayAddress(day, 'plan')}
      aria-current={isShown ? 'date' : undefined}
      className={`min-w-0 flex-1 rounded-t-md border-t-[3px] px-1.5 pt-1 pb-1.5 hover:bg-raised ${day === today ? 'border-sun' : 'border-transparent'} ${
        isShown ? 'bg-raised' : ''
      }`}
    >
      <span className="block truncate font-semibold">
        {weekdayName(day)} <span className="tabular-nums">{civilFrom(day).day}</span>
      </span>
      <span aria-hidden="true" className="my-1 flex h-[5px] overflow-hidden rounded-[2px] bg-raised">
        <span
          className={over > 0 ? '' : 'bg-primary'}
          style={{
            width: `${Math.min(100, (100 * chosen) / Math.max(hours, chosen, 1))}%`,
            background: over > 0 ? 'repeating-linear-gradient(135deg, var(--ink) 0 2px, transparent 2px 5px)' : undefined,
          }}
        />
      </span>
      <span className={`block truncate text-[0.78rem] ${over > 0 ? 'font-semibold text-late' : 'text-muted'}`}>
        {over > 0 ? `${durationName(over)} too much` : loads}
      </span>
    </Link>
  );
}
