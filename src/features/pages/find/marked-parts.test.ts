import { markedParts } from './marked-parts';

const shown = (line: string, ...terms: string[]): string =>
  markedParts(line, new Set(terms))
    .map(({ text, marked }) => (marked ? `[${text}]` : text))
    .join('');

it.each([
  ['The Crate', ['crate'], 'The [Crate]'],
  ['  - [ ] Évora’s crate', ['evora', 'crate'], '- [ ] [Évora]’s [crate]'],
  ['nothing', ['crate'], 'nothing'],
  ['', ['crate'], ''],
])('%s', (line, terms, marked) => {
  expect(shown(line, ...terms)).toBe(marked);
});

it('a long line is cut around the first word, at words', () => {
  const line = `${'far away '.repeat(20)}crate ${'and on '.repeat(60)}`;
  const cut = shown(line, 'crate');
  expect(cut).toMatch(/^… (?:far )?away .*\[crate\] and on .* …$/);
  expect(cut.length).toBeLessThan(240);
});
