import { type Day, type Weekday, startOfWeek } from '../day';
import { weekdayName } from '../day-name';

/** A day that is often meant, and how it is offered. */
export interface LikelyDay {
  words: string;
  day: Day;
}

/**
 * The days that are offered wherever one is asked for: today, tomorrow, the first day of the next week, and two weeks on.
 *
 * @example likelyDays(20780, 1).map(({ words }) => words) // ['Today', 'Tomorrow', 'Next week, Mon', 'In two weeks']
 */
export function likelyDays(today: Day, firstDayOfWeek: Weekday): [LikelyDay, LikelyDay, LikelyDay, LikelyDay] {
  const nextWeek = startOfWeek(today, firstDayOfWeek) + 7;
  return [
    { words: 'Today', day: today },
    { words: 'Tomorrow', day: today + 1 },
    { words: `Next week, ${weekdayName(nextWeek)}`, day: nextWeek },
    { words: 'In two weeks', day: today + 14 },
  ];
}
