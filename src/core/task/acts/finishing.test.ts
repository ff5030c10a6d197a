import { act } from './act';
import { CONTEXT, TODAY, status, whole } from './act-fixtures';
import { ACTION_DEFAULTS } from './action-context';
import { applyChanges } from '../writing/edit';
import type { Intention } from './intention';

function after(line: string, intention: Intention): string {
  const outcome = act(line, { line: 0, expected: line }, intention, CONTEXT);
  return 'refused' in outcome ? outcome.refused : applyChanges(line, outcome.changes);
}

describe('finishing a repeat', () => {
  it('gives the line its next date, keeps its distances, clears its steps and records this time', () => {
    const text = [
      '- [_] Read the log {plan 2026-11-20 08:30; due 2026-11-23; start 2026-11-18; every 2 weeks x5; remind 2026-11-20 08:00; since 2026-11-20; ref p2x7ab; needs k3f9qa; pushed 2026-11-19}',
      '  - [x] lamp room {done 2026-11-20; due 2026-11-21; ref q1w2e3}',
      '  - [ ] cellar',
      '- other',
      '',
      'words',
    ].join('\n');
    expect(whole(text, 'Read', status('done')).split('\n')).toEqual([
      '- [ ] Read the log {plan 2026-12-03 08:30; due 2026-12-07; start 2026-12-02; every 2 weeks on mon from 2026-11-23 x4; remind 2026-12-04 08:00; ref p2x7ab; needs k3f9qa}',
      '  - [ ] lamp room {due 2026-12-05}',
      '  - [ ] cellar',
      '- other',
      `- [x] Read the log {plan 2026-11-20 08:30; due 2026-11-23; since 2026-11-20; done ${TODAY} 09:14}`,
      '',
      'words',
    ]);
  });

  it.each<[string, Intention, string[]]>([
    [
      '- [ ] a {due 2026-11-20; every fri}',
      status('done'),
      ['- [ ] a {due 2026-11-27; every fri}', `- [x] a {due 2026-11-20; done ${TODAY} 09:14}`],
    ],
    [
      '- [ ] a {due 2026-11-20; every fri}',
      status('cancelled'),
      ['- [ ] a {due 2026-11-27; every fri}', `- [-] a {due 2026-11-20; cancelled ${TODAY} 09:14}`],
    ],
    ['- [ ] a {due 2026-11-20; every fri x1}', status('done'), [`- [x] a {due 2026-11-20; every fri x1; done ${TODAY} 09:14}`]],
    [
      '- [ ] a {due 2026-11-20; every fri; until 2026-11-25}',
      status('done'),
      [`- [x] a {due 2026-11-20; every fri; until 2026-11-25; done ${TODAY} 09:14}`],
    ],
    [
      '- [ ] a {due 2026-11-20; every fri x3}',
      status('done'),
      ['- [ ] a {due 2026-11-27; every fri x2}', `- [x] a {due 2026-11-20; done ${TODAY} 09:14}`],
    ],
    [
      '- [ ] a {plan 2026-W47; every week}',
      status('done'),
      ['- [ ] a {plan 2026-W48; every week on mon}', `- [x] a {plan 2026-W47; done ${TODAY} 09:14}`],
    ],
    [
      '- [ ] a {plan 2026-11; every month}',
      status('done'),
      ['- [ ] a {plan 2026-12; every month on 1}', `- [x] a {plan 2026-11; done ${TODAY} 09:14}`],
    ],
    [
      '- [ ] a {due 2026-08-01; every 3 months after done}',
      status('done'),
      ['- [ ] a {due 2027-02-23; every 3 months after done}', `- [x] a {due 2026-08-01; done ${TODAY} 09:14}`],
    ],
    [
      '3) [ ] a {due 2026-11-23; every day}',
      status('done'),
      ['3) [ ] a {due 2026-11-24; every day}', `4) [x] a {due 2026-11-23; done ${TODAY} 09:14}`],
    ],
    [
      '> - [ ] a {due 2026-11-23; every day}',
      status('done'),
      ['> - [ ] a {due 2026-11-24; every day}', `> - [x] a {due 2026-11-23; done ${TODAY} 09:14}`],
    ],
    [
      '- - [ ] a {due 2026-11-23; every day}',
      status('done'),
      ['- - [ ] a {due 2026-11-24; every day}', `  - [x] a {due 2026-11-23; done ${TODAY} 09:14}`],
    ],
  ])('%s', (line, intention, lines) => expect(after(line, intention).split('\n')).toEqual(lines));

  it('keeps a count instead of lines when the settings say so', () => {
    const settings = { ...ACTION_DEFAULTS, repeatRecords: 'count' as const };
    const once = whole('- [ ] a {due 2026-11-23; every day}', 'a', status('done'), { settings });
    expect(once).toBe('- [ ] a {due 2026-11-24; every day; times 1}');
    expect(whole(once, 'a', status('done'), { settings })).toBe('- [ ] a {due 2026-11-25; every day; times 2}');
  });

  it('puts a remark under the record', () => {
    expect(
      after('- [ ] a {due 2026-11-23; every day}', { do: 'status', status: 'cancelled', remark: 'closed  for\nthe storm' }).split('\n'),
    ).toEqual(['- [ ] a {due 2026-11-24; every day}', `- [-] a {due 2026-11-23; cancelled ${TODAY} 09:14}`, '  - closed for the storm']);
  });

  it('a reopened record is an ordinary task', () => {
    const twice = after('- [ ] a {due 2026-11-23; every day}', status('done'));
    expect(whole(twice, '[x]', status('todo')).split('\n')[1]).toBe('- [ ] a {due 2026-11-23}');
  });
});

describe('open steps and remarks', () => {
  const TEXT = ['* [ ] a', '  words of a', '  * [ ] b', '    * [x] c', '  * [_] d {since 2026-11-01}', '* [ ] e'].join('\n');
  const done = (steps: 'leave' | 'close' | 'out'): string[] => whole(TEXT, 'a', { do: 'status', status: 'done', steps }).split('\n');
  const stamp = `{done ${TODAY} 09:14}`;

  it('may stay, be closed, or be moved out', () => {
    expect(done('leave')).toEqual([`* [x] a ${stamp}`, ...TEXT.split('\n').slice(1)]);
    expect(done('close')).toEqual([
      `* [x] a ${stamp}`,
      '  words of a',
      `  * [x] b ${stamp}`,
      '    * [x] c',
      `  * [x] d {since 2026-11-01; done ${TODAY} 09:14}`,
      '* [ ] e',
    ]);
    expect(done('out')).toEqual([`* [x] a ${stamp}`, '  words of a', '* [ ] b', '  * [x] c', '* [_] d {since 2026-11-01}', '* [ ] e']);
  });

  it('a remark stands under the task, behind what it holds', () => {
    expect(whole(TEXT, 'b', { do: 'status', status: 'cancelled', remark: '[sic] no longer lent' }).split('\n').slice(2, 5)).toEqual([
      `  * [-] b {cancelled ${TODAY} 09:14}`,
      '    * [x] c',
      '    * \\[sic] no longer lent',
    ]);
  });
});
