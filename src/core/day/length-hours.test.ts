import { readIsoDay } from '../calendar/day';
import type { Status } from '../task/line/status';
import { DAY_DEFAULTS } from './day-settings';
import { freeIn, hoursOf, workingStretch } from './hours/hours';
import { lengthsOf, resolvedLengths } from './length';

type Taking = [takes: number | null, parent: number, status?: Status];

describe('how long tasks take by what they say', () => {
  it.each<[string, Taking[], (number | null)[]]>([
    ['what it says', [[30, -1]], [30]],
    ['nothing', [[null, -1]], [null]],
    [
      'more than its steps',
      [
        [60, -1],
        [20, 0],
        [10, 0],
      ],
      [60, 20, 10],
    ],
    [
      'less than its steps',
      [
        [20, -1],
        [20, 0],
        [10, 0],
      ],
      [30, 20, 10],
    ],
    [
      'only its steps say it',
      [
        [null, -1],
        [20, 0],
        [null, 0],
      ],
      [20, 20, null],
    ],
    [
      'steps of steps',
      [
        [null, -1],
        [5, 0],
        [30, 1],
        [10, 1],
      ],
      [40, 40, 30, 10],
    ],
    [
      'a cancelled step',
      [
        [null, -1],
        [20, 0, 'cancelled'],
        [10, 0],
      ],
      [10, 20, 10],
    ],
    [
      'a done step',
      [
        [null, -1],
        [20, 0, 'done'],
        [10, 0],
      ],
      [30, 20, 10],
    ],
    [
      'two tasks',
      [
        [10, -1],
        [20, -1],
        [30, 1],
      ],
      [10, 30, 30],
    ],
  ])('%s', (_, tasks, lengths) =>
    expect(lengthsOf(tasks.map(([takes, parent, status = 'todo']) => ({ takes, parent, status })))).toEqual(lengths),
  );
});

describe('how long the things of a day are', () => {
  const begins = (...items: [start: number | null, minutes: number | null][]) => items.map(([start, minutes]) => ({ start, minutes }));
  it.each([
    ['as they say', begins([540, 45], [null, 20]), [45, 20]],
    ['until the next start', begins([540, null], [550, null], [600, 5]), [10, 30, 5]],
    ['no longer than the setting', begins([540, null], [720, null]), [30, 30]],
    ['not said, and no time', begins([null, null], [540, 10]), [null, 10]],
    ['two that begin at once', begins([540, null], [540, null], [555, 5]), [15, 15, 5]],
    ['in any order of lines', begins([550, 5], [540, null]), [5, 10]],
  ])('%s', (_, items, lengths) => expect(resolvedLengths(items, 30)).toEqual(lengths));
});

describe('the hours of a day', () => {
  const MONDAY = readIsoDay('2026-11-23') ?? 0;
  const SATURDAY = MONDAY + 5;
  const hours = (taken: [number, number][], after?: number, day = MONDAY): number =>
    hoursOf(
      day,
      taken.map(([from, to]) => ({ from, to })),
      DAY_DEFAULTS,
      after,
    );

  it.each<[string, [number, number][], number | undefined, number]>([
    ['nothing taken', [], undefined, 360],
    ['an hour', [[600, 660]], undefined, 300],
    [
      'two that overlap count once',
      [
        [600, 660],
        [630, 690],
      ],
      undefined,
      270,
    ],
    [
      'one within another',
      [
        [600, 720],
        [630, 640],
      ],
      undefined,
      240,
    ],
    [
      'out of order',
      [
        [720, 750],
        [600, 660],
      ],
      undefined,
      270,
    ],
    ['before the hours begin', [[420, 600]], undefined, 300],
    ['past their end', [[870, 1000]], undefined, 330],
    [
      'wholly outside',
      [
        [300, 500],
        [900, 1000],
      ],
      undefined,
      360,
    ],
    ['past midnight', [[880, 1500]], undefined, 340],
    ['everything taken', [[0, 1440]], undefined, 0],
    ['no length', [[600, 600]], undefined, 360],
    ['after now', [[600, 660]], 630, 240],
    ['after the last hour', [], 1000, 0],
    ['before the first hour', [], 300, 360],
  ])('%s', (_, taken, after, minutes) => expect(hours(taken, after)).toBe(minutes));

  it('a day without working hours has none', () => {
    expect(hours([], undefined, SATURDAY)).toBe(0);
    expect(workingStretch(SATURDAY, DAY_DEFAULTS)).toEqual({ from: 540, to: 540 });
  });

  it('says what is free', () => {
    expect(
      freeIn({ from: 540, to: 900 }, [
        { from: 600, to: 660 },
        { from: 650, to: 700 },
      ]),
    ).toEqual([
      { from: 540, to: 600 },
      { from: 700, to: 900 },
    ]);
  });
});
