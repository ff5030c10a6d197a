import fc from 'fast-check';
import { likeness, pairedLines } from './like-lines';

describe('how much two lines share', () => {
  it('is what stands behind marker and box, and equal ones share all', () => {
    expect(likeness('- [ ] Pack it', '- [ ] Pack it')).toBe(2);
    expect(likeness('  - [ ] Pack it', '- [ ] Pack it ')).toBe(2);
    expect(likeness('- [ ] Pack it', '* [x] Pack it')).toBe(1);
    expect(likeness('- [ ] Pack it', '3. Pack it')).toBe(1);
    expect(likeness('- [ ] Pack it', '- [ ] Sing')).toBeLessThan(0.5);
  });

  // L. R. Dice, “Measures of the Amount of Ecologic Association Between Species”, Ecology 26 (1945): 2h / (a + b). The formula is from memory.
  it('is never less than the coefficient of Dice of their words, and the same both ways', () => {
    const words = fc.uniqueArray(fc.constantFrom('lens', 'crate', 'papers', 'weigh', 'pack', 'insure'), { minLength: 1 });
    fc.assert(
      fc.property(words, words, (one, other) => {
        const shared = one.filter((word) => other.includes(word)).length;
        const [first, second] = [`- [ ] ${one.join(' ')}`, `- [x] ${other.join(' ')}`];
        expect(likeness(first, second)).toBeGreaterThanOrEqual((2 * shared) / (one.length + other.length));
        expect(likeness(first, second)).toBe(likeness(second, first));
      }),
    );
  });
});

describe('which lines took the place of which', () => {
  it('is said in order, by what they say', () => {
    expect(pairedLines(['- a b', '- c d'], ['- c d e'])).toEqual([1]);
    expect(pairedLines(['- [ ] Weigh it', '- [ ] Pack it'], ['- [ ] Wrap the lens', '- [x] Weigh it', '- [ ] Pack it well'])).toEqual([
      -1, 0, 1,
    ]);
    expect(pairedLines([], ['- a'])).toEqual([-1]);
    expect(pairedLines(['- a'], [])).toEqual([]);
  });

  it('of one for one takes little, where they have anything in common', () => {
    expect(pairedLines(['- [ ] Pack the lens'], ['- [ ] Pack something quite different instead'])).toEqual([0]);
    expect(pairedLines(['- [ ] Pack'], ['- [ ] Sing'])).toEqual([-1]);
  });

  it('never pairs one twice, and never crosses', () => {
    const lines = fc.array(fc.constantFrom('- [ ] Weigh it', '- [x] Weigh it', '- [ ] Pack it', '- [ ] Pack it well', 'Words', ''), {
      maxLength: 9,
    });
    fc.assert(
      fc.property(lines, lines, (before, after) => {
        const paired = pairedLines(before, after);
        expect(paired).toHaveLength(after.length);
        const taken = paired.filter((at) => at >= 0);
        expect(taken).toEqual([...new Set(taken)].sort((a, b) => a - b));
        expect(taken.every((at) => at < before.length)).toBe(true);
      }),
    );
  });

  it('of very many is by their places, and only where they are as many', () => {
    const many = Array.from({ length: 200 }, (_, at) => `- [ ] Object ${at}`);
    expect(
      pairedLines(
        many,
        many.map((line) => `${line} seen`),
      ),
    ).toEqual(many.map((_, at) => at));
    expect(new Set(pairedLines(many, many.slice(1)))).toEqual(new Set([-1]));
  });
});
