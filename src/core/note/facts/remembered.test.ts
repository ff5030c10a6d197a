import { ownCopy, remembered } from './remembered';

describe('what is remembered', () => {
  it('is found once, and is the same each time', () => {
    let found = 0;
    const lengths = remembered((words) => ({ length: words.length, nth: ++found }));
    const first = lengths('loans');
    expect(lengths('loans')).toBe(first);
    expect(lengths(['lo', 'ans'].join(''))).toBe(first);
    expect(lengths('build')).toEqual({ length: 5, nth: 2 });
  });

  it('begins anew when there is too much of it, and stays right', () => {
    let found = 0;
    const upper = remembered((words) => {
      found++;
      return words.toUpperCase();
    }, 2);
    for (const words of ['a', 'b', 'a', 'c', 'c', 'a']) expect(upper(words)).toBe(words.toUpperCase());
    expect(found).toBe(4);
  });

  it.each(['', 'loans', 'été 海図', '\ud800 alone', '"quoted" \\ \n \0'])('a copy of %j says the same', (words) =>
    expect(ownCopy(words)).toBe(words),
  );
});
