import fc from 'fast-check';
import { NameSigns } from './name-signs';
import { readInline, readNames } from './names';
import { runs } from '../../testing/test-runs';

const PIECE = fc.constantFrom(
  ...['#loans', '@ilse', '#place/archive', '@a.b-c', '#été', '@маяк', '#1a', '#12', '#a-', '#a--b', '[[Salt on the Glass#Loans|loans]]'],
  ...['[[', ']]', '[', ']', '](', ')', '`', '``', '`#no`', '<', '<https://sea.example/#top>', '<b #c>', '\\', '\\#', 'desk@sea.example'],
  ...[' ', ' ', ' ', 'words', '(', '"', '*', ',', 'x', '~'],
);
const LINE = fc.array(PIECE, { maxLength: 12 }).map((pieces) => pieces.join(''));

it('a line reads the same by itself and where it stands in a text, with the signs of the text or without', () => {
  fc.assert(
    fc.property(fc.array(LINE, { minLength: 1, maxLength: 5 }), (lines) => {
      const text = lines.join('\n');
      const signs = new NameSigns(text);
      let from = 0;
      for (const line of lines) {
        const alone = readInline(line);
        const to = from + line.length;
        expect(readInline(text, from, to, from)).toEqual(alone);
        expect(readInline(text, from, to, from, signs)).toEqual(alone);
        from = to + 1;
      }
    }),
    { numRuns: runs(2500), seed: 20261123 },
  );
});

it('what is read without places is what is read with them, each name once', () => {
  fc.assert(
    fc.property(LINE, fc.boolean(), (line, withSigns) => {
      const { names, links } = readInline(line);
      const of = (kind: string): string[] => [...new Set(names.filter((name) => name.kind === kind).map((name) => name.name))];
      expect(readNames(line, 0, line.length, 0, withSigns ? new NameSigns(line) : null)).toEqual({
        tags: of('tag'),
        people: of('person'),
        links,
      });
    }),
    { numRuns: runs(1500), seed: 20261124 },
  );
});

it('the signs of a text are found from any place on', () => {
  const signs = new NameSigns('a #b `c` [[d]] @e');
  expect(signs.from(0)).toBe(2);
  expect(signs.hiddenIn(0, 5)).toBe(false);
  expect(signs.hiddenIn(4, 8)).toBe(true);
  expect(signs.from(3)).toBe(9);
  expect(signs.from(10)).toBe(15);
  expect(signs.from(16)).toBeGreaterThan(1_000_000);
});

it('code ends at the next run of as many backticks, and a run that none closes is words', () => {
  const tags = (line: string) => readInline(line).names.map(({ name }) => name);
  expect(tags('``a ` #b`` #c')).toEqual(['c']);
  expect(tags('``a #b ` #c')).toEqual(['b', 'c']);
  expect(tags('` `` #a `` ```` #b')).toEqual(['b']);
});
