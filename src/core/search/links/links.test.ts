import fc from 'fast-check';
import { Library } from '../../index/library';
import { leadingTo } from '../../index/questions/leading';
import { linkedLine, mentionsInLine } from './mentions';
import { withLinks } from './with-links';
import { runs } from '../../testing/test-runs';

function library(notes: Record<string, string>): Library {
  const made = new Library({ today: 20780, firstDayOfWeek: 1, dateStyle: 'words', me: null, workingDay: 480 });
  made.apply(Object.entries(notes).map(([path, text]) => ({ path, text })));
  return made;
}

const GLASS = [['salt', 'on', 'the', 'glass']];

describe('where a line only says a name', () => {
  it.each([
    ['For Salt on the Glass, soon', [[4, 21]]],
    ['SALT ON THE GLASS!', [[0, 17]]],
    ['salt on the glasses', []],
    ['Basalt on the glass', []],
    ['see [[Salt on the Glass]]', []],
    ['`Salt on the Glass` in code', []],
    ['- [ ] Crates {owner @x; Salt on the Glass}', []],
    ['[words](Salt on the Glass)', []],
    [
      'Salt on the Glass and salt on the glass',
      [
        [0, 17],
        [22, 39],
      ],
    ],
  ])('%s', (line, places) => {
    expect(mentionsInLine(line, GLASS).map(({ from, to }) => [from, to])).toEqual(places);
  });

  it('of names that overlap the longest counts', () => {
    expect(mentionsInLine('the tide clock', [['clock'], ['tide', 'clock']])).toEqual([{ from: 4, to: 14 }]);
  });

  it('what was written stays to be read', () => {
    expect(linkedLine('the glass opens', { from: 4, to: 9 }, 'Glass')).toBe('the [[Glass|glass]] opens');
    expect(linkedLine('the Glass opens', { from: 4, to: 9 }, 'Glass')).toBe('the [[Glass]] opens');
  });
});

const NOTES = {
  'Exhibitions/Salt on the Glass.md': '---\naliases: [The salt show]\n---\nOwn words: Salt on the Glass.\n',
  'A.md': '# Crates\n- [ ] Pack for [[Salt on the Glass#Loans|the show]] {due 2026-11-25}\n- [x] The salt show needs a bell\n',
  'B.md': '---\nabout: ["[[Salt on the Glass]]"]\n---\nNothing more.\n```\n[[Salt on the Glass]]\n```\n',
  'C.md': 'The salt show and Salt on the Glass\n',
  'People/Kofi.md': '---\nkind: person\nhandle: kofi\ntitle: Kofi of the Register\n---\n',
  'D.md': '- [ ] Ask @kofi\n- Kofi of the register knows\nkofi@museum.example\n',
};

const told = (lines: readonly { path: string; line: number }[]): string[] => lines.map(({ path, line }) => `${path}:${line + 1}`);

