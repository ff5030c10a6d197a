import fc from 'fast-check';
import { readIsoDay } from '../../calendar/day';
import { timeName } from '../../calendar/span';
import { DAY_DEFAULTS, type DaySettings } from '../../day/day-settings';
import { OverviewKeeper, overviewOf } from '../live/overview-keeper';
import { overviewAfter, EMPTY_OVERVIEW } from '../live/overview';
import { Library } from '../library';
import { answerTo } from '../questions/questions';
import { figuresOf } from './figures-of';
import { dayItems } from './day-matter';
import { runs } from '../../testing/test-runs';

const MONDAY = readIsoDay('2026-11-23') ?? 0;
const PAGE = 'Journal/2026-11-23.md';

function libraryOf(notes: Record<string, string>, days: DaySettings = DAY_DEFAULTS): Library {
  const library = new Library({ today: MONDAY, firstDayOfWeek: 1, dateStyle: 'iso', me: null, workingDay: 480, days });
  library.apply(Object.entries(notes).map(([path, text]) => ({ path, text })));
  return library;
}

/** `09:00-10:00 Rounds (task, 60)`. */
const items = (notes: Record<string, string>, day = MONDAY): string[] =>
  dayItems(libraryOf(notes), day).map(({ kind, text, start, end, minutes }) => {
    const when = start === null ? '' : `${timeName(start)}-${end === null ? '' : timeName(end)} `;
    return `${when}${text} (${kind}, ${minutes ?? 'no length'})`;
  });

const MEETING = '---\nkind: meeting\ndate: 2026-11-23\nstart: 11:00\nend: 11:45\n---\n';

describe('the things of a day', () => {
  it.each<[string, Record<string, string>, string[]]>([
    ['nothing', {}, []],
    [
      'by time, then by hand, then by weight and place',
      {
        [PAGE]: '## Plan\n- [ ] [Ask](recado:k3f9qa)\n- [ ] Take the key back\n## Other\n- [ ] Sweep {low}\n- 15:00 Lift engineer',
        'Loans.md':
          '- [ ] Rider {plan 2026-11-23; top}\n- [ ] Ask {plan 2026-11-23; ref k3f9qa}\n- [ ] Call {plan 2026-11-23 09:00; takes 20m}',
      },
      [
        '09:00-09:20 Call (task, 20)',
        '15:00-15:30 Lift engineer (appointment, 30)',
        'Ask (task, no length)',
        'Take the key back (task, no length)',
        'Rider (task, no length)',
        'Sweep (task, no length)',
      ],
    ],
    [
      'the order by hand is that of the first heading, whatever its case, of the top level',
      { [PAGE]: '> ## Plan\n> - [ ] quoted\n\n- [ ] a\n- [ ] b\n\n## plan\n- [ ] c\n## Plan\n- [ ] d' },
      ['c (task, no length)', 'quoted (task, no length)', 'a (task, no length)', 'b (task, no length)', 'd (task, no length)'],
    ],
    [
      'a line that links to a meeting of the day is that meeting, counted once',
      { [PAGE]: '- 11:00 [[Registrar meeting]] with Kofi', 'Meetings/Registrar meeting.md': MEETING },
      ['11:00-11:45 Registrar meeting (meeting, 45)'],
    ],
    [
      'it gives the time of a meeting that says none',
      { [PAGE]: '- 14:00-14:30 [[Loans]]\n- 16:00 again [[Loans]]', 'Loans.md': '---\nkind: meeting\ndate: 2026-11-23\n---\n' },
      ['14:00-14:30 Loans (meeting, 30)'],
    ],
    [
      'a meeting of another day is only linked to',
      { [PAGE]: '- 14:00 before [[Loans]]', 'Loans.md': '---\nkind: meeting\ndate: 2026-11-24\nstart: 09:00\n---\n' },
      ['14:00-14:30 before [[Loans]] (appointment, 30)'],
    ],
    [
      'a step without a time stands with its task; one with a time by itself',
      {
        'Loans.md':
          '- [ ] Crate {plan 2026-11-23; takes 10m}\n  - [ ] Wood {plan 2026-11-23; takes 30m}\n  - [ ] Ring {plan 2026-11-23 10:00}',
      },
      ['10:00-10:30 Ring (task, 30)', 'Crate (task, 30)'],
    ],
    ['one that goes on past midnight', { [PAGE]: '- 23:30-00:30 Night watch' }, ['23:30-24:30 Night watch (appointment, 60)']],
    [
      'what is cancelled begins nothing',
      { [PAGE]: '- 09:00 Rounds\n- [-] Call {plan 2026-11-23 09:10}' },
      ['09:00-09:30 Rounds (appointment, 30)', '09:10- Call (task, no length)'],
    ],
    [
      'archives and echoes are no part of it',
      { 'Old.md': '---\nkind: archive\n---\n- [ ] a {plan 2026-11-23}', [PAGE]: '- [ ] [a](recado:k3f9qa)' },
      [],
    ],
  ])('%s', (_, notes, expected) => expect(items(notes)).toEqual(expected));
});

