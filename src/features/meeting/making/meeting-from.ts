import type { Day } from '../../../core/calendar/day';
import type { Overview } from '../../../core/index/live/overview';
import { meetingOfLine } from '../../../core/meeting/appointment-meeting';
import type { MeetingToMake } from '../meeting-fields';

/**
 * A meeting of a day in the words with which it is typed: they may begin with its times, and say who is there and what it is about.
 *
 * @example meetingOfWords('11:30-12:15 Call with @teo', day) // { title: 'Call with teo', start: 690, end: 735, people: ['teo'], … }
 */
export function meetingOfWords(words: string, date: Day): MeetingToMake {
  const said = meetingOfLine(`- ${words.trim()}`);
  if (said) return { ...said, date };
  const untimed = meetingOfLine(`- 00:00 ${words.trim()}`);
  return untimed ? { title: untimed.title, people: untimed.people, about: untimed.about, date } : { title: words.trim(), date };
}

/**
 * A meeting as it begins on a page: with the person whose page it is, or about the project or goal that it is. On any other page it has neither.
 *
 * @param path of the note that the page shows; null for none
 */
export function meetingFrom(path: string | null, overview: Overview | null, date: Day): MeetingToMake {
  const person = overview?.people.find((one) => one.path !== null && one.path === path);
  const note = overview?.notes.find((one) => one.path === path);
  const about = note && (note.kind === 'project' || note.kind === 'goal') ? [note.title] : [];
  return { title: null, date, people: person ? [person.name] : [], about };
}
