import { compilePattern, loadPatterns, needsPatterns } from './pattern';

it('the matcher is loaded when it is first needed', async () => {
  expect([needsPatterns('text like /a/'), needsPatterns('open')]).toEqual([true, false]);
  expect(compilePattern('a', '')).toEqual({ problem: 'Patterns are being made ready.' });
  await loadPatterns();
  expect(needsPatterns('text like /a/')).toBe(false);
});

const fits = (source: string, flags: string, text: string): boolean => {
  const test = compilePattern(source, flags);
  if (typeof test !== 'function') throw new Error(test.problem);
  return test(text);
};

describe('patterns', () => {
  it.each([
    ['crate [0-9]+', '', 'crate 12', true],
    ['crate [0-9]+', '', 'Crate 12', false],
    ['crate', 'i', 'CRATE', true],
    ['^ask .*@ilse$', '', 'ask @ilse', true],
    ['\\p{L}+灯台', '', '海図灯台', true],
    ['a.b', '', 'a\nb', false],
    ['a.b', 's', 'a\nb', true],
  ])('/%s/%s on %j: %s', (source, flags, text, expected) => expect(fits(source, flags, text)).toBe(expected));

  // Each of these takes a matcher that goes back longer than anybody waits.
  it.each(['(a+)+$', '(a|aa)+$', '(.*a){20}', '(a*)*b', '([a-zA-Z]+)*$'])('/%s/ on a long line ends', (source) => {
    expect(typeof fits(source, '', `${'a'.repeat(50_000)}!`)).toBe('boolean');
  });

  it.each([
    ['(a', '', 'missing closing )'],
    ['a{1001}', '', 'repeat'],
    ['(?<=a)b', '', 'cannot be used'],
    ['(a)\\1', '', 'cannot be used'],
    ['a', 'g', 'is no flag'],
    ['a'.repeat(2000), '', 'at most 1000'],
  ])('/%s/%s is refused', (source, flags, words) => {
    const result = compilePattern(source, flags);
    expect(typeof result === 'function' ? '' : result.problem).toContain(words);
  });
});
