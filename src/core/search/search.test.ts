import fc from 'fast-check';
import { Library } from '../index/library';
import { headingsWith } from '../index/questions/headings';
import { searched } from '../index/questions/search';
import { bestLines, foundLines, holdsPhrase } from './found-lines';
import { readSearch } from './read-search';
import { searchWords } from './words';
import { runs } from '../testing/test-runs';

describe('the words of a text', () => {
  it.each([
    ['The tide-clock of Évora #loans/out', ['the', 'tide', 'clock', 'of', 'evora', 'loans', 'out']],
    ['ﬁne ① ÅNGSTRÖM e\u0301', ['fine', '1', 'angstrom', 'e']],
    ['don’t a_b 3.5kg', ['don', 't', 'a_b', '3', '5kg']],
    ['海図 map', ['海', '図', 'map']],
    ['שלום עולם', ['שלום', 'עולם']],
    ['', []],
    ['— !? 🙂', []],
  ])('%s', (text, words) => {
    expect(searchWords(text)).toEqual(words);
  });
});

describe('what is typed into the field of a search', () => {
  it.each([
    ['crate', ['crate'], [], true, null],
    ['crate ', ['crate'], [], false, null],
    ['crate #loans due < today', ['crate'], [], false, '#loans and due < today'],
    ['crate #loans due < today + 2 weeks high', ['crate', 'high'], [], true, '#loans and due < today + 2 weeks'],
    ['due<today crate', ['crate'], [], true, 'due<today'],
    ['not #loans @kofi [[Salt on the Glass]] glass', ['glass'], [], true, 'not #loans and @kofi and [[Salt on the Glass]]'],
    ['"glass case" rider', ['rider'], [['glass', 'case']], true, null],
    ['crate where open or late', ['crate'], [], false, '(open or late)'],
    ['where open', [], [], false, 'open'],
    ['where', ['where'], [], true, null],
    // A sign that makes no condition is no reason to find nothing.
    ['a < b', ['a', 'b'], [], true, null],
    ['# = @', [], [], true, null],
    ['priority >= high crate', ['crate'], [], true, 'priority >= high'],
    ['owner = @kofi keys', ['keys'], [], true, 'owner = @kofi'],
  ])('%s', (typed, words, phrases, open, condition) => {
    expect(readSearch(typed)).toEqual({ words, phrases, open, condition, problem: null });
  });

  it('what cannot be read behind “where” is said, and the words are looked for', () => {
    expect(readSearch('crate where due')).toMatchObject({
      words: ['crate'],
      condition: null,
      problem: expect.stringContaining('expected') as unknown,
    });
  });

  it('ten thousand letters are cut, and that is said', () => {
    const search = readSearch('crate '.repeat(2000));
    expect(search.words).toHaveLength(24);
    expect(search.problem).toContain('first 24 words');
  });
});

function library(notes: Record<string, string>): Library {
  const made = new Library({ today: 20780, firstDayOfWeek: 1, dateStyle: 'words', me: null, workingDay: 480 });
  made.apply(Object.entries(notes).map(([path, text]) => ({ path, text })));
  return made;
}

const NOTES = {
  'Crates.md':
    '# All crates\n\n- [ ] Weigh the crate of the tide clock #loans {due 2026-11-20}\n- [x] Paint it\n\nThe lid of the crate is oak.',
  'Clock.md': 'The clock came without its crate.\n',
  'People/Évora.md': '---\nkind: person\nhandle: evora\n---\nKeeps barometers.\n',
};

const find = (typed: string, shows: 'all' | 'tasks' | 'open' = 'all'): string[] =>
  searched(library(NOTES), typed, shows, 50).notes.map(({ title }) => title);

