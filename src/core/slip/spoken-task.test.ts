import { ACTION_DEFAULTS } from '../task/acts/action-context';
import { partsOffered, readSpokenTask } from './spoken-task';

/** A Monday, 09:14. */
const CONTEXT = { now: { day: 20780, minute: 554 }, settings: ACTION_DEFAULTS, makeRef: () => 'k3f9qa' };
const DUE = { ...CONTEXT, settings: { ...ACTION_DEFAULTS, bareDay: 'due' as const } };

const read = (typed: string, context = CONTEXT): string => {
  const { words, parts } = readSpokenTask(typed, context);
  return [words, ...parts.flatMap(({ clauses }) => clauses.map((clause) => clause.words))].join(' | ');
};

describe('the words of a task', () => {
  it.each([
    ['call lars about crate height tomorrow 15:00', 'call lars about crate height | plan 2026-11-24 15:00'],
    // A second bare day is due; a week is a plan.
    ['hang the lights wed, fri', 'hang the lights | plan 2026-11-25 | due 2026-11-27'],
    ['hang the lights next week by fri', 'hang the lights | plan 2026-W49 | due 2026-11-27'],
    ['ask ilse from 1 dec', 'ask ilse | start 2026-12-01'],
    // A repeat without a day begins with the first of its pattern; its time goes with the day.
    ['read the log every mon, fri 10:00', 'read the log | every mon, fri | plan 2026-11-23 10:00'],
    ['count the stock every month on last fri', 'count the stock | every month on last fri | plan 2026-11-27'],
    ['wind the clock every day at 18:00 by fri', 'wind the clock | every day | due 2026-11-27 18:00'],
    ['high above the 30m mast', 'high above the 30m mast'],
  ])('“%s”', (typed, read_) => expect(read(typed)).toBe(read_));

  it('a bare day may be the due day, and a second one stays words', () => {
    expect(read('hang the lights wed, fri', DUE)).toBe('hang the lights fri | due 2026-11-25');
    expect(read('read the log every fri', DUE)).toBe('read the log | every fri | due 2026-11-27');
  });

  it('all that is read in them may be offered, unless nothing else is left', () => {
    const clauses = (typed: string): string[] => partsOffered(typed, CONTEXT).flatMap((part) => part.clauses.map(({ words }) => words));
    expect(clauses('ask ilse fri #loans @kofi [[Tide clock]]')).toEqual(['plan 2026-11-27']);
    expect(clauses('ask ilse every fri')).toEqual(['every fri', 'plan 2026-11-27']);
    expect(clauses('fri we ask ilse 20m high')).toEqual(['plan 2026-11-27', 'takes 20m', 'high']);
    expect(clauses('tomorrow')).toEqual([]);
    expect(clauses('tomorrow #loans')).toEqual([]);
    expect(clauses('tomorrow #loans [[Tide clock]] @kofi')).toEqual([]);
  });
});
