import fc from 'fast-check';
import { readIsoDay } from '../../calendar/day';
import { ORDER_KEYS, type OrderKey } from '../../gather/language/ast';
import { compareBy } from '../../gather/answer/order';
import { Library } from '../library';
import type { Row } from '../../gather/rows/row';
import { runs } from '../../testing/test-runs';

const TODAY = readIsoDay('2026-11-23') ?? 0;
const SETTINGS = { today: TODAY, firstDayOfWeek: 1, dateStyle: 'words', me: null, workingDay: 480 } as const;

const CLAUSE = fc.constantFrom(
  'due 2026-11-20',
  'due 2026-11-27',
  'due 2026-11-27 14:00',
  'plan 2026-11-24',
  'plan 2026-11-24 09:30',
  'high',
  'low',
  'takes 30m',
  'takes 2h',
);
const TASK = fc
  .tuple(fc.constantFrom(' ', 'x', ':'), fc.constantFrom('crate', 'lamp', 'rider'), fc.uniqueArray(CLAUSE, { maxLength: 3 }))
  .map(([sign, words, clauses]) => `- [${sign}] ${words}${clauses.length > 0 ? ` {${clauses.join('; ')}}` : ''}`);
const NOTES = fc.array(
  fc.array(TASK, { maxLength: 6 }).map((lines) => lines.join('\n')),
  { minLength: 1, maxLength: 6 },
);
const KEYS: fc.Arbitrary<OrderKey[]> = fc.array(fc.record({ key: fc.constantFrom(...ORDER_KEYS), descending: fc.boolean() }), {
  minLength: 1,
  maxLength: 3,
});

const written = (keys: readonly OrderKey[]): string =>
  `order by ${keys.map(({ key, descending }) => `${key}${descending ? ' desc' : ''}`).join(', ')}`;
const placeOf = (row: Row): string => `${row.head.path}:${row.index}`;

/** A library whose notes came in any order and were written again, so that slots say nothing of places. */
function shuffled(notes: readonly string[], order: readonly number[]): Library {
  const library = new Library(SETTINGS);
  const file = (index: number) => ({ path: `Note ${index % notes.length}.md`, text: notes[index % notes.length] ?? '' });
  notes.forEach((_, index) => library.apply([file(notes.length - 1 - index)]));
  for (const index of order) library.apply([file(index)]);
  return library;
}

describe('the order over columns', () => {
  it('is the order over rows, whatever the keys and however the rows came to lie', () => {
    fc.assert(
      fc.property(NOTES, fc.array(fc.nat(20), { maxLength: 6 }), fc.option(KEYS), (notes, again, keys) => {
        const library = shuffled(notes, again);
        const question = `open or closed\n${keys ? `${written(keys)}\n` : ''}including resting\nsteps apart`;
        const { live, answer } = library.ask(question);
        expect(live.errors).toEqual([]);
        const expected = [...library.rows()].sort(compareBy(keys, TODAY));
        expect(answer.groups.flatMap((group) => group.rows.map(({ row }) => placeOf(row)))).toEqual(expected.map(placeOf));
      }),
      { numRuns: runs(800), seed: 20261123 },
    );
  });

  it('the path alone leaves the lines of a note to the next key', () => {
    const library = shuffled(['- [ ] crate {low}\n- [ ] lamp {high}', '- [ ] rider'], []);
    const rows = library.ask('open\norder by path, priority').answer.groups.flatMap((group) => group.rows);
    expect(rows.map(({ row }) => row.task.text)).toEqual(['lamp', 'crate', 'rider']);
  });
});
