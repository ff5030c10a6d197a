import { Text } from '@codemirror/state';
import { heavinessOf, heavinessOfLine } from './heavy-text';

const lines = (count: number, line: string): string => `${line}\n`.repeat(count);

describe('a text too heavy for marks and colours', () => {
  it.each([
    ['a line of 2 MB', 'x'.repeat(2_000_000), 'line of more than'],
    ['100,000 bullets in one line', '- '.repeat(100_000), 'line of more than'],
    ['590 KB of brackets in one line', '['.repeat(590_000), 'line of more than'],
    ['590 KB of brackets in lines', lines(29_000, '['.repeat(20)), 'paragraph'],
    ['3,000 quotes', `${'> '.repeat(3000)}x`, 'nested'],
    ['3,000 levels', Array.from({ length: 3000 }, (_, level) => `${' '.repeat(level)}- x`).join('\n'), 'nested'],
    ['100,000 bullets, one a line', lines(100_000, '- b'), '30,000 lines'],
    ['10 MB of tasks', lines(25_000, `- [ ] a task with ${'words '.repeat(50)}`), 'six million'],
  ])('is %s', (_name, text, reason) => {
    expect(heavinessOf(Text.of(text.split('\n')))).toContain(reason);
  });

  it.each([
    ['5,000 lines of tasks without a blank one', lines(5000, '- [ ] Ask @ilse for the condition report #loans {due 2026-11-27}')],
    ['prose of paragraphs', lines(500, `${'word '.repeat(300)}\n`)],
    ['twenty levels in a quote', Array.from({ length: 20 }, (_, level) => `> ${'  '.repeat(level)}- x`).join('\n')],
    ['a rule and emphasis', `${'-'.repeat(90)}\n${'*a* '.repeat(2000)}`],
  ])('is not %s', (_name, text) => {
    expect(heavinessOf(Text.of(text.split('\n')))).toBeNull();
  });

  it('may be known by the one line that is typed in', () => {
    expect(heavinessOfLine('x'.repeat(20_001))).not.toBeNull();
    expect(heavinessOfLine('- [ ] words')).toBeNull();
  });
});
