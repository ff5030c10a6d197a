import { type SpokenOptions, readSpokenDates, storedDate, wordsWithout } from '../../src/core/calendar/spoken/spoken-date';
import { timeName } from '../../src/core/calendar/span';

/** What was understood, and the words that remain. */
export interface SpokenAnswer {
  date: string | null;
  week: string | null;
  month: string | null;
  time: string | null;
  role: string | null;
  words: string;
}

/** `date`: the first date in what a person typed. */
export function date(words: string, options: SpokenOptions): SpokenAnswer {
  const found = readSpokenDates(words, options)[0];
  const said = (is: 'day' | 'week' | 'month'): string | null => (found?.is === is ? storedDate({ ...found, minute: null }) : null);
  return {
    date: said('day'),
    week: said('week'),
    month: said('month'),
    time: found?.minute == null ? null : timeName(found.minute),
    role: found?.role ?? null,
    words: found ? wordsWithout(words, [found]) : words,
  };
}
