import { type Day, civilFrom } from '../../../core/calendar/day';
import { MONTH_NAMES, weekdayName } from '../../../core/calendar/day-name';
import type { DayRange } from '../../../core/calendar/span';
import { spanTicks } from '../../../core/gather/forms/spans';
import { useNow } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';

/** Where a day begins on an axis, in percent of its width. */
export const acrossOf = ({ from, to }: DayRange, day: Day): number => ((day - from) * 100) / (to - from + 1);

/** The days of an axis: what its marks are called, and lines down from them; today stands out. */
export function SpanAxis({ axis }: { axis: DayRange }) {
  const { day: today } = useNow();
  const first = useAppSelector((state) => state.settings.firstDayOfWeek);
  const { unit, days } = spanTicks(axis, first);
  return (
    <>
      <div
        className="span-axis relative h-6 overflow-hidden text-[0.8rem] text-muted"
        data-ticks={days.length > 8 ? 'many' : 'few'}
        aria-hidden="true"
      >
        {days.map((day) => (
          <span key={day} className="absolute whitespace-nowrap ps-1" style={{ insetInlineStart: `${acrossOf(axis, day)}%` }}>
            {tickName(day, unit)}
          </span>
        ))}
      </div>
      <div className="pointer-events-none absolute inset-0 top-6 overflow-hidden" aria-hidden="true">
        {days.map((day) => (
          <span key={day} className="absolute inset-y-0 w-px bg-line" style={{ insetInlineStart: `${acrossOf(axis, day)}%` }} />
        ))}
        {today >= axis.from && today <= axis.to && (
          <span
            className="absolute inset-y-0 border-s-2 border-sun bg-sun-soft opacity-70"
            style={{ insetInlineStart: `${acrossOf(axis, today)}%`, width: `${acrossOf(axis, axis.from + 1)}%` }}
          />
        )}
      </div>
    </>
  );
}

function tickName(day: Day, unit: ReturnType<typeof spanTicks>['unit']): string {
  const { year, month, day: number } = civilFrom(day);
  const name = MONTH_NAMES[month - 1] ?? '';
  if (unit === 'day') return `${weekdayName(day)} ${number}`;
  if (unit === 'week') return `${number} ${name}`;
  return month === 1 ? String(year) : name;
}
