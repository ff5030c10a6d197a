import type { Day } from '../../core/calendar/day';
import type { Overview } from '../../core/index/live/overview';
import type { MeetingToMake } from './meeting-fields';

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
