import fc from 'fast-check';
import { SHIPPED_PAGES } from '../agenda/shipped';
import { isoDay, readIsoDay } from '../calendar/day';
import { withoutLimits } from '../gather/saying/without-limits';
import { readNote } from '../task/reading/read-note';
import { ACTION_DEFAULTS } from '../task/acts/action-context';
import { actTogether } from '../task/acts/act-across';
import { isOpen } from '../task/line/status';
import { Library, type LibrarySettings } from './library';
import { type AnswerNews, answersAfter } from './live/news';
import { shelfOf } from './live/shelf';
import type { AnswerView, RowView } from './live/view';
import { loadPatterns } from '../gather/language/pattern';
import { runs } from '../testing/test-runs';

beforeAll(loadPatterns);

const TODAY = readIsoDay('2026-11-23') ?? 0;
const SETTINGS: LibrarySettings = {
  today: TODAY,
  firstDayOfWeek: 1,
  dateStyle: 'words',
  me: null,
  workingDay: 480,
};

function libraryOf(notes: Record<string, string>, settings: LibrarySettings = SETTINGS): Library {
  const library = new Library(settings);
  library.apply(Object.entries(notes).map(([path, text]) => ({ path, text })));
  return library;
}

function ask(library: Library, text: string, at: string | null = null): AnswerView {
  library.subscribe('asked', text, at);
  const answer = library.answer('asked');
  if (!answer) throw new Error('the gather was just subscribed');
  return answer;
}

function textsOf(answer: AnswerView): string[] {
  const flat = (row: RowView): string[] => [row.text, ...row.steps.flatMap(flat)];
  return answer.groups.flatMap((group) => group.rows.flatMap(flat));
}

const NOTES = {
  'Exhibitions/Salt on the Glass.md': [
    '---',
    'kind: project',
    'tags: [exhibition]',
    'about: ["[[Cabinet of Gales]]"]',
    '---',
    '## Loans #loans',
    '- [ ] Ask @ilse for the report {due 2026-11-27; takes 30m; top}',
    '  - [x] photographs {done 2026-11-20}',
    '  - [ ] lux limit',
    '- [ ] Sign the rider {due 2026-11-20; high}',
    '- [:] Agreement from @lars {plan 2026-11-25 09:00}',
    '## Texts',
    '- [_] Label drafts {plan 2026-11-23 09:00; due 2026-11-23; takes 90m}',
    '- [ ] Proofread {start 2026-12-01; due 2026-12-08; low}',
    '- [ ] Read the log {due 2026-11-30; every weekday}',
    '- [ ] Wall colours {plan 2026-W48}',
  ].join('\n'),
  'Journal/2026-11-23.md': '- [ ] Answer the request\n- [ ] Call @kofi #phone\n',
  'People/Kofi.md': '---\nkind: person\nhandle: kofi\n---\n- [ ] Crate keys\n- [-] Old keys {cancelled 2026-11-02}\n',
  'Old.md': '---\nkind: archive\n---\n- [ ] Long ago\n',
};

