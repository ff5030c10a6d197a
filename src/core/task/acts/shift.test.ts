import fc from 'fast-check';
import { isoDay } from '../../calendar/day';
import { applyChanges } from '../writing/edit';
import { act } from './act';
import { ACTION_DEFAULTS } from './action-context';

/** A Monday, 2026-11-23. */
const TODAY = 20780;
const CONTEXT = { now: { day: TODAY, minute: 554 }, settings: ACTION_DEFAULTS, makeRef: () => 'k3f9qa' };

function shifted(line: string, days: number): string {
  const outcome = act(line, { line: 0, expected: line }, { do: 'shift', days }, CONTEXT);
  return 'refused' in outcome ? outcome.refused : applyChanges(line, outcome.changes);
}

describe('moving all dates of a task', () => {
  it.each([
    [
      '- [ ] a {start 2026-11-20; plan 2026-11-24 10:00; due 2026-11-27}',
      -2,
      '- [ ] a {start 2026-11-18; plan 2026-11-22 10:00; due 2026-11-25}',
    ],
    ['- [ ] a {plan 2026-W48; due 2026-11-27}', 7, '- [ ] a {plan 2026-W49; due 2026-12-04}'],
    ['- [ ] a {plan 2026-11}', 31, '- [ ] a {plan 2026-12}'],
    // A day that is left for a later one is remembered: that of the plan, else the due day.
    ['- [ ] a {due 2026-11-27}', 3, '- [ ] a {due 2026-11-30; pushed 2026-11-27}'],
    ['- [ ] a {plan 2026-11-24; due 2026-11-27}', 1, '- [ ] a {plan 2026-11-25; due 2026-11-28; pushed 2026-11-24}'],
    ['- [ ] a {due 2026-11-27; pushed 2026-11-27}', 3, '- [ ] a {due 2026-11-30; pushed 2026-11-27}'],
    // A repeat says its pattern before its date changes, so that it never drifts.
    ['- [ ] a {due 2026-11-27; every week}', -1, '- [ ] a {due 2026-11-26; every week on fri}'],
    ['- [ ] a', 3, 'It has no date that could be moved, so nothing was changed.'],
  ])('%s by %i: %s', (line, days, after) => expect(shifted(line, days)).toBe(after));

  it('there and back is where it was', () => {
    const iso = fc.integer({ min: -400, max: 400 }).map((ahead) => isoDay(TODAY + ahead));
    fc.assert(
      fc.property(iso, iso, iso, fc.integer({ min: -90, max: 90 }), (start, plan, due, days) => {
        const line = `- [ ] a {start ${start}; plan ${plan}; due ${due}}`;
        const back = shifted(shifted(line, days), -days);
        expect(back.replace(/; pushed [^;}]+/, '')).toBe(line);
      }),
    );
  });
});
