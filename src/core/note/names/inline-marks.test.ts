import { marksIn, withoutMarks } from './inline-marks';

const found = (text: string): string[] => marksIn(text).map(({ is, from, to, width }) => `${is}: ${text.slice(from + width, to - width)}`);

// CommonMark 0.31, 6.1 (code spans) and 6.2 (emphasis); GFM 6.5 (strikethrough); from memory.
describe('marksIn', () => {
  it.each([
    ['plain words', []],
    ['pack it **today**', ['bold: today']],
    ['*softly* and **loudly**', ['bold: loudly', 'slanted: softly']],
    ['~~the old crate~~ the new one', ['struck: the old crate']],
    ['write `**stars**` so', ['code: **stars**']],
    ['5 * 3 * 2', []],
    ['** not strong **', []],
    ['an \\*escaped* star', []],
    ['``two ` ticks``', []],
    ['**#loans** are due', ['bold: #loans']],
  ])('%s', (text, wanted) => expect(found(text)).toEqual(wanted));

  it.each([
    ['**Write it down.** Press `F10`', 'Write it down. Press F10'],
    ['~~**gone** today~~', 'gone today'],
    ['~~gone~~ and 5 * 3', 'gone and 5 * 3'],
    ['plain', 'plain'],
  ])('%s is read as %s', (text, words) => expect(withoutMarks(text)).toBe(words));

  it('finds nothing in a line that nobody reads as words', () => expect(marksIn('**word** '.repeat(20_000))).toEqual([]));
});
