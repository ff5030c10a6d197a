import { type Day, type Weekday, addMonths, readIsoDay, startOfMonth, startOfWeek, weekdayOf } from '../day';
import { numberFrom, weekdayFrom } from './names-of-days';
import { readSpokenDates } from './spoken-date';

/**
 * The day that words name when a person wants to go to it, past days too; null when the words are not wholly a day.
 *
 * @example dayNamed('last tue', { today: 20780, firstDayOfWeek: 1 }) // the Tuesday before today
 */
export function dayNamed(typed: string, context: { today: Day; firstDayOfWeek: Weekday }): Day | null {
  const text = typed.trim().toLowerCase();
  if (text === '') return null;
  const iso = readIsoDay(text);
  if (iso !== null) return iso;
  const words = text.split(/\s+/);
  return pastDay(words, context) ?? spokenDay(words.length === 1 && weekdayFrom(text) !== null ? `on ${text}` : text, context);
}

/** `last tue`, `tue last week`, `last week`, `last month`, `3 days ago`, `a week ago`. */
function pastDay(words: readonly string[], { today, firstDayOfWeek }: { today: Day; firstDayOfWeek: Weekday }): Day | null {
  const [first = '', second = '', third = ''] = words;
  if (words.length === 2 && first === 'last') {
    const weekday = weekdayFrom(second);
    if (weekday !== null) return today - ((weekdayOf(today) - weekday + 6) % 7) - 1;
    if (second === 'week') return startOfWeek(today, firstDayOfWeek) - 7;
    if (second === 'month') return addMonths(startOfMonth(today), -1);
  }
  if (words.length !== 3) return null;
  const weekday = weekdayFrom(first);
  if (weekday !== null && second === 'last' && third === 'week')
    return startOfWeek(today, firstDayOfWeek) - 7 + ((weekday - firstDayOfWeek + 7) % 7);
  const count = numberFrom(first);
  if (count === null || third !== 'ago') return null;
  switch (second.replace(/s$/, '')) {
    case 'day':
      return today - count;
    case 'week':
      return today - 7 * count;
    case 'month':
      return addMonths(today, -count);
    case 'year':
      return addMonths(today, -12 * count);
  }
  return null;
}

function spokenDay(text: string, context: { today: Day; firstDayOfWeek: Weekday }): Day | null {
  const [found] = readSpokenDates(text, context);
  return found && found.from === 0 && found.to === text.length && found.minute === null ? found.day : null;
}
