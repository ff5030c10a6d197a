import { type Day, isoDay } from '../calendar/day';
import { foldName } from '../note/names/names';

/** A person as titles name them: by the first of their names where their handle says it, else by their handle. */
export function nameInTitle(handle: string, fullName: string | null = null): string {
  const first = fullName?.split(/\s+/)[0];
  return first !== undefined && foldName(first) === foldName(handle) ? first : capital(handle.split(/[._-]/).map(capital).join(' '));
}

/**
 * The title that a meeting has by its form and its people.
 *
 * @param names of the people, as titles name them
 * @example meetingTitle('call', ['Kofi', 'Teo']) // 'Call with Kofi and Teo'
 */
export function meetingTitle(form: string | null, names: readonly string[]): string {
  const what = capital(form?.trim() || 'meeting');
  return names.length === 0 ? what : `${what} with ${joined(names)}`;
}

/** At most so many people are named; the others are counted. */
const MOST_NAMES = 4;

function joined(names: readonly string[]): string {
  const shown = names.length > MOST_NAMES ? [...names.slice(0, MOST_NAMES - 1), `${names.length - MOST_NAMES + 1} more`] : names;
  const last = shown.at(-1) ?? '';
  return shown.length < 2 ? last : `${shown.slice(0, -1).join(', ')} and ${last}`;
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** A title as the name of a file may bear it, behind the day. */
export const meetingFileName = (day: Day | null, title: string): string => (day === null ? title : `${isoDay(day)} ${title}`);
