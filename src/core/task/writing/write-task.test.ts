import { ACTION_DEFAULTS, type ActionContext } from '../acts/action-context';
import { withTask } from './write-task';

const context: ActionContext = { now: { day: 20780, minute: null }, settings: ACTION_DEFAULTS, makeRef: () => 'k3f9qa' };

describe('writing one more task', () => {
  it.each([
    [null, { end: true }, '- [ ] a {due fri}', '- [ ] a {due 2026-11-27}\n'],
    ['words\n', { end: true }, '- [ ] a', 'words\n\n- [ ] a\n'],
    ['- [ ] x\n', { end: true }, '- [ ] a', '- [ ] x\n- [ ] a\n'],
    ['## Loans\n- [ ] x\n\n## Texts\n', { heading: 'loans' }, '- [ ] a', '## Loans\n- [ ] x\n- [ ] a\n\n## Texts\n'],
    ['words', { heading: 'Loans' }, '- [ ] a', 'words\n\n## Loans\n\n- [ ] a'],
    ['```gather\nopen\n```\n', { behind: 2 }, '- [ ] a', '```gather\nopen\n```\n\n- [ ] a\n'],
    ['a\r\n- [ ] x\r\nb', { behind: 1 }, '- [ ] a', 'a\r\n- [ ] x\r\n- [ ] a\r\nb'],
  ] as const)('%j at %o', (text, place, line, wanted) => expect(withTask(text, place, line, context)).toEqual({ text: wanted }));

  it('is refused inside code that is not closed', () => {
    expect(withTask('## Loans\n```\ncode', { heading: 'Loans' }, '- [ ] a', context)).toHaveProperty('refused');
  });
});
