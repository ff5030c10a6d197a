import fc from 'fast-check';
import { type Choice, chosenText, compareTexts } from './compare-texts';
import { otherTextOf, otherTextPath } from './other-text';

const LINES = fc.array(fc.constantFrom('- [ ] Crates', '- [ ] Riders', '', 'words', '# Loans'), { maxLength: 8 });
const TEXT = LINES.map((lines) => lines.join('\n'));

describe('two texts side by side', () => {
  it('share what is alike and differ in places', () => {
    expect(compareTexts('a\nb\nc', 'a\nx\nc')).toEqual([
      { is: 'same', lines: ['a'] },
      { is: 'place', these: ['b'], others: ['x'] },
      { is: 'same', lines: ['c'] },
    ]);
    expect(compareTexts('a', 'a')).toEqual([{ is: 'same', lines: ['a'] }]);
  });

  it('come back whole when one of them is chosen everywhere', () => {
    fc.assert(
      fc.property(TEXT, TEXT, (text, other) => {
        const parts = compareTexts(text, other);
        const all = (choice: Choice): Choice[] => parts.map(() => choice);
        expect(chosenText(parts, all('this'))).toBe(text);
        expect(chosenText(parts, [])).toBe(text);
        expect(chosenText(parts, all('other'))).toBe(other);
      }),
    );
  });

  it('take turns, and any choice gives lines of the two alone', () => {
    fc.assert(
      fc.property(TEXT, TEXT, fc.array(fc.constantFrom<Choice>('this', 'other', 'both')), (text, other, choices) => {
        const parts = compareTexts(text, other);
        const lines = chosenText(parts, choices).split('\n');
        const known = new Set([...text.split('\n'), ...other.split('\n')]);
        expect(lines.every((line) => known.has(line) || line === '')).toBe(true);
        for (let at = 1; at < parts.length; at++) expect(parts[at]?.is).not.toBe(parts[at - 1]?.is);
      }),
    );
  });

  it('may both be kept in a place, one after the other', () => {
    expect(chosenText(compareTexts('a\nb\nc\nd', 'a\nx\nc\ny'), ['both', 'other'])).toBe('a\nb\nx\nc\ny');
  });
});

describe('the note of an other text', () => {
  it.each(['Journal/2026-11-23.md', 'Loans', 'A folder.d/Crates.txt', 'Crates (other text).md'])('is found again: %s', (path) => {
    expect(otherTextOf(otherTextPath(path))).toBe(path);
  });

  it('is found under a number too, and only there', () => {
    expect(otherTextOf('Crates (other text) 2.md')).toBe('Crates.md');
    expect(otherTextOf('Crates (other text) of Ilse.md')).toBeNull();
    expect(otherTextOf('Crates.md')).toBeNull();
    expect(otherTextOf(' (other text).md')).toBeNull();
  });
});
