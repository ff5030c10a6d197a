import { readIsoDay } from '../../calendar/day';
import { Library } from '../../index/library';
import { type AnswerNews, answersAfter } from '../../index/live/news';
import { columnsOf } from '../../index/live/view';
import { parseGather } from '../language/parse';
import { renameInGather } from '../saying/rename-in-gather';
import { unknownNames } from '../offering/unknown-names';

const TODAY = readIsoDay('2026-11-23') ?? 0;
const SETTINGS = { today: TODAY, firstDayOfWeek: 1, dateStyle: 'words', me: null, workingDay: 480 } as const;

/** The columns of a board as the page has them: from a live answer, also after lines were put there and taken away again. */
function boardFrom(text: string, lines: string[]): [string, string[]][] {
  const library = new Library(SETTINGS);
  library.apply([{ path: 'A.md', text: lines.slice(1).join('\n') }]);
  library.subscribe('board', text, null);
  let answers = answersAfter({}, { board: library.news('board') as AnswerNews });
  for (const shown of [[...lines, '- [x] another {done 2026-11-21}'], lines]) {
    library.apply([{ path: 'A.md', text: shown.join('\n') }]);
    answers = answersAfter(answers, { board: library.news('board') as AnswerNews });
  }
  const answer = answers['board'];
  expect(answer?.errors).toEqual([]);
  return (answer ? (columnsOf(answer) ?? []) : []).map((column) => [
    `${column.label}${column.more > 0 ? ` +${column.more}` : ''}`,
    column.cards.map((card) => card.text),
  ]);
}

describe('a board', () => {
  it('by status has the three open ones and one of what is finished, the latest first', () => {
    const lines = ['- [ ] a', '- [:] b', '- [x] c {done 2026-11-20}', '- [-] d {cancelled 2026-11-22}', '- [x] e'];
    expect(boardFrom('as board by status', lines)).toEqual([
      ['To do', ['a']],
      ['Under way', []],
      ['Waiting', ['b']],
      ['Finished', ['d', 'c', 'e']],
    ]);
  });

  it('shows the last ten that were finished', () => {
    const lines = Array.from({ length: 13 }, (_, index) => `- [x] t${index} {done 2026-11-${String(index + 1).padStart(2, '0')}}`);
    const finished = boardFrom('as board by status', lines).at(-1);
    expect(finished?.[0]).toBe('Finished +3');
    expect(finished?.[1][0]).toBe('t12');
    expect(finished?.[1]).toHaveLength(10);
  });

  it('has the named columns in their order, and loses nothing that stands in no named one', () => {
    const lines = ['- [ ] a #x', '- [ ] b #y', '- [ ] c', '- [ ] d #z'];
    expect(boardFrom('as board by tag (y, x, none)', lines)).toEqual([
      ['#y', ['b #y']],
      ['#x', ['a #x']],
      ['No tag', ['c']],
      ['#z', ['d #z']],
      ['Finished', []],
    ]);
  });

  it('by tag keeps what is finished apart, once; by heading it stands under the heading for it', () => {
    const lines = [
      '- [x] a #x #y {done 2026-11-20}',
      '- [ ] b #y',
      '## Ideas',
      '- [ ] c',
      '- [x] d',
      '## Finished',
      '- [x] e {done 2026-11-21}',
    ];
    expect(boardFrom('as board by tag', lines)).toEqual([
      ['#y', ['b #y']],
      ['No tag', ['c']],
      ['Finished', ['e', 'a #x #y', 'd']],
    ]);
    expect(boardFrom('as board by heading ("Ideas", "Drawn", "Finished")', lines)).toEqual([
      ['Ideas', ['c', 'd']],
      ['Drawn', []],
      ['No heading', ['a #x #y', 'b #y']],
      ['Finished', ['e']],
    ]);
  });
});

describe('renaming in a gather', () => {
  it.each([
    ['open and path in "Exhibitions"', { is: 'folder', before: 'exhibitions', after: 'Shows' } as const, 'open and path in "Shows"', 1],
    [
      'path in "Exhibitions/Old" or path in "Exhibitionsroom"',
      { is: 'folder', before: 'Exhibitions', after: 'Shows' } as const,
      'path in "Shows/Old" or path in "Exhibitionsroom"',
      1,
    ],
    [
      'heading = "Loans" and "Loans"',
      { is: 'heading', before: 'Loans', after: 'Lent "out"' } as const,
      'heading = "Lent \\"out\\"" and "Loans"',
      1,
    ],
    [
      'note != "Kofi" -- note = "Kofi"',
      { is: 'note', retarget: (title: string) => (title === 'Kofi' ? 'Registrar' : null) } as const,
      'note != "Registrar" -- note = "Kofi"',
      1,
    ],
    [
      'title Kofi\nnote = "Ilse"',
      { is: 'note', retarget: (title: string) => (title === 'Kofi' ? 'Registrar' : null) } as const,
      'title Kofi\nnote = "Ilse"',
      0,
    ],
  ])('%s', (text, rename, wanted, places) => expect(renameInGather(text, rename)).toEqual({ text: wanted, places }));
});