describe('conditions', () => {
  const library = libraryOf(NOTES);
  it.each([
    ['late', ['Sign the rider']],
    ['due = today', ['Label drafts']],
    ['waiting', ['Agreement from @lars']],
    ['#loans and open and without due and not is step', ['Agreement from @lars']],
    ['own #loans', []],
    ['#exhibition and late', ['Sign the rider']],
    ['@kofi and open', ['Call @kofi #phone', 'Crate keys']],
    ['own @kofi', ['Call @kofi #phone']],
    ['"lab"', ['Label drafts']],
    ['[[Cabinet of Gales]] and late', ['Sign the rider']],
    ['[[Kofi]] and open', ['Crate keys']],
    ['plan = 2026-W48', ['Label drafts', 'Wall colours', 'Agreement from @lars']],
    ['plan < tomorrow', ['Label drafts']],
    ['due in next 5 days', ['Ask @ilse for the report', 'Label drafts']],
    ['due in 2026-11-26..2026-11-27', ['Ask @ilse for the report']],
    ['done = 2026-11-20', ['photographs']],
    ['cancelled', ['Old keys']],
    ['resting', ['Read the log', 'Proofread']],
    ['with start', ['Proofread']],
    ['priority >= high', ['Sign the rider', 'Ask @ilse for the report']],
    ['priority = low including resting', ['Proofread']],
    ['takes <= 30m', ['Ask @ilse for the report']],
    ['unsorted', ['Answer the request']],
    ['journal = today', ['Answer the request', 'Call @kofi #phone']],
    ['kind = archive', ['Long ago']],
    ['kind = person and open', ['Crate keys']],
    ['heading = "Texts" and not resting', ['Label drafts', 'Wall colours']],
    ['path in "Exhibitions" and waiting', ['Agreement from @lars']],
    ['text like /^label .*s$/i', ['Label drafts']],
    ['text like /^label .*s$/', []],
    ['(waiting or underway) and not "label"', ['Agreement from @lars']],
  ])('%s', (where, expected) => {
    const answer = ask(library, where);
    expect(answer.errors).toEqual([]);
    expect(textsOf(answer)).toEqual(expected);
  });

  it('answers “this note” and “this day” for the note that holds the block', () => {
    expect(textsOf(ask(library, 'this day', 'Journal/2026-11-23.md'))).toEqual([
      'Label drafts',
      'Wall colours',
      'Answer the request',
      'Call @kofi #phone',
    ]);
    expect(ask(library, 'this note', 'People/Kofi.md').total).toBe(2);
    expect(textsOf(ask(library, 'open and this person', 'People/Kofi.md'))).toContain('Call @kofi #phone');
  });

  it('leaves resting tasks out, and counts them', () => {
    const answer = ask(library, 'due > today and open');
    expect(textsOf(answer)).toEqual(['Ask @ilse for the report']);
    expect(answer.resting).toBe(2);
    expect(ask(library, 'due > today and open\nincluding resting').total).toBe(3);
  });

  it('shows a step inside the row of its nearest parent in the same group', () => {
    const answer = ask(library, '#loans');
    const parent = answer.groups[0]?.rows.find((row) => row.text.startsWith('Ask'));
    expect(parent?.steps.map((step) => step.text)).toEqual(['photographs', 'lux limit']);
    expect(answer.total).toBe(5);
    expect([parent?.stepsDone, parent?.stepCount]).toEqual([1, 2]);
  });

  it('groups by period, each without the ones before it', () => {
    const answer = ask(library, 'open\nincluding resting\ngroup by period');
    expect(answer.groups.map((group) => [group.label, group.count])).toEqual([
      ['Late', 1],
      ['Today', 1],
      ['This week', 3],
      ['Next week', 1],
      ['Later', 1],
      ['No date', 4],
    ]);
  });

  it('puts a task with two tags in both groups and counts it once', () => {
    const two = libraryOf({ 'A.md': '- [ ] one #a #b\n- [ ] none\n' });
    const answer = ask(two, 'open group by tag');
    expect(answer.groups.map((group) => group.label)).toEqual(['#a', '#b', 'No tag']);
    expect(answer.total).toBe(2);
  });

  it('finds nothing while a condition is half typed, and says what is wrong', () => {
    const typed = libraryOf(NOTES);
    typed.subscribe('typed', 'open and late', null);
    expect(typed.answer('typed')?.total).toBe(1);
    typed.subscribe('typed', 'open and lat', null);
    expect(typed.answer('typed')?.total).toBe(0);
    expect(typed.answer('typed')?.errors[0]?.message).toContain('“late”');
  });
});

/** Notes with tasks of every kind: nested, resting, repeating, planned for weeks, in journals, under headings. */
const DAY = fc.integer({ min: -40, max: 40 }).map((offset) => isoDay(TODAY + offset));
const CLAUSE = fc.oneof(
  DAY.map((day) => `due ${day}`),
  DAY.map((day) => `plan ${day}`),
  DAY.map((day) => `plan ${day} 09:30`),
  DAY.map((day) => `start ${day}`),
  fc.constantFrom('plan 2026-W47', 'plan 2026-W48', 'plan 2026-W49', 'plan 2026-11', 'plan 2026-12', 'every weekday', 'every month on 15'),
  fc.constantFrom(
    'top',
    'high',
    'low',
    'owner @kofi',
    'asked @bea',
    'takes 30m',
    'start 3 days before',
    'key',
    'ref k3f9qa',
    'due 2026-02-30',
  ),
);
const TASK = fc
  .tuple(
    fc.constantFrom('', '  ', '    ', '> '),
    fc.constantFrom(' ', '_', ':', 'x', '-', '?', 'X'),
    fc.constantFrom('Crates', 'Call #phone', 'Ask @ilse', 'See [[Kofi]]'),
    fc.array(CLAUSE, { maxLength: 4 }),
  )
  .map(([indent, sign, words, clauses]) => `${indent}- [${sign}] ${words}${clauses.length ? ` {${clauses.join('; ')}}` : ''}`);
const LINE = fc.oneof(
  { weight: 6, arbitrary: TASK },
  { weight: 1, arbitrary: fc.constantFrom('', 'words', '## Loans #loans', '- plain', '```') },
);
const NOTE_TEXT = fc.array(LINE, { maxLength: 12 }).map((lines) => lines.join('\n'));
const LIBRARY = fc.tuple(NOTE_TEXT, NOTE_TEXT, NOTE_TEXT).map(([a, b, c]): Record<string, string> => ({
  'A.md': a,
  'Journal/2026-11-23.md': b,
  'People/Kofi.md': `---\nkind: person\n---\n${c}`,
}));

