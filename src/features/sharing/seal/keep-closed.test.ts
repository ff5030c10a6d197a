import { whyClosed } from './keep-closed';

const MINUTE = 60_000;
const at = (minutes: number): number => minutes * MINUTE;

describe('a seal', () => {
  it.each([
    ['used just now', { now: at(10), last: at(10), hidden: null, most: 15 }, null],
    ['left for less than is allowed', { now: at(14.9), last: 0, hidden: null, most: 15 }, null],
    ['left for as long as is allowed', { now: at(15), last: 0, hidden: null, most: 15 }, 'left'],
    ['left for a day where time does not count', { now: at(1440), last: 0, hidden: null, most: null }, null],
    ['out of sight for less than five minutes', { now: at(4.9), last: 0, hidden: 0, most: 60 }, null],
    ['out of sight for five minutes', { now: at(5), last: at(5), hidden: 0, most: 60 }, 'out of sight'],
    ['out of sight where time does not count', { now: at(6), last: at(6), hidden: at(1), most: null }, 'out of sight'],
  ] as const)('on a page %s', (_, left, why) => expect(whyClosed(left)).toBe(why));
});
