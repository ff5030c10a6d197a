import fc from 'fast-check';
import type { Condition } from '../language/ast';
import { parseGather } from '../language/parse';
import { conditionAt, turned, withAlternative, withConditionAt, withMore } from './edit-condition';
import { conditionText } from './print';
import { sentenceOf } from './sentence';

const read = (text: string): Condition => {
  const { where } = parseGather(`where ${text}`).gather;
  if (!where) throw new Error(text);
  return where;
};
const said = (condition: Condition | null): string => (condition ? conditionText(condition) : '');

/** Without brackets that say nothing. */
function flat(condition: Condition | null): Condition | null {
  if (condition?.is !== 'and' && condition?.is !== 'or') return condition;
  const parts = condition.parts.map((part) => flat(part) ?? part).flatMap((part) => (part.is === condition.is ? part.parts : [part]));
  return { is: condition.is, parts };
}

describe('a condition is changed by pointing', () => {
  test.each([
    ['open and late', [1], '#loans', 'open and #loans'],
    ['open and late', [1], null, 'open'],
    ['open', [], null, ''],
    ['open', [], 'late', 'late'],
    ['open and (late or #loans)', [1, 0], null, 'open and #loans'],
    ['open and (late or #loans)', [1], null, 'open'],
    ['open and (late or #loans)', [1, 1], '@kofi', 'open and (late or @kofi)'],
    ['open and (late or #loans)', [1], '@kofi and #build', 'open and @kofi and #build'],
  ] as const)('%s at %j: %s', (before, place, next, after) =>
    expect(said(withConditionAt(read(before), place, next === null ? null : read(next)))).toBe(after),
  );

  test('more must hold, another may, and each is turned round', () => {
    expect(said(withMore(null, read('open')))).toBe('open');
    expect(said(withMore(read('open and late'), read('#loans')))).toBe('open and late and #loans');
    expect(said(withMore(read('open or late'), read('#loans')))).toBe('(open or late) and #loans');
    expect(said(withAlternative(read('open and late'), [1], read('#loans')))).toBe('open and (late or #loans)');
    expect(said(withAlternative(read('open and (late or #loans)'), [1, 1], read('@kofi')))).toBe('open and (late or #loans or @kofi)');
    expect(said(turned(read('late')))).toBe('not late');
    expect(said(turned(read('not late')))).toBe('late');
  });

  const leaf = fc.constantFrom('open', 'late', '#loans', '@kofi', 'due in next 14 days', 'not #not-now', 'priority >= high');
  const tree = fc.letrec<{ tree: string }>((tie) => ({
    tree: fc.oneof(
      { depthSize: 'small' },
      leaf,
      fc.tuple(tie('tree'), fc.constantFrom('and', 'or'), tie('tree')).map(([a, word, b]) => `(${a} ${word} ${b})`),
    ),
  })).tree;

  test('every part of the sentence of a condition leads to its place, and putting back what stands there changes nothing', () => {
    fc.assert(
      fc.property(tree, (text) => {
        const { gather } = parseGather(`where ${text}`);
        const parts = sentenceOf(gather, { today: 20780, firstDayOfWeek: 1, me: null, thisNote: null }).filter(
          ({ clause }) => clause === 'where',
        );
        expect(parts.length).toBeGreaterThan(0);
        for (const { path } of parts) {
          const there = conditionAt(gather.where, path);
          expect(there && there.is !== 'and' && there.is !== 'or').toBe(true);
          expect(said(flat(withConditionAt(gather.where, path, there)))).toBe(said(flat(gather.where)));
          const without = withConditionAt(gather.where, path, null);
          expect(parseGather(without ? `where ${said(without)}` : '').errors).toEqual([]);
        }
      }),
    );
  });
});
