import { SHIPPED_PAGES } from '../../agenda/shipped';
import { readIsoDay } from '../../calendar/day';
import { Library } from '../../index/library';
import { ACTION_DEFAULTS } from '../../task/acts/action-context';
import { readNote } from '../../task/reading/read-note';
import type { GatherContext } from '../language/ast';
import { parseGather } from '../language/parse';
import { proposalFor, writtenTask } from './written-task';

const TODAY = readIsoDay('2026-11-23') ?? 0;
const CONTEXT: GatherContext = { today: TODAY, firstDayOfWeek: 1, me: null, thisNote: null };
const ACTING = { now: { day: TODAY, minute: 554 }, settings: ACTION_DEFAULTS, makeRef: () => 'k3f9qa' };
const JOURNAL = 'Journal/2026-11-23.md';

const proposal = (text: string) => proposalFor(parseGather(text).gather, CONTEXT, ACTING, JOURNAL);
const written = (typed: string, text: string) => {
  const { gather } = parseGather(text);
  return writtenTask(typed, gather, CONTEXT, ACTING, proposalFor(gather, CONTEXT, ACTING, JOURNAL), JOURNAL);
};

describe('what a list proposes for a task that is written into it', () => {
  it.each([
    // Where days are left to choose, the nearest that holds; the plan before the due day.
    ['open and (due <= today or plan <= today)', ['plan 2026-11-23']],
    ['open and due in next 14 days and priority = high', ['high', 'due 2026-11-23']],
    ['open and plan > today + 1 week', ['plan 2026-12-01']],
    ['open and not due <= today and plan > today', ['plan 2026-11-24']],
    ['open and start in last 7 days and not resting and without plan', ['start 2026-11-23']],
    ['resting', ['start 2026-11-24']],
    // What holds already needs none.
    ['open and not due < today', []],
    ['open and (#loans or due < today or not #loans)', []],
    ['open and "tide" and due >= today', ['due 2026-11-23']],
  ])('%s', (text, clauses) => expect(proposal(text)).toMatchObject({ clauses, choices: [], late: false }));

  it('nobody writes late tasks: they are planned for today', () => {
    expect(proposal('late')).toMatchObject({ clauses: ['plan 2026-11-23'], late: true });
    expect(proposal('open and due < today and #loans')).toMatchObject({ names: ['#loans'], clauses: ['plan 2026-11-23'], late: true });
  });

  it('other choices are not guessed', () => {
    expect(proposal('#loans or #build')).toMatchObject({ clauses: [], choices: ['#loans or #build'] });
    expect(proposal('blocked and due >= today')).toMatchObject({ clauses: [], choices: ['blocked', 'due >= today'] });
  });

  // Each list of the pages that ship in which somebody could write something.
  it.each(
    SHIPPED_PAGES.flatMap(({ path, text }) =>
      readNote(path, text).gathers.map((gather) => [String(parseGather(gather.text).gather.title), gather.text] as const),
    ),
  )('a task written into “%s” stands there, or it is said why not', (_title, text) => {
    const { choices, late } = proposal(text);
    const { line, stands } = written('Weigh the crate', text);
    if (choices.length > 0 || late) return;
    const library = new Library({ today: TODAY, firstDayOfWeek: 1, dateStyle: 'words', me: null, workingDay: 480 });
    library.apply([{ path: JOURNAL, text: `${line}\n` }]);
    library.subscribe('asked', text, 'Agenda/Today.md');
    expect([library.answer('asked')?.total, stands]).toEqual([1, true]);
  });
});

describe('the words that are written', () => {
  it.each([
    ['Call Lars fri 15:00', 'open and plan <= today + 1 week', '- [ ] Call Lars {plan 2026-11-27 15:00}', ['plan 2026-11-27 15:00'], true],
    ['Call Lars by fri', 'open and plan = today', '- [ ] Call Lars {due 2026-11-27; plan 2026-11-23}', ['due 2026-11-27'], true],
    ['Call Lars tomorrow', 'open and plan = today', '- [ ] Call Lars {plan 2026-11-24}', ['plan 2026-11-24'], false],
    [
      'Read the log every fri {high}',
      'open and #log',
      '- [ ] Read the log #log {high; every fri; plan 2026-11-27}',
      ['every fri', 'plan 2026-11-27'],
      false,
    ],
    ['Weigh it {due fri}', 'open', '- [ ] Weigh it {due 2026-11-27}', [], true],
    ['Weigh it', 'late', '- [ ] Weigh it {plan 2026-11-23}', [], true],
  ])('“%s” into “%s”', (typed, text, line, read, stands) => expect(written(typed, text)).toEqual({ line, read, stands }));
});
