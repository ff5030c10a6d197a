import { ACTION_DEFAULTS, type ActionContext } from '../acts/action-context';
import { AT_END, withLines } from './write-lines';

const context: ActionContext = { now: { day: 20780, minute: null }, settings: ACTION_DEFAULTS, makeRef: () => 'k3f9qa' };

describe('writing one more task', () => {
  it.each([
    [null, AT_END, '- [ ] a {due fri}', '- [ ] a {due 2026-11-27}\n'],
    ['words\n', AT_END, '- [ ] a', 'words\n\n- [ ] a\n'],
    ['- [ ] x\n', AT_END, '- [ ] a', '- [ ] x\n- [ ] a\n'],
    ['## Loans\n- [ ] x\n\n## Texts\n', { heading: 'loans', side: 'last' }, '- [ ] a', '## Loans\n- [ ] x\n- [ ] a\n\n## Texts\n'],
    ['words', { heading: 'Loans', side: 'last' }, '- [ ] a', 'words\n\n## Loans\n\n- [ ] a'],
    ['```gather\nopen\n```\n', { behind: 2 }, '- [ ] a', '```gather\nopen\n```\n\n- [ ] a\n'],
    ['a\r\n- [ ] x\r\nb', { behind: 1 }, '- [ ] a', 'a\r\n- [ ] x\r\n- [ ] a\r\nb'],
  ] as const)('%j at %o', (text, place, line, wanted) => expect(withLines(text, place, [line], context)).toEqual({ text: wanted }));

  it('is refused inside code that is not closed', () => {
    expect(withLines('## Loans\n```\ncode', { heading: 'Loans', side: 'last' }, ['- [ ] a'], context)).toHaveProperty('refused');
  });
});

function write(text: string | null, heading: string | null, side: 'first' | 'last', made = '', lines = ['- [ ] new']): string {
  const outcome = withLines(text, { heading, side }, lines, context, made);
  return 'refused' in outcome ? outcome.refused : outcome.text;
}

describe('what is written down stands', () => {
  it.each<[string, string | null, string | null, 'first' | 'last', string]>([
    ['in a note that is made', null, null, 'last', '- [ ] new\n'],
    ['under a heading that is made', null, 'Log', 'last', '## Log\n\n- [ ] new\n'],
    [
      'behind what is there',
      '## Log\n- [ ] old\n\n## Plan\n- [ ] a\n',
      'Log',
      'last',
      '## Log\n- [ ] old\n- [ ] new\n\n## Plan\n- [ ] a\n',
    ],
    ['before what is there', '## Log\n\n- [ ] old\n\n## Plan\n', 'Log', 'first', '## Log\n\n- [ ] new\n- [ ] old\n\n## Plan\n'],
    ['before words', '## Log\nwords\n', 'Log', 'first', '## Log\n- [ ] new\n\nwords\n'],
    ['under a heading with nothing under it', '# Log\n## Plan\n', 'log', 'first', '# Log\n\n- [ ] new\n## Plan\n'],
    ['under a heading that is missing', 'words\n', 'Log', 'first', 'words\n\n## Log\n\n- [ ] new\n'],
    ['at the end', 'words\n- [ ] old\n', null, 'last', 'words\n- [ ] old\n- [ ] new\n'],
    ['in an empty note', '', null, 'last', '- [ ] new\n'],
    ['in lines that end as those of the note', '## Log\r\n- [ ] old\r\n', 'Log', 'last', '## Log\r\n- [ ] old\r\n- [ ] new\r\n'],
  ])('%s', (_, text, heading, side, expected) => expect(write(text, heading, side)).toBe(expected));

  it('in a page that is made from a template', () => {
    expect(write(null, 'Log', 'last', '## Routine\n\n- [ ] Wind the clock\n\n## Log\n')).toBe(
      '## Routine\n\n- [ ] Wind the clock\n\n## Log\n- [ ] new\n',
    );
  });

  it('with its steps', () => expect(write('', null, 'last', '', ['- [ ] a', '  - [ ] b'])).toBe('- [ ] a\n  - [ ] b\n'));

  it('nowhere where code is not closed', () => expect(write('```\ncode', null, 'last')).toMatch(/code block/));
});
