import { useState } from 'react';
import { type Day } from '../../../core/calendar/day';
import { dayName } from '../../../core/calendar/day-name';
import { durationName } from '../../../core/calendar/duration';
import { takenBy } from '../../../core/day/hours/taken';
import { hoursOf, workingStretch } from '../../../core/day/hours/hours';
import type { PlanItem } from '../../../core/index/days/day-plan';
import { useHours } from '../row/use-hours';
import { useNow } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { WhatCouldMove } from './WhatCouldMove';
import { firstOverload, sumsOf } from './day-sums';
import { useFit } from '../use-day-plan';

interface DayBarProps {
  day: Day;
  items: readonly PlanItem[];
}

/** `5 of 7 kept, 3h 20 of 5h · `: of a day that is past, and of today once something of it is done. */
function KeptWords({ day, items }: DayBarProps) {
  const { day: today } = useNow();
  const figures = useAppSelector((state) => state.library.overview?.days[day]);
  const { doneMinutes, allMinutes } = sumsOf(items);
  if (!figures || figures.planned === 0 || day > today || (day === today && figures.kept === 0)) return null;
  if (figures.excused !== null) return <span className="text-muted">Excused · </span>;
  return (
    <>
      <strong>
        {figures.kept} of {figures.planned}
      </strong>{' '}
      kept{allMinutes > 0 && `, ${durationName(doneMinutes)} of ${durationName(allMinutes)}`} ·{' '}
    </>
  );
}

/** What is chosen for a day against its hours, as one bar and in a sentence; and until when more is due than there is time for. */
export function DayBar({ day, items }: DayBarProps) {
  const fit = useFit();
  const { day: today } = useNow();
  const settings = useAppSelector((state) => state.settings);
  const available = useHours(day);
  const [showsMoves, setShowsMoves] = useState(false);
  const { chosen, unknown } = sumsOf(items);
  const working = workingStretch(day, settings);
  const whole = working.to - working.from;
  const taken = whole - hoursOf(day, takenBy(items), settings);
  const length = Math.max(whole, taken + chosen, 1);
  const over = chosen - available;
  const overload = fit && firstOverload(fit);
  const part = (minutes: number): string => `${(100 * minutes) / length}%`;
  return (
    <div className="mt-2 mb-5">
      <div aria-hidden="true" className="flex h-[11px] overflow-hidden rounded-[3px] border border-edge bg-raised">
        <span style={{ width: part(taken), background: 'repeating-linear-gradient(135deg, var(--edge) 0 1.5px, transparent 1.5px 5px)' }} />
        <span className={over > 0 ? 'bg-late' : 'bg-primary'} style={{ width: part(chosen) }} />
      </div>
      <p className="mt-1 text-[0.95rem]" role="status">
        <KeptWords day={day} items={items} />
        <strong>{durationName(chosen)}</strong> chosen of <strong>{durationName(available)}</strong>{' '}
        {day === today ? 'that are left today' : 'that appointments and meetings leave'} ·{' '}
        {over > 0 ? <span className="font-semibold text-late">{durationName(over)} too much</span> : 'fits'}
        {unknown > 0 && <span className="text-muted"> · {unknown} without a length</span>}
        {fit !== null && (overload !== null || fit.move.length > 0) && (
          <>
            {' '}
            ·{' '}
            {overload && (
              <span className="text-muted">
                by {dayName(overload.day, today, settings.dateStyle)}, {durationName(overload.minutes)} too much is due:{' '}
              </span>
            )}
            <button
              type="button"
              aria-expanded={showsMoves}
              className="min-h-[25px] font-semibold underline underline-offset-3"
              onClick={() => setShowsMoves(!showsMoves)}
            >
              what could move
            </button>
          </>
        )}
      </p>
      {showsMoves && fit && <WhatCouldMove moves={fit.move} />}
    </div>
  );
}
