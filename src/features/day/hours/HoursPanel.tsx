import { useMemo, useState } from 'react';
import { Link, useLocation } from 'react-router';
import { readIsoDay } from '../../../core/calendar/day';
import { dayName } from '../../../core/calendar/day-name';
import { workingStretch } from '../../../core/day/hours/hours';
import { layHours, overlapCount } from '../../../core/day/hours/hours-layout';
import type { PlanItem } from '../../../core/index/days/day-plan';
import { isOpen } from '../../../core/task/line/status';
import { dayAddress } from '../../session/places/addresses';
import { restOf } from '../../session/places/routes';
import { useNow } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { useDayPlan } from '../use-day-plan';
import { useSideIds } from '../use-side-ids';
import { HoursGrid } from './HoursGrid';
import { HoursHeight, USUAL_STEP, pixelsAMinute } from './HoursHeight';
import { Waiting } from './Waiting';

/** What is drawn among the hours. */
export const notCancelled = (items: readonly PlanItem[]): PlanItem[] => items.filter(({ status }) => status !== 'cancelled');

/** The hours of the day on the page, else of today. */
export function HoursPanel() {
  const { day: today } = useNow();
  const { pathname } = useLocation();
  const day = readIsoDay(restOf('day', pathname) ?? '') ?? today;
  const shown = useDayPlan(day);
  const ids = useSideIds(day);
  const settings = useAppSelector((state) => state.settings);
  const [step, setStep] = useState(USUAL_STEP);
  const days = useMemo(() => (shown ? [{ day, items: notCancelled(shown.items) }] : []), [day, shown]);
  const [one] = days;
  if (!one) return <p className="text-muted">Looking at the day…</p>;
  const overlap = overlapCount(layHours(one.items, workingStretch(day, settings)));
  const hasWaiting = one.items.some(({ row, start }) => row && start === null && isOpen(row.status));
  return (
    <>
      <div className="mb-2 flex items-center justify-between gap-2 text-[0.86rem] text-muted">
        <span>
          {dayName(day, today, settings.dateStyle)}
          {overlap > 0 && ` · ${overlap} things overlap`}
        </span>
        <span className="flex items-center">
          <Link className="quiet-button" to={dayAddress(day, 'week')}>
            Week
          </Link>
          <HoursHeight step={step} onStep={setStep} />
        </span>
      </div>
      <HoursGrid key={day} days={days} pixelsAMinute={pixelsAMinute(step)} ids={ids} />
      {hasWaiting && (
        <section className="mt-3" aria-label="Without a time">
          <h3 className="section-label">Without a time</h3>
          <Waiting items={one.items} label="Without a time" />
        </section>
      )}
      <p className="mt-2 text-[0.84rem] text-muted">
        Drag to the quarter of an hour, or use ↑ and ↓; with Shift the length changes. Drag over free hours to write an appointment or a
        meeting.
      </p>
    </>
  );
}
