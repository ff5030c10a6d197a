import fc from 'fast-check';
import { changesInto, changesUnderHand } from './changes-into';
import { applyChanges } from './edit';
import { runs } from '../../testing/test-runs';

describe('the changes that bring one text into another', () => {
  const line = fc.constantFrom('', 'a', 'a b', 'a b c', '- [ ] Pack it {ref k3f9qa}', '- [x] Pack it {ref k3f9qa; done 2026-11-23}', '  b');
  const text = fc.array(line, { maxLength: 7 }).map((lines) => lines.join('\n'));

  it('bring it there, each in its place and none over another', () =>
    fc.assert(
      fc.property(text, text, (before, wanted) => {
        for (const changes of [changesInto(before, wanted), changesUnderHand(before, wanted)]) {
          expect(applyChanges(before, changes)).toBe(wanted);
          changes.forEach(({ from, to }, at) => {
            expect(to).toBeGreaterThanOrEqual(from);
            expect(from).toBeGreaterThanOrEqual(changes[at - 1]?.to ?? 0);
            expect(to).toBeLessThanOrEqual(before.length);
          });
        }
      }),
      {
        numRuns: runs(1000),
        examples: [
          ['\na', 'b\na'],
          ['a\n', 'a\nb'],
          ['', 'a'],
          ['a\nb', ''],
        ],
      },
    ));

  it.each([
    [
      'in several lines',
      'one\ntwo\nthree',
      'one x\ntwo\nthree y',
      [
        { from: 3, to: 3, insert: ' x' },
        { from: 13, to: 13, insert: ' y' },
      ],
    ],
    [
      'in one line, on both sides of a cursor',
      '- [ ] a {due 2026-11-23}',
      '- [x] a {due 2026-11-24}',
      [
        { from: 3, to: 4, insert: 'x' },
        { from: 22, to: 23, insert: '4' },
      ],
    ],
    ['a line that came', 'one\ntwo', 'one\nnew\ntwo', [{ from: 4, to: 4, insert: 'new\n' }]],
  ])('touch nothing else: %s', (_, before, wanted, changes) => expect(changesUnderHand(before, wanted)).toEqual(changes));

  it('are one where very many lines changed at once, for a hand that types', () => {
    const lines = Array.from({ length: 600 }, (_, at) => `- [ ] task ${at}`);
    const [before, wanted] = [lines.join('\n'), lines.map((line) => line.replace('[ ]', '[x]')).join('\n')];
    expect(changesUnderHand(before, wanted)).toHaveLength(1);
    expect(changesInto(before, wanted)).toHaveLength(600);
  });
});
