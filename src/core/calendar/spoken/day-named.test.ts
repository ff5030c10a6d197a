import { isoDay } from '../day';
import { dayNamed } from './day-named';

const CONTEXT = { today: 20780, firstDayOfWeek: 1 as const }; // 2026-11-23, a Monday

it.each([
  ['today', '2026-11-23'],
  ['yesterday', '2026-11-22'],
  ['last tue', '2026-11-17'],
  ['last mon', '2026-11-16'],
  ['last sunday', '2026-11-22'],
  ['tue last week', '2026-11-17'],
  ['last week', '2026-11-16'],
  ['last month', '2026-10-01'],
  ['3 days ago', '2026-11-20'],
  ['a week ago', '2026-11-16'],
  ['two months ago', '2026-09-23'],
  ['fri', '2026-11-27'],
  ['next fri', '2026-12-04'],
  ['sat', '2026-11-28'],
  ['in 2 weeks', '2026-12-07'],
  ['12 dec', '2026-12-12'],
  ['2026-02-28', '2026-02-28'],
  ['2026-02-30', null],
  ['crate', null],
  ['fri crate', null],
  ['last crate', null],
  ['', null],
])('%s', (typed, day) => {
  const found = dayNamed(typed, CONTEXT);
  expect(found === null ? null : isoDay(found)).toBe(day);
});
