import { firstOverload, sumsOf } from './day-sums';

const task = (minutes: number | null, status: 'todo' | 'underway' | 'done' | 'cancelled' = 'todo') => ({
  kind: 'task' as const,
  minutes,
  status,
});

it('sums what is open of a day, and says how much has no length', () => {
  const items = [
    task(30),
    task(60, 'underway'),
    task(null),
    task(20, 'done'),
    task(40, 'cancelled'),
    { kind: 'meeting' as const, minutes: 45, status: null },
  ];
  expect(sumsOf(items)).toEqual({ chosen: 90, unknown: 1, done: 1, tasks: 4, doneMinutes: 20, allMinutes: 110 });
  expect(sumsOf([])).toEqual({ chosen: 0, unknown: 0, done: 0, tasks: 0, doneMinutes: 0, allMinutes: 0 });
});

const days = (...all: [number, number][]) => ({ days: all.map(([hours, load], day) => ({ day, hours, load })) });

it.each([
  ['nothing is due', days(), null],
  ['all fits to the minute', days([60, 60], [60, 60]), null],
  ['what an early day leaves helps a later one', days([60, 0], [60, 120]), null],
  ['the first day that has too much', days([60, 30], [60, 100], [60, 500]), { day: 1, minutes: 10 }],
  ['today already', days([0, 20]), { day: 0, minutes: 20 }],
])('%s', (_what, fit, found) => expect(firstOverload(fit)).toEqual(found));
