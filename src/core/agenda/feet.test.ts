import { readFileSync, readdirSync } from 'node:fs';
import path from 'node:path';
import { readNote } from '../task/reading/read-note';
import { Library } from '../index/library';
import { parseGather } from '../gather/language/parse';
import { SHIPPED_FEET } from './feet';

const TODAY = 20780; // 2026-11-23, a Monday
const DEMO = path.join(__dirname, '../../../demo');

const NOTES = {
  'People/Kofi.md': '---\nkind: person\nhandle: kofi\n---\n- [ ] Thank him #raise\n- [ ] Return his pen\n',
  'Projects/Storage.md':
    '---\nkind: project\nabout: ["[[Winter]]"]\n---\n- [ ] Count the drawers\n- [:] Quote from Teo\n- [ ] Oil the lock {start 2027-01-01}\n- The lift holds 200 kg {key}\n',
  'Goals/Winter.md': '---\nkind: goal\n---\n- [ ] Walk each week\n',
  'Tags/loans.md': '---\nkind: tag\nhandle: "#loans"\n---\nWhat we lend.\n',
  'Loose.md': [
    '- [ ] Ask @kofi about the keys {due 2026-11-20}',
    '- [ ] Sign the list {owner @kofi}',
    '- [ ] Send him the list {asked @kofi}',
    '- [ ] Tell @kofi of the lamp #raise #loans',
    '- [x] Met @kofi {done 2026-11-20}',
    '- [x] Met @kofi long ago {done 2026-10-01}',
    '- @kofi likes mornings {key}',
    '- [ ] Shelves for [[Storage]] #loans/out',
    '- [ ] Bulbs for [[Winter]] #loans {start 2027-02-01}',
    '- [x] Lent the bell #loans {done 2026-11-22}',
    '- [ ] Weigh the crates {due 2026-11-23}',
    '- [ ] Paint the hull {plan 2026-11-25}',
    '- [x] Swept {done 2026-11-23 08:00}',
  ].join('\n'),
  'Journal/2026-11-23.md': '- [ ] Late here {due 2026-11-20}\n- [ ] Of the page\n',
};

function library(notes: Record<string, string> = NOTES): Library {
  const made = new Library({ today: TODAY, firstDayOfWeek: 1, dateStyle: 'words', me: null, workingDay: 480 });
  made.apply(Object.entries(notes).map(([at, text]) => ({ path: at, text })));
  return made;
}

const footOf = (kind: string): readonly string[] => {
  const found = SHIPPED_FEET.find(({ text }) => text.includes(`foot: ${kind}\n`));
  return found ? readNote(found.path, found.text).gathers.map((gather) => gather.text) : [];
};

const rowsOf = (library: Library, text: string, at: string | null): string[] =>
  library.ask(text, at).answer.groups.flatMap((group) => group.rows.map(({ row }) => row.task.text || row.head.title));

/** Each list of a foot by its title, for a place. */
const shown = (made: Library, kind: string, at: string): Record<string, string[]> =>
  Object.fromEntries(footOf(kind).map((text) => [parseGather(text).gather.title ?? '', rowsOf(made, text, at)]));

it('every foot reads without an error', () => {
  for (const kind of ['person', 'project', 'goal', 'tag', 'journal', 'archive'])
    for (const text of footOf(kind)) expect([kind, text, parseGather(text).errors]).toEqual([kind, text, []]);
});

