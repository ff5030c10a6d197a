import { type Day, isoDay } from '../../core/calendar/day';
import type { Overview } from '../../core/index/live/overview';
import { meetingFileName, meetingTitle, nameInTitle } from '../../core/meeting/meeting-title';
import { withFields } from '../../core/note/facts/with-fields';
import { fieldsOf } from './meeting-fields';

/** The front matter, the title and the file of a meeting that begins on a day. */
export interface NewMeeting {
  title: string;
  file: string;
  people: readonly string[];
  about: readonly string[];
}

/**
 * A meeting as it begins on a page: with the person whose page it is, or about the project or goal that it is. On any other page it has neither.
 *
 * @param path of the note that the page shows; null for none
 */
export function meetingFrom(path: string | null, overview: Overview | null, day: Day): NewMeeting {
  const person = overview?.people.find((one) => one.path !== null && one.path === path);
  const note = overview?.notes.find((one) => one.path === path);
  const people = person ? [person.name] : [];
  const about = note && (note.kind === 'project' || note.kind === 'goal') ? [note.title] : [];
  const title = meetingTitle(null, person ? [nameInTitle(person.name, person.fullName)] : []);
  return { title, file: meetingFileName(isoDay(day), title), people, about };
}

/** The text of a meeting that begins, from what its template says. */
export function newMeetingText(template: string, { title, people, about }: NewMeeting, day: Day): string {
  const said = {
    kind: 'meeting',
    ...fieldsOf.date(day),
    ...fieldsOf.people(people),
    ...fieldsOf.about(about),
    title: JSON.stringify(title),
  };
  return withFields(template, Object.fromEntries(Object.entries(said).filter(([, words]) => words !== null)));
}