describe('the figures of a day', () => {
  it.each<[string, Record<string, string>, object]>([
    [
      'minutes of open tasks, hours taken by appointments inside the working hours',
      {
        [PAGE]:
          '- [ ] a {takes 30m}\n- [x] b {takes 1h; done 2026-11-23}\n- 08:30-09:30 Rounds\n- 10:00-11:00 Loans\n- 10:30-11:30 Tasting',
      },
      { due: 0, minutes: 30, hours: 240, planned: 2, kept: 1, excused: null },
    ],
    [
      'a task with a time and no length has what the next start leaves it',
      { 'A.md': '- [ ] a {plan 2026-11-23 09:00}\n- [ ] b {plan 2026-11-23 09:20; takes 45m}\n- [ ] c {due 2026-11-23}' },
      { due: 1, minutes: 65, hours: null, planned: 2, kept: 0, excused: null },
    ],
    [
      'a task counts once with its steps',
      { 'A.md': '- [ ] a {plan 2026-11-23}\n  - [ ] b {plan 2026-11-23; takes 20m}\n  - [ ] c {takes 10m}' },
      { due: 0, minutes: 30, hours: null, planned: 2, kept: 0, excused: null },
    ],
    [
      'an excused day',
      { [PAGE]: '---\nexcused: ill\n---\n- [ ] a' },
      { due: 0, minutes: 0, hours: null, planned: 1, kept: 0, excused: 'ill' },
    ],
    [
      'of two pages of a day the one of kind journal counts',
      { [PAGE]: '---\nexcused: ill\n---\n', 'Z.md': '---\nkind: journal\ndate: 2026-11-23\nexcused: travelling\n---\n' },
      { due: 0, minutes: 0, hours: null, planned: 0, kept: 0, excused: 'travelling' },
    ],
  ])('%s', (_, notes, figures) => expect(figuresOf(libraryOf(notes), MONDAY)).toEqual(figures));

  it('a missed occurrence of a repeat counts no more once its day is past', () => {
    const notes = { 'A.md': '- [ ] a {plan 2026-11-22; every day}\n- [ ] b {plan 2026-11-22}\n- [ ] c {plan 2026-11-23; every day}' };
    const library = libraryOf(notes);
    expect([MONDAY - 1, MONDAY].map((day) => figuresOf(library, day)?.planned)).toEqual([1, 1]);
  });

  const LINES = fc.constantFrom(
    '- [ ] a {plan 2026-11-23 09:00}',
    '- [x] b {plan 2026-11-23; takes 20m; done 2026-11-23}',
    '- 10:00-11:00 Rounds',
    '- 09:10 Call',
    '- [ ] c {plan 2026-11-24; pushed 2026-11-23; takes 1h}',
    '  - [ ] d {plan 2026-11-24; takes 2h}',
    '- [ ] e {due 2026-11-24}',
  );
  const TEXT = fc.array(LINES, { maxLength: 6 }).map((lines) => lines.join('\n'));
  const PATHS = fc.constantFrom(PAGE, 'Journal/2026-11-24.md', 'A.md');

  it('are told of the days that changed, and come to what reading everything afresh gives', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(PATHS, fc.option(TEXT)), { maxLength: 8 }), (changes) => {
        const library = libraryOf({});
        const keeper = new OverviewKeeper();
        let told = overviewAfter(EMPTY_OVERVIEW, keeper.news(library, null, {}));
        const texts = new Map<string, string>();
        for (const [path, text] of changes) {
          library.apply([{ path, text }]);
          told = overviewAfter(told, keeper.news(library, library.takeChanged(), {}));
          if (text === null) texts.delete(path);
          else texts.set(path, text);
        }
        const fresh = overviewOf(libraryOf(Object.fromEntries(texts)), {});
        expect(told.days).toEqual(fresh.days);
        expect(told.timed).toEqual(fresh.timed);
      }),
      { numRuns: runs(150), seed: 20261127 },
    );
  });
});

