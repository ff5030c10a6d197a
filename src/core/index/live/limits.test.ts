import fc from 'fast-check';
import type { Answer, AnswerRow } from '../../gather/answer/answer';
import { readIsoDay } from '../../calendar/day';
import { Library } from '../library';
import { runs } from '../../testing/test-runs';

const SETTINGS = { today: readIsoDay('2026-11-23') ?? 0, firstDayOfWeek: 1, dateStyle: 'words', me: null, workingDay: 480 } as const;

const TAIL = fc.constantFrom('', ' {high}', ' {due 2026-11-20}', ' {due 2026-11-27; low}', ' {takes 30m}', ' {start 2026-12-01}');
const LINE = fc
  .tuple(fc.constantFrom('', '  '), fc.constantFrom(' ', 'x', ':', '-'), fc.constantFrom('crate', 'lamp #loans', 'rider @kofi'), TAIL)
  .map(([indent, sign, words, tail]) => `${indent}- [${sign}] ${words}${tail}`);
const NOTES = fc.array(fc.array(LINE, { maxLength: 8 }), { minLength: 1, maxLength: 4 });

const CONDITIONS = ['open', 'open or done', '#loans', 'late', 'not @kofi'];
const LIMITS = ['', 'limit 0', 'limit 1', 'limit 3', 'limit 500'];
const PER_GROUP = ['', 'limit 0 per group', 'limit 1 per group', 'limit 2 per group'];
const GROUPS = ['', 'group by note', 'group by due', 'group by priority', 'group by tag'];
const QUESTION = fc
  .tuple(
    fc.constantFrom(...CONDITIONS),
    fc.constantFrom(...GROUPS),
    fc.constantFrom(...LIMITS),
    fc.constantFrom(...PER_GROUP),
    fc.constantFrom('', 'order by takes desc', 'order by text'),
    fc.constantFrom('', 'including resting'),
    fc.constantFrom('', 'steps apart'),
  )
  .map((lines) => lines.filter((line) => line !== '').join('\n'));

interface Shape {
  id: string;
  steps: Shape[];
}

const shapeOf = ({ row, steps }: AnswerRow): Shape => ({ id: `${row.head.path}:${row.task.line}`, steps: steps.map(shapeOf) });
const comparable = ({ groups, ...head }: Answer): unknown => ({
  ...head,
  groups: groups.map(({ rows, ...group }) => ({ ...group, rows: rows.map(shapeOf) })),
});
const rowsOf = (rows: readonly AnswerRow[]): number => rows.reduce((sum, { steps }) => sum + 1 + rowsOf(steps), 0);

function libraryOf(notes: readonly (readonly string[])[]): Library {
  const library = new Library(SETTINGS);
  library.apply(notes.map((lines, index) => ({ path: `Note ${index}.md`, text: lines.join('\n') })));
  return library;
}

describe('limits', () => {
  it('a question that is asked once and one that is kept come to the same, whatever is cut', () => {
    fc.assert(
      fc.property(NOTES, QUESTION, (notes, question) => {
        const library = libraryOf(notes);
        library.subscribe('kept', question, null);
        const kept = library.answer('kept');
        const { live, answer } = library.ask(question);
        expect(live.errors).toEqual([]);
        expect(answer.total).toBe(kept?.total);
        expect([answer.more, answer.resting, answer.totals]).toEqual([kept?.more, kept?.resting, kept?.totals]);
        expect(answer.groups.map(({ key, count, more, rows }) => [key, count, more, rows.map((one) => one.row.task.raw)])).toEqual(
          kept?.groups.map(({ key, count, more, rows }) => [key, count, more, rows.map((one) => one.raw)]),
        );
      }),
      { numRuns: runs(600), seed: 20261123 },
    );
  });

  it('what is shown and what is left out are all there is', () => {
    fc.assert(
      fc.property(NOTES, fc.constantFrom(...CONDITIONS), fc.nat(6), (notes, where, limit) => {
        const library = libraryOf(notes);
        const { answer } = library.ask(`${where}\nsteps apart\nlimit ${limit}`);
        const shown = answer.groups.reduce((sum, group) => sum + rowsOf(group.rows), 0);
        expect(shown + answer.more).toBe(answer.total);
        expect(shown).toBe(Math.min(limit, answer.total));
      }),
      { numRuns: runs(200), seed: 20261123 },
    );
  });

  it('a limit shows the first rows of the same question without it', () => {
    fc.assert(
      fc.property(NOTES, fc.constantFrom(...CONDITIONS), fc.integer({ min: 1, max: 6 }), (notes, where, limit) => {
        const library = libraryOf(notes);
        const shapes = (text: string): Shape[] => library.ask(text).answer.groups.flatMap((group) => group.rows.map(shapeOf));
        expect(shapes(`${where}\nlimit ${limit}`)).toEqual(shapes(where).slice(0, limit));
        expect(comparable(library.ask(`${where}\nlimit 10000`).answer)).toEqual(comparable(library.ask(where).answer));
      }),
      { numRuns: runs(200), seed: 20261123 },
    );
  });
});
