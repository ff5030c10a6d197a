import { readSpokenDates } from './spoken-date';
import { readSpokenRepeat, readTimedRepeat } from './spoken-repeat';

describe('a repeat as people say it', () => {
  it.each([
    ['every mon, fri 10:00', 'mon, fri', 600],
    ['every day at 18:00', 'day', 1080],
    ['each weekday at 9', 'weekday', 540],
    ['every 2 weeks on mon at 9am until 2027-03-01', '2 weeks on mon until 2027-03-01', 540],
    ['month on last fri', 'month on last fri', null],
  ])('“%s” is “%s” at %s', (words, phrase, minute) => expect(readTimedRepeat(words)).toEqual({ phrase, minute }));

  it.each(['every', 'every now and then', 'at 18:00', 'every day at', 'every 0 days at 9:00', 'every mon 25:00'])('“%s” is none', (words) =>
    expect(readTimedRepeat(words)).toBeNull(),
  );

  it('is found in a sentence with its time, which is no date of the task then', () => {
    const text = 'Read the log every mon, fri 10:00 by 1 dec';
    const found = readSpokenRepeat(text);
    expect(found && text.slice(found.from, found.to)).toBe('every mon, fri 10:00');
    const dates = readSpokenDates(text, { today: 20780, minute: 554, firstDayOfWeek: 1 });
    expect(dates.map(({ role, minute }) => [role, minute])).toEqual([['due', null]]);
  });
});
