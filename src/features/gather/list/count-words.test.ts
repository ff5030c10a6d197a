import { countWords, headWords } from './count-words';

const TOTALS = { count: 13, takes: 95, progress: 0.25, open: 9, done: 3, cancelled: 1, kept: 0 };
const ANSWER = { total: 13, steps: 3, rests: 0, totals: TOTALS, sums: null };

it('the head of a list counts the rows that one sees, and the steps inside them apart', () => {
  expect(headWords(ANSWER)).toBe('10 · 3 steps · 1h 35');
  expect(headWords({ ...ANSWER, steps: 1, totals: { ...TOTALS, takes: 0 } })).toBe('12 · 1 step');
  expect(headWords({ ...ANSWER, total: 0, steps: 0, totals: { ...TOTALS, takes: 0 } })).toBe('0');
});

it('says how many rest, which the rack does not count', () => {
  expect(headWords({ ...ANSWER, total: 45, steps: 0, rests: 17, totals: { ...TOTALS, takes: 0 } })).toBe('45 · 17 rest');
  expect(headWords({ ...ANSWER, rests: 1, sums: ['count'] })).toBe('10 · 3 steps · 1 rests');
});

it('says only what was asked to be summed up', () => {
  expect(headWords({ ...ANSWER, sums: ['progress', 'takes'] })).toBe('25% done · 1h 35');
  expect(headWords({ ...ANSWER, sums: ['takes'], totals: { ...TOTALS, takes: 0 } })).toBe('');
});

it('a group is counted the same way', () => expect(countWords({ count: 4, steps: 2, takes: 30 })).toBe('2 · 2 steps · 30m'));
