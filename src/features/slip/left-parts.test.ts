import { leftAfter } from './left-parts';

describe('parts that are left as words', () => {
  it.each<[string, string, number, number[]]>([
    ['read fri', 'read fri', 5, [5]],
    ['read fri', 'read it fri', 5, [8]],
    ['read fri', 'read fri now', 5, [5]],
    ['read fri', 'fri', 5, [0]],
    ['read fri mon', 'read tue mon', 5, []],
    ['read fri', '', 5, []],
  ])('%j to %j', (before, after, at, left) => expect([...leftAfter(new Set([at]), before, after)]).toEqual(left));
});
