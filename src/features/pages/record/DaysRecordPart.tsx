import { useMemo } from 'react';
import { Link } from 'react-router';
import { type Day, addMonths, civilFrom, endOfMonth, startOfMonth, startOfWeek, weekdayOf } from '../../../core/calendar/day';
import { WEEKDAY_LONG, dayName, monthTitle } from '../../../core/calendar/day-name';
import { durationName } from '../../../core/calendar/duration';
import type { DaysRecord, Share } from '../../../core/index/questions/past/record';
import { dayAddress } from '../../session/places/addresses';
import { useNow } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { useAsked } from '../../session/asked/use-asked';
import { ShareBar } from './Share';

/** So many weeks are looked back at, and so many months are drawn. */
const WEEKS = 16;
const MONTHS = 4;

/** How the days went: sheets of the last months, and what was kept by week, by weekday, by side and by tag. */
export function DaysRecordPart() {
  const { day: today } = useNow();
  const { firstDayOfWeek: first, dateStyle: style } = useAppSelector((state) => state.settings);
  const from = startOfWeek(today, first) - 7 * (WEEKS - 1);
  const sides = useAppSelector((state) => state.settings.sides);
  const record = useAsked('daysRecord', { from, to: today - 1, sides });
  if (record == null) return <p className="mb-6 text-muted">Looking…</p>;
  if (record.days.length === 0)
    return (
      <p className="mb-6 text-muted">
        Nothing was planned in the last {WEEKS} weeks. As soon as tasks bear a plan, or stand on the page of a day, the days have their
        record here.
      </p>
    );
  return (
    <>
      <Days record={record} from={from} today={today} />
      <div className="mb-6 flex flex-wrap gap-x-10 gap-y-5">
        <Shares title="By week" rows={byWeek(record, from, (day) => dayName(day, today, style))} />
        <Shares title="By weekday" rows={byWeekday(record, first)} />
        {record.sides.length > 0 && <Shares title="By side" rows={record.sides} />}
        {record.tags.length > 0 && (
          <Shares title="By tag" rows={record.tags.map(({ name, ...share }) => ({ name: `#${name}`, ...share }))} />
        )}
      </div>
      {record.taken.count > 0 && (
        <p className="mb-6">
          {record.taken.count === 1 ? 'One task' : `${record.taken.count} tasks`} said a length and bear when they were begun and done: they
          took <strong>{durationName(record.taken.took)}</strong>, and {durationName(record.taken.said)} was said.
        </p>
      )}
    </>
  );
}

type NamedShare = Share & { name: string };

function byWeek({ days }: DaysRecord, from: Day, name: (day: Day) => string): NamedShare[] {
  const weeks = Array.from({ length: WEEKS }, (_, at) => ({ name: `Week of ${name(from + 7 * at)}`, planned: 0, kept: 0 }));
  for (const { day, planned, kept } of days) {
    const week = weeks[Math.floor((day - from) / 7)];
    if (week) Object.assign(week, { planned: week.planned + planned, kept: week.kept + kept });
  }
  return weeks.filter(({ planned }) => planned > 0).reverse();
}

function byWeekday({ days }: DaysRecord, first: number): NamedShare[] {
  const weekdays = Array.from({ length: 7 }, (_, at) => ({ name: WEEKDAY_LONG[(first - 1 + at) % 7] ?? '', planned: 0, kept: 0 }));
  for (const { day, planned, kept } of days) {
    const weekday = weekdays[(weekdayOf(day) - first + 7) % 7];
    if (weekday) Object.assign(weekday, { planned: weekday.planned + planned, kept: weekday.kept + kept });
  }
  return weekdays.filter(({ planned }) => planned > 0);
}

function Shares({ title, rows }: { title: string; rows: readonly NamedShare[] }) {
  return (
    <section aria-label={title}>
      <h2 className="section-label mb-1">{title}</h2>
      <table className="border-collapse text-[0.93rem]">
        <tbody>
          {rows.map(({ name, ...share }) => (
            <tr key={name}>
              <th scope="row" className="max-w-[14rem] py-0.5 pe-4 text-start font-normal [overflow-wrap:anywhere]">
                {name}
              </th>
              <td className="py-0.5">
                <ShareBar share={share} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

interface DaysProps {
  record: DaysRecord;
  from: Day;
  today: Day;
}

/** The days as sheets of months: at the foot of each day what was kept, filled, the rest as outline. */
function Days({ record, from, today }: DaysProps) {
  const { dateStyle: style, firstDayOfWeek: first } = useAppSelector((state) => state.settings);
  const shares = useMemo(() => new Map(record.days.map((one) => [one.day, one])), [record]);
  const excused = useMemo(() => new Map(record.excused.map(({ day, why }) => [day, why])), [record]);
  const months: Day[] = [];
  for (
    let month = startOfMonth(today - 1);
    months.length < MONTHS && endOfMonth(month) >= Math.max(from, record.days[0]?.day ?? from);
    month = addMonths(month, -1)
  )
    months.unshift(month);
  const said = (day: Day): string => {
    const share = shares.get(day);
    const name = dayName(day, today, style);
    if (excused.has(day)) return `${name}: counts in no share, ${excused.get(day) ?? ''}`;
    return share ? `${name}: ${share.kept} of ${share.planned} kept` : `${name}: nothing planned`;
  };
  return (
    <section aria-label="The days of the last months" className="mb-6 flex flex-wrap gap-x-8 gap-y-4">
      {months.map((month) => (
        <div key={month}>
          <h2 className="section-label mb-1">{monthTitle(month)}</h2>
          <div className="grid w-fit grid-cols-7 gap-x-1 gap-y-0.5">
            {Array.from({ length: (weekdayOf(month) - first + 7) % 7 }, (_, at) => (
              <span key={at} />
            ))}
            {Array.from({ length: endOfMonth(month) - month + 1 }, (_, at) => month + at).map((day) => {
              const share = shares.get(day);
              return (
                <Link
                  key={day}
                  to={dayAddress(day)}
                  aria-label={said(day)}
                  title={said(day)}
                  className={`block min-h-[30px] w-[30px] rounded-[4px] pt-0.5 text-center text-[0.86rem] hover:bg-raised ${share ? 'font-semibold' : 'text-muted'}`}
                >
                  {civilFrom(day).day}
                  {share && (
                    <span aria-hidden="true" className="mx-[3px] block h-[5px] border border-kept">
                      <span className="block h-full bg-kept" style={{ width: `${(100 * share.kept) / Math.max(1, share.planned)}%` }} />
                    </span>
                  )}
                  {excused.has(day) && <span aria-hidden="true" className="mx-2 block border-t border-edge" />}
                </Link>
              );
            })}
          </div>
        </div>
      ))}
    </section>
  );
}