describe('questions about days', () => {
  const NOTES = {
    [PAGE]: '- 15:00 Lift engineer\n- [ ] a {takes 30m}',
    'Rounds.md':
      '- [ ] Wind the clock {due 2026-11-23; every day; until 2026-11-26}\n- [ ] Count the stock {plan 2026-11-24; every 2 days after done}\n- [x] Old {due 2026-11-23; every day}',
    'Loans.md': [
      '- [ ] Call {plan 2026-11-24 14:00; due 2026-11-30 10:00; remind 1h before}',
      '- [ ] Rider {due 2026-11-24; remind 08:00, 2026-11-25 10:00}',
      '- [ ] Far {due 2026-11-25; remind 1 day before}',
      '- [ ] Nowhere {remind 1h before}',
      '- [x] Done {due 2026-11-24; remind 07:00}',
    ].join('\n'),
  };
  const library = libraryOf(NOTES);
  const range = { from: MONDAY, to: MONDAY + 6 };

  it('what is timed in a range, and the figures of a set of days', async () => {
    const days = await answerTo(library, 'timed', range);
    expect(days.map(({ day, items: found }) => [day - MONDAY, found.map(({ text }) => text)]).slice(0, 2)).toEqual([
      [0, ['Lift engineer']],
      [1, ['Call']],
    ]);
    expect((await answerTo(library, 'figures', range)).map(({ day, figures }) => [day - MONDAY, figures.due, figures.hours])).toEqual([
      [0, 1, 360],
      [1, 1, null],
      [2, 1, null],
    ]);
    expect(await answerTo(library, 'timed', { from: 0, to: 100_000 })).toHaveLength(62);
    expect(await answerTo(library, 'timed', { from: 1, to: 0 })).toEqual([]);
  });

  it('on which days repeats fall', async () => {
    const found = await answerTo(library, 'occurrences', range);
    expect(found.map(({ day, tasks }) => [day - MONDAY, tasks.map(({ text }) => text)])).toEqual([
      [0, ['Wind the clock']],
      [1, ['Wind the clock', 'Count the stock']],
      [2, ['Wind the clock']],
      [3, ['Wind the clock']],
    ]);
  });
});

describe('what is to be remembered between two moments', () => {
  const NOTES = {
    [PAGE]:
      '- 10:00-11:00 Rounds\n- [ ] Call Lars {plan 2026-11-23 14:00; remind 30m before, 09:00}\n- [x] Done {plan 2026-11-23 12:00; remind 12:00}\n',
    'A.md': '- [ ] Rider {due 2026-11-24; remind 1 day before}\n- [_] Begun {plan 2026-11-23 10:30}\n',
    'Meeting.md': MEETING,
  };
  const between = async (from: [number, number], to: [number, number], starts = false): Promise<string[]> => {
    const at = ([day, minute]: [number, number]) => ({ day: MONDAY + day, minute });
    const found = await answerTo(libraryOf(NOTES), 'remindersIn', { after: at(from), until: at(to), starts });
    return (found ?? []).map((one) => `${timeName(one.at.minute)} ${one.text}${one.raw === null ? '' : ' (task)'}`);
  };

  it.each<[string, [number, number], [number, number], boolean, string[]]>([
    ['what lines say, by time', [0, 0], [0, 1439], false, ['09:00 Rider (task)', '09:00 Call Lars (task)', '13:30 Call Lars (task)']],
    ['not the moment it was looked last, but this one', [0, 540], [0, 810], false, ['13:30 Call Lars (task)']],
    ['nothing where nothing came', [0, 810], [0, 900], false, []],
    ['also what begins', [0, 590], [0, 845], true, ['10:00 Rounds', '11:00 Meeting', '13:30 Call Lars (task)', '14:00 Call Lars (task)']],
    ['over midnight', [-1, 1400], [0, 540], false, ['09:00 Rider (task)', '09:00 Call Lars (task)']],
    ['years ago counts as two weeks', [-4000, 0], [0, 600], false, ['09:00 Rider (task)', '09:00 Call Lars (task)']],
  ])('%s', async (_what, from, to, starts, found) => expect(await between(from, to, starts)).toEqual(found));
});

