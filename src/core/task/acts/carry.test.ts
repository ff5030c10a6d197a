import { readNote } from '../reading/read-note';
import { act } from './act';
import { ACTION_DEFAULTS, type ActionContext } from './action-context';
import { applyChanges } from '../writing/edit';

/** A Monday. */
const CONTEXT: ActionContext = { now: { day: 20780, minute: 554 }, settings: ACTION_DEFAULTS, makeRef: () => 'k3f9qa' };

function carried(text: string, repeats: 'skip' | 'along', path?: string): string[] {
  const [expected = ''] = text.split('\n');
  const outcome = act(text, { line: 0, expected, ...(path !== undefined && { path }) }, { do: 'carry', to: 'tomorrow', repeats }, CONTEXT);
  if ('refused' in outcome) return [outcome.refused];
  return applyChanges(text, outcome.changes).split('\n');
}

describe('carrying a task on', () => {
  it.each([
    [
      'gives it the day as its plan and leaves its due day',
      '- [ ] a {due 2026-11-20 15:00}',
      '- [ ] a {due 2026-11-20 15:00; plan 2026-11-24; pushed 2026-11-20}',
    ],
    ['keeps the time of its plan', '- [ ] a {plan 2026-11-23 09:00}', '- [ ] a {plan 2026-11-24 09:00; pushed 2026-11-23}'],
    ['remembers each day once', '- [ ] a {plan 2026-11-23; pushed 2026-11-23}', '- [ ] a {plan 2026-11-24; pushed 2026-11-23}'],
    ['takes a waiting one along', '- [:] a {due 2026-11-23}', '- [:] a {due 2026-11-23; plan 2026-11-24; pushed 2026-11-23}'],
  ])('%s', (_, before, after) => expect(carried(before, 'skip')).toEqual([after]));

  it('an undated task leaves the day of its journal page, a step or another note leaves none', () => {
    expect(carried('- [ ] a', 'skip', 'Journal/2026-11-20.md')).toEqual(['- [ ] a {plan 2026-11-24; pushed 2026-11-20}']);
    expect(carried('- [ ] a', 'skip', 'Loans.md')).toEqual(['- [ ] a {plan 2026-11-24}']);
    expect(readNote('Journal/2026-11-20.md', '').journal).not.toBeNull();
  });

  it.each([
    // Daily, due yesterday: what is due today is left out as well.
    [
      '- [ ] a {due 2026-11-22; every day}',
      ['- [ ] a {due 2026-11-24; every day}', '- [-] a {due 2026-11-22; cancelled 2026-11-23 09:14}'],
    ],
    [
      '- [ ] a {due 2026-11-20; every fri}',
      ['- [ ] a {due 2026-11-27; every fri}', '- [-] a {due 2026-11-20; cancelled 2026-11-23 09:14}'],
    ],
    [
      '- [ ] a {due 2026-11-23; every 2 days after done}',
      ['- [ ] a {due 2026-11-25; every 2 days after done}', '- [-] a {due 2026-11-23; cancelled 2026-11-23 09:14}'],
    ],
    ['- [ ] a {due 2026-11-20; every fri x1}', ['- [-] a {due 2026-11-20; every fri x1; cancelled 2026-11-23 09:14}']],
    // A plan that still covers today comes along, and so does what would stand on Today for its start.
    [
      '- [ ] a {due 2026-11-23; plan 2026-11-20; every day}',
      [
        '- [ ] a {due 2026-11-24; plan 2026-11-24; every day; pushed 2026-11-21}',
        '- [-] a {due 2026-11-23; plan 2026-11-20; cancelled 2026-11-23 09:14}',
      ],
    ],
    // Nothing of it is due yet: there is nothing to leave out.
    [
      '- [_] a {due 2026-11-30; every week; start 2026-11-20}',
      ['- [_] a {due 2026-11-30; every week on mon; start 2026-11-20; plan 2026-11-24}'],
    ],
    ['- [ ] a {every fri}', ['- [ ] a {every fri; plan 2026-11-24}']],
  ])('a repeat may be left out: %s', (before, after) => expect(carried(before, 'skip')).toEqual(after));

  it('a repeat may be taken along', () => {
    expect(carried('- [ ] a {due 2026-11-20; every fri}', 'along')).toEqual([
      '- [ ] a {due 2026-11-20; every fri; plan 2026-11-24; pushed 2026-11-20}',
    ]);
  });

  it('the next time of a repeat forgets where this one was carried to', () => {
    const line = '- [ ] a {due 2026-11-20; every fri; plan 2026-11-24; pushed 2026-11-20}';
    const outcome = act(line, { line: 0, expected: line }, { do: 'status', status: 'done' }, CONTEXT);
    expect('changes' in outcome && applyChanges(line, outcome.changes).split('\n')[0]).toBe('- [ ] a {due 2026-11-27; every fri}');
  });
});
