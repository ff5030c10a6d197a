import { isoDay, readIsoDay } from '../day';
import { likelyDays } from './likely-days';

const offered = (iso: string, first: 1 | 6 | 7): string[] =>
  likelyDays(readIsoDay(iso) ?? 0, first).map(({ words, day }) => `${words}: ${isoDay(day)}`);

describe('the days that are often meant', () => {
  it('the next week begins on the first day that the settings say', () => {
    expect(offered('2026-11-23', 1)).toEqual([
      'Today: 2026-11-23',
      'Tomorrow: 2026-11-24',
      'Next week, Mon: 2026-11-30',
      'In two weeks: 2026-12-07',
    ]);
    expect(offered('2026-11-23', 7)[2]).toBe('Next week, Sun: 2026-11-29');
    expect(offered('2026-11-28', 6)[2]).toBe('Next week, Sat: 2026-12-05');
  });

  it('on the last day of a week the next one is tomorrow', () => {
    expect(offered('2026-11-29', 1).slice(1, 3)).toEqual(['Tomorrow: 2026-11-30', 'Next week, Mon: 2026-11-30']);
  });

  it('goes over the end of a year', () => {
    expect(offered('2026-12-31', 1)[1]).toBe('Tomorrow: 2027-01-01');
  });
});
