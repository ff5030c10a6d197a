import fc from 'fast-check';
import { mergedDigest } from './merged-digest';

describe('a digest that is renewed', () => {
  it.each([
    [
      'what is new is taken up beside what was written in',
      '- a\n- b',
      '- a\n- b (done)',
      '- a\n- b\n- thanks',
      '- a\n- b (done)\n- thanks',
    ],
    ['a line that was changed by hand stays', '- a\n- b', '- a (done)\n- b (done)', '- a\n- b, says Kofi', '- a (done)\n- b, says Kofi'],
    ['a line that was taken out by hand stays out', '- a\n- b', '- a (done)\n- b', '- b', '- b'],
    ['what is gone from the meeting goes', '- a\n- b\n- c', '- a\n- c', '- a\n- b\n- c\n- thanks', '- a\n- c\n- thanks'],
    ['what both wrote stands once', '- a', '- a\n- b', '- a\n- b', '- a\n- b'],
  ])('%s', (_what, last, now, present, merged) => expect(mergedDigest(last, now, present)).toBe(merged));

  const text = fc
    .array(fc.constantFrom('- a', '- b', '- c', '- d', '  - e'), { minLength: 1, maxLength: 8 })
    .map((lines) => lines.join('\n'));

  it('is the new one where nobody wrote in it, and what was written where nothing is new', () => {
    fc.assert(
      fc.property(text, text, (last, other) => {
        expect(mergedDigest(last, other, last)).toBe(other);
        expect(mergedDigest(last, last, other)).toBe(other);
      }),
    );
  });

  it('loses no line that a person wrote', () => {
    fc.assert(
      fc.property(text, text, fc.nat(8), (last, now, at) => {
        const lines = last.split('\n');
        lines.splice(at % (lines.length + 1), 0, '- by hand');
        expect(mergedDigest(last, now, lines.join('\n')).split('\n')).toContain('- by hand');
      }),
    );
  });
});
