import { filledSlip, readOwnSlip } from './own-slip';

const VALUES = { day: 20780, minute: 845, name: '', answers: new Map<string, string>() };

describe('a slip of one’s own', () => {
  it('is read from its note', () => {
    const text =
      '---\nkind: slip\nkey: Alt+F10\ninto: "{{question: With whom}}#To raise"\n---\n- [ ] {{words}} #raise {due {{question: By when}}}\n\n';
    expect(readOwnSlip('Slips/Raise.md', 'Raise', text)).toEqual({
      path: 'Slips/Raise.md',
      title: 'Raise',
      key: 'Alt+F10',
      into: '{{question: With whom}}#To raise',
      lines: ['- [ ] {{words}} #raise {due {{question: By when}}}'],
      questions: ['With whom', 'By when'],
    });
  });

  it('without lines is a task', () => expect(readOwnSlip('A.md', 'A', '---\nkind: slip\n---\n').lines).toEqual(['- [ ] {{words}}']));

  const fill = (line: string, words = 'Lars rang', answers: Record<string, string> = {}, into: string | null = null) =>
    filledSlip({ lines: [line], into }, words, { ...VALUES, answers: new Map(Object.entries(answers)) });

  it.each([
    ['- [ ] {{words}} #raise', '- [ ] Lars rang #raise'],
    ['- [ ] {{words}} {due {{question: When}}}', '- [ ] Lars rang'],
    ['- [ ] {{words}} {due {{question: When}}; high}', '- [ ] Lars rang {high}'],
    ['- [ ] {{words}} {owner @{{question: Who}}}', '- [ ] Lars rang'],
    ['{{words}} soon', 'Lars rang soon'],
    ['- [ ] {{ words }} {{unknown}}', '- [ ] Lars rang {{unknown}}'],
  ])('%s', (line, typed) => expect(fill(line).lines).toEqual([{ is: 'task', typed, indent: '' }]));

  it('fills answers into lines and place', () => {
    expect(fill('- [ ] {{words}} {due {{question: When}}}', 'x', { When: 'in 3 days' }).lines).toEqual([
      { is: 'task', typed: '- [ ] x {due in 3 days}', indent: '' },
    ]);
    expect(fill('- [ ] {{words}}', 'x', { Whom: '@kofi' }, '{{question: Whom}}#To raise').into).toBe('@kofi#To raise');
    expect(fill('- [ ] {{words}}', 'x', {}, '{{question: Whom}}').into).toBeNull();
  });

  it('may write a line that is no task, with the clock behind its words', () =>
    expect(fill('- {{words}}, {{clock}}').lines).toEqual([{ is: 'plain', line: '- Lars rang, 14:05' }]));

  it('takes words as they are, whatever signs stand in them', () =>
    expect(fill('- [ ] {{words}}', 'pay $& {{name}}').lines).toEqual([{ is: 'task', typed: '- [ ] pay $& {{name}}', indent: '' }]));
});