/** An answer without what names its groups, its rows and its unknown names for the time being. */
function comparable(answer: AnswerView | undefined): unknown {
  const nameless = (rows: readonly RowView[]): unknown[] => rows.map((row) => ({ ...row, key: '', steps: nameless(row.steps) }));
  return answer && { ...answer, hints: [], groups: answer.groups.map((group) => ({ ...group, id: 0, rows: nameless(group.rows) })) };
}

describe('what the head of a list counts', () => {
  const heads = (text: string): unknown[] => {
    const answer = ask(libraryOf(NOTES), text);
    return [
      answer.total,
      answer.steps,
      answer.rests,
      ...answer.groups.map(({ label, count, steps }) => `${label}: ${count - steps} + ${steps}`),
    ];
  };

  it('steps inside rows apart, in the whole and in each group, also where a task stands in two of them', () => {
    expect(heads('open and [[Salt on the Glass]]')).toEqual([6, 1, 0, ': 5 + 1']);
    expect(heads('open and [[Salt on the Glass]]\nsteps apart').slice(0, 2)).toEqual([6, 0]);
    expect(heads('open and [[Salt on the Glass]]\ngroup by tag').slice(0, 2)).toEqual([6, 1]);
    expect(heads('open and [[Salt on the Glass]]\nlimit 2').slice(0, 2)).toEqual([6, 1]);
  });

  it('how many rest, where they are brought in', () => {
    expect(heads('open and [[Salt on the Glass]]\nincluding resting').slice(0, 3)).toEqual([8, 1, 2]);
  });
});