describe('what leads to a note', () => {
  it('lines that link to it, and lines that only say its name', () => {
    const { linked, named, linkedCount, namedCount } = leadingTo(library(NOTES), 'Exhibitions/Salt on the Glass.md', 100);
    expect(told(linked)).toEqual(['A.md:2', 'B.md:2']);
    expect(linked[0]).toMatchObject({ heading: 'Crates', status: 'todo' });
    expect(told(named)).toEqual(['A.md:3', 'C.md:1']);
    expect(named[1]?.places).toHaveLength(2);
    expect([linkedCount, namedCount]).toEqual([2, 2]);
  });

  it('a person is meant by the name with its sign, and said by the full name', () => {
    const { linked, named } = leadingTo(library(NOTES), 'People/Kofi.md', 100);
    expect(told(linked)).toEqual(['D.md:1']);
    expect(told(named)).toEqual(['D.md:2']);
  });

  it('a link that several notes could mean leads to the nearest', () => {
    const made = library({ 'a/Crate.md': '', 'b/Crate.md': '', 'a/x.md': '[[Crate]]', 'b/x.md': '[[Crate]] and [[a/Crate]]' });
    expect(told(leadingTo(made, 'a/Crate.md', 9).linked)).toEqual(['a/x.md:1', 'b/x.md:1']);
    expect(told(leadingTo(made, 'b/Crate.md', 9).linked)).toEqual(['b/x.md:1']);
  });

  it('thousands of mentions are counted, and the first told', () => {
    const made = library({ 'Lamp.md': '', 'All.md': 'lamp\n'.repeat(3000) });
    const { named, namedCount } = leadingTo(made, 'Lamp.md', 100);
    expect([named.length, namedCount]).toEqual([100, 3000]);
  });

  it('of a name that stands everywhere so many notes are read, and the others are counted; asked for all, all are', () => {
    const notes = Object.fromEntries(Array.from({ length: 400 }, (_, index) => [`N${index}.md`, 'a lamp']));
    const made = library({ 'Lamp.md': '', ...notes });
    expect(leadingTo(made, 'Lamp.md', 100)).toMatchObject({ namedCount: 300, unread: 100 });
    expect(leadingTo(made, 'Lamp.md', 5000)).toMatchObject({ namedCount: 400, unread: 0 });
  });

  it('circles, notes that are gone, and notes that nothing means', () => {
    const made = library({ 'A.md': '[[B]]', 'B.md': '[[A]]', 'C.md': '[[Gone]]' });
    expect(told(leadingTo(made, 'A.md', 9).linked)).toEqual(['B.md:1']);
    expect(leadingTo(made, 'Gone.md', 9).linked).toEqual([]);
    expect(leadingTo(made, 'C.md', 9)).toMatchObject({ linkedCount: 0, namedCount: 0 });
  });

  it('finds every line that a regular expression finds, and no other', () => {
    const piece = fc.constantFrom('Tide clock', 'tide  clock', 'tide-clock', 'the', 'clock', 'TIDE CLOCK', 'tideclock', ',', 'x');
    const line = fc.array(piece, { maxLength: 5 }).map((pieces) => pieces.join(' '));
    fc.assert(
      fc.property(fc.array(line, { maxLength: 12 }), (lines) => {
        // Indented text would be code; nothing here begins with white space.
        const text = lines.map((one) => (one.trim() === '' ? 'x' : one)).join('\n\n');
        const wanted = text
          .split('\n')
          .flatMap((one, index) => (/(?<![\p{L}\p{N}_])tide[^\p{L}\p{N}_]+clock(?![\p{L}\p{N}_])/iu.test(one) ? [index] : []));
        const { named } = leadingTo(library({ 'Tide clock.md': '', 'All.md': text }), 'Tide clock.md', 1000);
        expect(named.map((one) => one.line)).toEqual(wanted);
      }),
      { numRuns: runs(100) },
    );
  });
});

it('links are made where the lines still are, and no other byte changes', () => {
  const text = 'a lamp\r\nlamp lamp\n\tthe Lamp\r\n';
  const mention = (line: number, raw: string) => ({ path: 'x', line, raw, places: mentionsInLine(raw, [['lamp']]) });
  expect(withLinks(text, [mention(0, 'a lamp'), mention(1, 'lamp lamp')], 'Lamp')).toEqual({
    text: 'a [[Lamp|lamp]]\r\n[[Lamp|lamp]] [[Lamp|lamp]]\n\tthe Lamp\r\n',
    places: 3,
  });
  // It moved; it is gone; it stands twice.
  expect(withLinks(text, [mention(5, '\tthe Lamp'), mention(0, 'no lamp')], 'Lamp')).toEqual({
    text: 'a lamp\r\nlamp lamp\n\tthe [[Lamp]]\r\n',
    places: 1,
  });
  expect(withLinks('lamp\nlamp', [mention(7, 'lamp')], 'Lamp').places).toBe(0);
});
