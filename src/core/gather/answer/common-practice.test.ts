/** Common practice, no source: what people who keep such lists rely on, held over generated tasks. */
import fc from 'fast-check';
import { isoDay } from '../../calendar/day';
import { Library } from '../../index/library';
import { runs } from '../../testing/test-runs';

const TODAY = 20780;
const SETTINGS = { today: TODAY, firstDayOfWeek: 1, dateStyle: 'words', me: null, workingDay: 480 } as const;

const DAY = fc.integer({ min: -20, max: 30 }).map((days) => isoDay(TODAY + days));
const TASK = fc
  .tuple(
    fc.constantFrom(' ', '_', ':', 'x', '-'),
    fc.option(DAY),
    fc.option(fc.constantFrom('top', 'high', 'low')),
    fc.constantFrom('', ' #loans', ' #build #loans'),
  )
  .map(([sign, due, priority, tags]) => {
    const clauses = [due === null ? '' : `due ${due}`, priority ?? ''].filter((clause) => clause !== '');
    return `- [${sign}] task${tags}${clauses.length === 0 ? '' : ` {${clauses.join('; ')}}`}`;
  });
const TASKS = fc.array(TASK, { minLength: 1, maxLength: 25 });

function asking(lines: readonly string[]) {
  const library = new Library(SETTINGS);
  library.apply([{ path: 'A.md', text: lines.join('\n') }]);
  return (query: string): number[] => {
    const { live, answer } = library.ask(query);
    expect(live.errors).toEqual([]);
    const found = answer.groups.flatMap((group) => group.rows.map(({ row }) => row.task.line));
    // The total that is shown is the number of matching tasks.
    expect(answer.total).toBe(found.length);
    return found.sort((a, b) => a - b);
  };
}

const law = (check: (ask: (query: string) => number[], lines: string[]) => void): void =>
  fc.assert(
    fc.property(TASKS, (lines) => check(asking(lines), lines)),
    { numRuns: runs(150), seed: 20261123 },
  );

describe('common practice, no source', () => {
  it('late is open and due before today', () => {
    law((ask) => expect(ask('late')).toEqual(ask('open and due < today')));
  });

  it('late, today, tomorrow and after tomorrow until two weeks ahead share no task, and with the later and the undated leave none out', () => {
    law((ask) => {
      const lists = [
        'late',
        'open and due = today',
        'open and due = tomorrow',
        'open and due > tomorrow and due <= today + 2 weeks',
        'open and due > today + 2 weeks',
        'open and without due',
      ].map(ask);
      const all = lists.flat().sort((a, b) => a - b);
      expect(new Set(all).size).toBe(all.length);
      expect(all).toEqual(ask('open'));
    });
  });

  it('a union of the next five days and late holds each task once', () => {
    law((ask) => {
      const union = ask('open and (due in next 5 days or late)');
      expect(union).toEqual([...new Set([...ask('open and due in next 5 days'), ...ask('late')])].sort((a, b) => a - b));
    });
  });

  it('unmarked priority ranks between high and low', () => {
    law((ask, lines) => {
      const rank = (line: number): number =>
        ['top', 'high', '', 'low'].findIndex((word) =>
          word === '' ? !/top|high|low/.test(lines[line] ?? '') : (lines[line] ?? '').includes(word),
        );
      const library = new Library(SETTINGS);
      library.apply([{ path: 'A.md', text: lines.join('\n') }]);
      const ranks = library.ask('order by priority').answer.groups.flatMap((group) => group.rows.map(({ row }) => rank(row.task.line)));
      expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
      expect(ask('priority < high and priority > low')).toEqual(ask('priority = normal'));
    });
  });

  it('without tag and tagged split the open tasks, with nothing in both or neither', () => {
    law((ask) => {
      const without = ask('open and without tag');
      const tagged = ask('open and with tag');
      expect([...without, ...tagged].sort((a, b) => a - b)).toEqual(ask('open'));
      expect(ask('open and with tag')).toEqual(ask('open and (#loans or #build)'));
    });
  });
});