describe('laws', () => {
  it.each([
    ['Today, Ahead, Undated or Resting', /Today|Ahead|Undated|Resting/, SETTINGS],
    // What is off the table stands on its own page then, and on none of those that leave it out.
    ['these or Not now', /Today|Ahead|Undated|Resting|Not now/, { ...SETTINGS, notNowTag: 'loans', hidesNotNow: true }],
  ])('every open task stands on %s (common practice, no source)', (_, names, settings) => {
    const pages = SHIPPED_PAGES.filter((page) => names.test(page.path));
    fc.assert(
      fc.property(LIBRARY, (notes) => {
        const library = libraryOf(notes, settings);
        const isAside = (row: RowView): boolean => settings.hidesNotNow === true && row.tags.includes('loans');
        const seen = new Map<string, number>();
        for (const page of pages) {
          const gathers = readNote(page.path, page.text).gathers;
          const onPage = new Set<string>();
          gathers.forEach((gather, index) => {
            // A limit folds; what is folded still stands on the page.
            library.subscribe(`${page.path} ${index}`, withoutLimits(gather.text), page.path);
            const answer = library.answer(`${page.path} ${index}`);
            expect(answer?.errors).toEqual([]);
            const walk = (row: RowView): void => {
              // No two lists of Today hold the same task.
              if (isOpen(row.status)) expect(onPage.has(row.id)).toBe(false);
              // What is planned after today is not asked for today, whatever its due day.
              if (/Today/.test(page.path) && isOpen(row.status)) expect(row.plan?.from ?? TODAY).toBeLessThanOrEqual(TODAY);
              if (/Today|Ahead|Undated/.test(page.path)) expect(isAside(row)).toBe(false);
              onPage.add(row.id);
              row.steps.forEach(walk);
            };
            answer?.groups.forEach((group) => group.rows.forEach(walk));
          });
          for (const id of onPage) seen.set(id, (seen.get(id) ?? 0) + 1);
        }
        for (const row of library.rows()) {
          if (isOpen(row.task.status)) expect(seen.has(`${row.head.path}:${row.task.line}`)).toBe(true);
        }
      }),
      { numRuns: runs(80), seed: 20261123 },
    );
  });

  it('after all of Today was carried on, its open lists are empty', () => {
    const today = readNote('Agenda/Today.md', SHIPPED_PAGES[0]?.text ?? '').gathers.map((gather) => gather.text);
    const openOnToday = (library: Library): RowView[] =>
      today.flatMap((text) => {
        const flat = (row: RowView): RowView[] => [row, ...row.steps.flatMap(flat)];
        return ask(library, text)
          .groups.flatMap((group) => group.rows.flatMap(flat))
          .filter((row) => isOpen(row.status));
      });
    fc.assert(
      fc.property(
        LIBRARY,
        fc.constantFrom('tomorrow', 'next week', '1 dec 2026'),
        fc.constantFrom('skip', 'along'),
        (notes, to, repeats) => {
          const rows = openOnToday(libraryOf(notes));
          const context = { now: { day: TODAY, minute: 554 }, settings: ACTION_DEFAULTS, makeRef: () => 'k3f9qa' };
          const shelf = shelfOf(Object.entries(notes).map(([path, text]) => ({ path, text })));
          const acts = actTogether(shelf, context);
          for (const { path, line, raw } of rows.toSorted((a, b) => b.line - a.line))
            expect(acts.act({ path, line, expected: raw }, { do: 'carry', to, repeats })).toBeNull();
          const after = { ...notes, ...Object.fromEntries(acts.outcome().files.map(({ path, text }) => [path, text])) };
          expect(openOnToday(libraryOf(after)).map((row) => row.raw)).toEqual([]);
        },
      ),
      { numRuns: runs(80), seed: 20261123 },
    );
  });

  const QUESTIONS = [
    'open',
    'late',
    'open and #phone group by note',
    'resting group by back',
    'open group by period limit 3',
    'open group by tag, status limit 1 per group',
    'open or done group by note by count totals count, takes, progress',
    'open order by text steps apart',
    'from notes where open > 0 order by open desc',
    'from notes group by kind',
    'from key points',
    '@kofi order by due desc',
    '[[Kofi]]',
  ];

  it('an index that was changed note by note answers like a fresh one', () => {
    fc.assert(
      fc.property(
        LIBRARY,
        fc.array(fc.tuple(fc.constantFrom('A.md', 'B.md', 'People/Kofi.md'), fc.option(NOTE_TEXT)), { maxLength: 6 }),
        fc.constantFrom(0, 1, 2, Infinity),
        (notes, changes, most) => {
          const changed = libraryOf(notes);
          QUESTIONS.forEach((question, index) => changed.subscribe(String(index), question, null));
          const texts: Record<string, string> = { ...notes };
          // What the page holds: the answer once, perhaps without its last rows, then only what is told as different.
          const ids = QUESTIONS.map((_, index) => String(index));
          const tell = (touched: readonly string[]): Record<string, AnswerNews> =>
            Object.fromEntries(touched.map((id) => [id, changed.news(id, most) as AnswerNews]));
          let page = answersAfter({}, tell(ids));
          for (const [path, text] of changes) {
            page = answersAfter(page, tell(changed.apply([{ path, text }])));
            if (text === null) delete texts[path];
            else texts[path] = text;
          }
          page = answersAfter(page, tell(ids.filter((id) => changed.owes(id))));
          expect(ids.some((id) => changed.owes(id))).toBe(false);
          const fresh = libraryOf(texts);
          QUESTIONS.forEach((question, index) => {
            expect(comparable(page[String(index)])).toEqual(comparable(ask(fresh, question)));
            expect(comparable(changed.answer(String(index)) ?? undefined)).toEqual(comparable(ask(fresh, question)));
          });
          changed.takeTouchedDays();
          fresh.takeTouchedDays();
          expect(changed.total).toEqual(fresh.total);
          expect([changed.taskCount, changed.lineCount]).toEqual([fresh.taskCount, fresh.lineCount]);
        },
      ),
      { numRuns: runs(70), seed: 20261123 },
    );
  });

  const CONDITION = fc.letrec<{ tree: string }>((tie) => ({
    tree: fc.oneof(
      { depthSize: 'small', withCrossShrink: true },
      fc.constantFrom(
        'open',
        'late',
        '#phone',
        '@ilse',
        'due < today',
        'plan = 2026-W48',
        'without plan',
        'resting',
        'with start',
        'priority >= high',
        '"call"',
        'takes > 10m',
      ),
      fc.tuple(tie('tree'), fc.constantFrom('and', 'or'), tie('tree')).map(([a, word, b]) => `(${a} ${word} ${b})`),
      tie('tree').map((a) => `not ${a}`),
    ),
  })).tree;

  it('a and b lies in a; not not a is a; a and its opposite split the whole', () => {
    fc.assert(
      fc.property(LIBRARY, CONDITION, CONDITION, (notes, a, b) => {
        const library = libraryOf(notes);
        const ids = (where: string): string[] => {
          const answer = ask(library, `where ${where}\nincluding resting`);
          const flat = (row: RowView): string[] => [row.id, ...row.steps.flatMap(flat)];
          return answer.groups.flatMap((group) => group.rows.flatMap(flat)).sort();
        };
        const inA = ids(a);
        expect(ids(`(${a}) and (${b})`).every((id) => inA.includes(id))).toBe(true);
        expect(ids(`not not (${a})`)).toEqual(inA);
        expect([...inA, ...ids(`not (${a})`)].sort()).toEqual(ids('open or closed'));
      }),
      { numRuns: runs(70), seed: 20261123 },
    );
  });
});