describe('names that nothing bears', () => {
  const library = new Library(SETTINGS);
  library.apply([{ path: 'Exhibitions/Salt.md', text: '---\ntitle: Salt on the Glass\n---\n- [ ] a #loans #place/archive @kofi' }]);
  it.each([
    ['#loan', ['#loan is named nowhere. The nearest is #loans.']],
    ['#loans and #place and @kofi and @me and [[Salt on the Glass]] and path in "Exhibitions"', []],
    [
      '@koffi or [[Salt on the Grass#Loans]]',
      ['@koffi is named nowhere. The nearest is @kofi.', '“Salt on the Grass” is named nowhere. The nearest is “Salt on the Glass”.'],
    ],
    ['note = "Barometers"', ['“Barometers” is named nowhere.']],
    ['path in "Exhibition"', ['The folder “Exhibition” is named nowhere. The nearest is “Exhibitions”.']],
    ['title #loan\nopen', []],
  ])('%s', (text, wanted) => {
    library.subscribe('asked', text, null);
    expect(library.answer('asked')?.hints.map((hint) => hint.message)).toEqual(wanted);
    for (const { from, to } of library.answer('asked')?.hints ?? []) expect(text.slice(from, to)).not.toBe('');
  });
  it('are looked for again when names come', () => {
    library.subscribe('build', '#build', null);
    expect(library.answer('build')?.hints).toHaveLength(1);
    library.apply([{ path: 'B.md', text: '- [ ] b #build' }]);
    expect(library.answer('build')?.hints).toEqual([]);
    expect(
      unknownNames('', { tags: library.tagNames, people: library.peopleNames, hasNote: () => true, notes: () => [], folders: () => [] }),
    ).toEqual([]);
  });
});

describe('notes, meetings and key points', () => {
  const library = new Library(SETTINGS);
  library.apply([
    {
      path: 'P/Salt.md',
      text: '---\nkind: project\nstate: active\ndue: 2026-12-01\ntags: [exhibition]\n---\n- [ ] a\n- [x] b\n- The lens is on loan until May #loans {key}\n- [ ] c {key}',
    },
    { path: 'P/Gales.md', text: '---\nkind: project\nstate: later\n---\n- [x] d' },
    { path: 'P/Reef.md', text: '---\nkind: project\n---\n' },
    { path: 'M/Round.md', text: '---\nkind: meeting\ndate: 2026-11-20\npeople: [noor]\n---\n- [ ] e' },
  ]);
  const found = (text: string): string[] => {
    library.subscribe('asked', text, null);
    const answer = library.answer('asked');
    expect(answer?.errors).toEqual([]);
    return (
      answer?.groups.flatMap((group) => group.rows.map((row) => (group.label === '' ? row.text : `${group.label}: ${row.text}`))) ?? []
    );
  };
  it.each([
    ['from notes where kind = project', ['Salt', 'Gales', 'Reef']],
    ['from notes where open > 0 order by open desc', ['Salt', 'Round']],
    ['from notes where done >= 1 and progress < 50%', ['Salt']],
    ['from notes where state = active or state != active order by title', ['Gales', 'Reef', 'Salt']],
    ['from notes where due < 2026-12-24 and #exhibition', ['Salt']],
    ['from notes where title has "ROU"', ['Round']],
    ['from notes where without due and path in "P"', ['Gales', 'Reef']],
    ['from meetings where date in last 7 days', ['Round']],
    ['from meetings where @noor', ['Round']],
    ['from notes group by state', ['Active: Salt', 'Active: Reef', 'Later: Gales', 'No state: Round']],
    ['from notes where state = active', ['Salt', 'Reef']],
    ['from key points', ['The lens is on loan until May #loans', 'c']],
    ['from key points where #loans', ['The lens is on loan until May #loans']],
    ['from key points where open', ['c']],
    ['from key points group by note', ['Salt: The lens is on loan until May #loans', 'Salt: c']],
  ])('%s', (text, wanted) => expect(found(text)).toEqual(wanted));

  it.each([
    ['from notes where late', 'a condition on notes'],
    ['from notes order by priority', 'a key to order by'],
    ['from notes columns priority', 'a field'],
    ['from nowhere', 'one of tasks'],
  ])('%s is told as an error', (text, words) => {
    expect(parseGather(text).errors[0]?.message).toContain(words);
    expect(parseGather(text).gather.where).toBeNull();
  });
});