it('in hand is what was begun today, with its place in the day', async () => {
  const library = libraryOf({
    [PAGE]: '- 09:00-10:00 Rounds\n- [ ] Key\n',
    'A.md': '- [_] Begun {since 2026-11-23 09:10; takes 20m}\n- [_] Older {since 2026-11-20 09:30}\n',
  });
  const hand = await answerTo(library, 'inHand', { now: { day: MONDAY, minute: 560 } });
  expect([hand.now?.item.text, hand.now?.since, hand.now?.item.task?.line, hand.then?.text]).toEqual(['Begun', 550, 0, 'Key']);
});

it('a day turned to its plan has the rows of its tasks', async () => {
  const library = libraryOf({ [PAGE]: '- 09:00-10:00 Rounds\n- [ ] Key {takes 10m}\n' });
  const { items: found } = await answerTo(library, 'dayPlan', { day: MONDAY });
  expect(found.map(({ text, row }) => [text, row?.takes ?? null])).toEqual([
    ['Rounds', null],
    ['Key', 10],
  ]);
});

it('an echo in the order of a day whose task is not planned for it is told', async () => {
  const library = libraryOf({
    [PAGE]: '## Plan\n- [ ] [Rider](recado:k3f9qa)\n- [ ] [Key](recado:p2x7ab)\n- [ ] [Gone](recado:zzzzzz)\n- [x] [Old](recado:aaaaaa)\n',
    'A.md': '- [ ] Rider {plan 2026-11-23; ref k3f9qa}\n- [ ] Key {ref p2x7ab}\n- [x] Old {ref aaaaaa; done 2026-11-20}\n',
  });
  const { items: planned, strays } = await answerTo(library, 'dayPlan', { day: MONDAY });
  expect(planned.map(({ text }) => text)).toEqual(['Rider']);
  expect(strays.map(({ ref, task }) => [ref, task?.text ?? null])).toEqual([
    ['p2x7ab', 'Key'],
    ['zzzzzz', null],
  ]);
});

it('the notes written in on a day are those whose lines were seen first then', async () => {
  const library = libraryOf({});
  library.apply([
    {
      path: 'A.md',
      text: 'old\nnew\nnew',
      seen: [
        [1, MONDAY - 3],
        [2, MONDAY],
      ],
    },
    { path: 'B.md', text: 'new', seen: [[1, MONDAY]] },
    { path: 'C.md', text: 'old', seen: [[1, MONDAY - 1]] },
    { path: PAGE, text: 'its own page', seen: [[1, MONDAY]] },
  ]);
  expect(await answerTo(library, 'writtenOn', { day: MONDAY })).toEqual([
    { path: 'A.md', title: 'A', line: 1, count: 2 },
    { path: 'B.md', title: 'B', line: 0, count: 1 },
  ]);
});

it('a hundred thousand tasks that are due are no more than a call can hold', async () => {
  const lines = Array.from({ length: 130_000 }, (_, index) => `- [ ] t${index} {due 2026-11-2${4 + (index % 3)}; takes 1m}`);
  const { days, move } = await answerTo(libraryOf({ 'A.md': lines.join('\n') }), 'fit', {});
  expect(days.map(({ load }) => load)).toEqual([0, 43_334, 43_333, 43_333]);
  expect(move.length).toBe(130_000 - 4 * 360);
});