describe('finding notes', () => {
  it.each([
    ['crate clock', 'all', ['Clock', 'Crates']],
    ['crate', 'open', ['Crates']],
    ['evora', 'all', ['Évora']],
    ['barom', 'all', ['Évora']],
    ['barom ', 'all', []],
    ['"the crate is"', 'all', ['Crates']],
    ['"crate the"', 'all', []],
    ['crate #loans', 'all', ['Crates']],
    ['crate due > today', 'all', []],
    ['#loans', 'all', ['Crates']],
    ['crate kitchen', 'all', []],
    ['!!!', 'all', []],
  ] as const)('%s (%s)', (typed, shows, titles) => {
    expect(new Set(find(typed, shows))).toEqual(new Set(titles));
  });

  it('one letter may be wrong from five on, and that is said', () => {
    const { notes } = searched(library(NOTES), 'barometars ', 'all', 5);
    expect(notes.map(({ title, near }) => [title, near])).toEqual([['Évora', ['barometers']]]);
    expect(find('crete')).toContain('Crates');
    // What is there as it was typed needs no such word.
    expect(searched(library(NOTES), 'crate ', 'all', 5).notes.flatMap(({ near }) => near)).toEqual([]);
    expect(find('crxxe')).toEqual([]);
    // Four letters are as they are.
    expect(find('clok ')).toEqual([]);
  });

  it('shows the lines that say most of it, and the gather of its tasks', () => {
    const answer = searched(library(NOTES), 'crate tide', 'all', 5, 1);
    expect(answer.notes[0]?.lines).toEqual([{ line: 2, text: '- [ ] Weigh the crate of the tide clock #loans {due 2026-11-20}' }]);
    const rows = library(NOTES)
      .ask(answer.gather ?? '')
      .answer.groups.flatMap((group) => group.rows.map(({ row }) => row.task.text));
    expect(rows).toEqual(['Weigh the crate of the tide clock #loans']);
  });

  it('follows changed, renamed and deleted notes', () => {
    const made = library(NOTES);
    const titles = (typed: string): string[] => searched(made, typed, 'all', 50).notes.map(({ title }) => title);
    expect(titles('oak')).toEqual(['Crates']);
    made.apply([{ path: 'Crates.md', text: 'Now of pine.' }]);
    expect([titles('oak'), titles('pine')]).toEqual([[], ['Crates']]);
    made.apply([
      { path: 'Crates.md', text: null },
      { path: 'Boxes.md', text: 'Now of pine.' },
    ]);
    expect(titles('pine')).toEqual(['Boxes']);
  });
});

it('lines and phrases', () => {
  const lines = foundLines('one two\ntwo\r\nthree\n\none', new Set(['one', 'two']));
  expect(lines.map(({ line }) => line)).toEqual([0, 1, 4]);
  expect(bestLines(lines, new Set(['one', 'two']), 2).map(({ line }) => line)).toEqual([0, 1]);
  expect(holdsPhrase('the Glass-case', ['glass', 'case'])).toBe(true);
  expect(holdsPhrase('case glass', ['glass', 'case'])).toBe(false);
});

it('misses nothing that holds the words whole: as a plain scan of the texts says', () => {
  const word = fc.constantFrom('crate', 'Crates', 'glass', 'tide', 'clock', 'café', 'CAFE\u0301', 'of', 'Evora', '#loans', '@kofi', 'a-b');
  const text = fc.array(word, { maxLength: 12 }).map((words) => words.join(' '));
  // A scan of its own: words parted where no letter or digit stands, accents and case taken off one by one.
  const bare = (one: string): string =>
    [...one.normalize('NFD')]
      .filter((sign) => !/\p{M}/u.test(sign))
      .join('')
      .toLowerCase();
  const wordsOf = (one: string): string[] =>
    bare(one)
      .split(/[^\p{L}\p{N}_]+/u)
      .filter((part) => part !== '');
  fc.assert(
    fc.property(fc.array(text, { minLength: 1, maxLength: 8 }), fc.array(word, { minLength: 1, maxLength: 3 }), (texts, typed) => {
      const made = library(Object.fromEntries(texts.map((one, index) => [`Note ${index}.md`, one])));
      const plain = typed.filter((one) => !/^[#@]/.test(one));
      if (plain.length === 0) return;
      const wanted = plain.flatMap(wordsOf);
      const found = new Set(searched(made, `${plain.join(' ')} `, 'all', 100).notes.map(({ path }) => path));
      texts.forEach((one, index) => {
        const words = new Set([...wordsOf(one), 'note', String(index)]);
        if (wanted.every((want) => words.has(want))) expect(found).toContain(`Note ${index}.md`);
      });
    }),
    { numRuns: runs(200) },
  );
});

it('headings that hold the words, the last one begun', () => {
  const made = library({
    'A.md': '# Loans out\n\nloans and crates\n\nLoans in\n---\n\n```\n# Loans in code\n```\n',
    'B.md': '## Crates, and loans\n',
    'C.md': 'loans\n',
  });
  const told = (typed: string): string[] => headingsWith(made, typed).map(({ path, line, words }) => `${path}:${line + 1} ${words}`);
  expect(told('loa').sort()).toEqual(['A.md:1 Loans out', 'A.md:5 Loans in', 'B.md:1 Crates, and loans']);
  expect(told('loans crat')).toEqual(['B.md:1 Crates, and loans']);
  expect(told('!!')).toEqual([]);
});