describe('what stands under a note of a kind', () => {
  it.each([['People/Kofi.md'], ['@kofi'], ['@Kofi']])('a person, also without a note: %s', (at) => {
    const notes: Record<string, string> = { ...NOTES };
    if (at.startsWith('@')) delete notes['People/Kofi.md'];
    const own = at.startsWith('@') ? [] : ['Thank him #raise'];
    const lists = shown(library(notes), 'person', at);
    expect(new Set(lists['To raise'])).toEqual(new Set([...own, 'Tell @kofi of the lamp #raise #loans']));
    expect(lists['Open with them']?.includes('Return his pen')).toBe(!at.startsWith('@'));
    expect(lists).toMatchObject({
      'Owned by them': ['Sign the list'],
      'Asked by them': ['Send him the list'],
      'Finished lately': ['Met @kofi'],
      'Key points': ['@kofi likes mornings'],
    });
  });

  it('a project', () => {
    expect(shown(library(), 'project', 'Projects/Storage.md')).toEqual({
      'Next step': ['Count the drawers'],
      'Open elsewhere': ['Shelves for [[Storage]] #loans/out'],
      Waiting: ['Quote from Teo'],
      'Open here': ['Count the drawers', 'Quote from Teo'],
      'Key points': ['The lift holds 200 kg'],
    });
  });

  it('a goal: the projects that are about it, and tasks', () => {
    const lists = shown(library(), 'goal', 'Goals/Winter.md');
    expect(lists['Projects']).toEqual(['Storage']);
    expect(lists['Open']).toContain('Walk each week');
  });

  it.each([['Tags/loans.md'], ['#loans'], ['#LOANS']])('a tag, with those below it: %s', (at) => {
    const lists = shown(library(), 'tag', at);
    expect(new Set(lists['Open'])).toEqual(new Set(['Tell @kofi of the lamp #raise #loans', 'Shelves for [[Storage]] #loans/out']));
    expect(lists['Resting']).toEqual(['Bulbs for [[Winter]] #loans']);
    expect(lists['Finished in the last 14 days']).toEqual(['Lent the bell #loans']);
  });

  it('a day: what is late on the page of today only, nothing twice, and pages that are not begun', () => {
    const made = library();
    expect(shown(made, 'journal', 'Journal/2026-11-23.md')).toEqual({
      Late: ['Ask @kofi about the keys'],
      'Due and planned': ['Weigh the crates'],
      Finished: ['Swept'],
    });
    expect(shown(made, 'journal', 'Journal/2026-11-25.md')).toEqual({ Late: [], 'Due and planned': ['Paint the hull'], Finished: [] });
    expect(shown(made, 'journal', 'Journal/2026-11-20.md')['Late']).toEqual([]);
  });
});

it('a person who is renamed while the foot is open is meant by the new name', () => {
  const made = library({ 'People/Kofi.md': '---\nkind: person\nhandle: kofi\n---\n', 'A.md': '- [ ] Ask @kofi\n' });
  made.subscribe('foot', 'open and this person', 'People/Kofi.md');
  expect(made.answer('foot')?.total).toBe(1);
  const touched = made.apply([
    { path: 'People/Kofi.md', text: '---\nkind: person\nhandle: kofi.a\n---\n' },
    { path: 'A.md', text: '- [ ] Ask @kofi.a\n- [ ] Not @kofi\n' },
  ]);
  expect(touched).toContain('foot');
  expect(made.answer('foot')?.groups[0]?.rows.map((row) => row.text)).toEqual(['Ask @kofi.a']);
});

describe('the same gathers on an agenda page', () => {
  const notes = readdirSync(DEMO, { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.md'))
    .map((file) => [file, readFileSync(path.join(DEMO, file), 'utf8')] as const);
  const made = library(Object.fromEntries(notes));

  it.each([
    ['person', 'People/Kofi.md', [['this person', '@kofi']]],
    ['tag', '#loans', [['this tag', '#loans']]],
    [
      'project',
      'Projects/Storage move.md',
      [
        ['to this note', '([[Storage move]] and not note = "Storage move")'],
        ['this note', 'note = "Storage move"'],
      ],
    ],
    [
      'journal',
      'Journal/2026-11-23.md',
      [
        ['this day = today', 'with any date'],
        ['not this note', 'not note = "2026-11-23"'],
        ['this day', '2026-11-23'],
      ],
    ],
  ] as const)('hold the same rows: %s', (kind, at, written) => {
    for (const text of footOf(kind)) {
      // Whose they are is asked with the sign, whom they are with by the name.
      let plain = text.replace(/(owner|asked) = this person/g, '$1 = @kofi');
      for (const [here, anywhere] of written) plain = plain.replaceAll(here, anywhere);
      expect(parseGather(plain).errors).toEqual([]);
      if (kind === 'journal' && text.includes('this day = today') && !text.startsWith('title Late')) continue;
      expect([text, rowsOf(made, text, at)]).toEqual([text, rowsOf(made, plain, 'Agenda/Today.md')]);
    }
  });
});
