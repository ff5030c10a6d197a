import fc from 'fast-check';
import { changedWords } from './changed-words';

const marked = (parts: readonly { words: string; own: boolean }[]): string =>
  parts.map(({ words, own }) => (own ? `<${words}>` : words)).join('');

test.each([
  ['Six crates', 'Six large crates', 'Six crates', 'Six <large >crates'],
  ['- [ ] a {due 2026-11-23}', '- [x] a {due 2026-11-24}', '- [< >] a {due 2026-11-<23>}', '- [<x>] a {due 2026-11-<24>}'],
  ['', 'new', '', '<new>'],
  ['same', 'same', 'same', 'same'],
])('%s and %s', (then, now, markedThen, markedNow) => {
  const parts = changedWords(then, now);
  expect([marked(parts.then), marked(parts.now)]).toEqual([markedThen, markedNow]);
});

test('the parts of each text are that text, and what both have is the same', () => {
  const text = fc.array(fc.constantFrom('a', 'b', 'crate', ' ', '\n', '- ', 'é', '{'), { maxLength: 30 }).map((pieces) => pieces.join(''));
  fc.assert(
    fc.property(text, text, (then, now) => {
      const parts = changedWords(then, now);
      const joined = (of: typeof parts.then, own?: boolean): string =>
        of
          .filter((one) => own === undefined || one.own === own)
          .map(({ words }) => words)
          .join('');
      expect([joined(parts.then), joined(parts.now)]).toEqual([then, now]);
      expect(joined(parts.then, false)).toBe(joined(parts.now, false));
    }),
  );
});
