import { timesOf } from '../../day/appointments';
import type { ReadNote } from '../../task/reading/read-note';
import type { CalendarEvent } from './part';

/**
 * What happens at a time by a note: the appointments of a day, or itself where it is a meeting.
 *
 * @param slipHeading the heading under which slips are written down, whose times are no appointments
 */
export function eventsOf(note: ReadNote, slipHeading: string): CalendarEvent[] {
  const times = timesOf(note, slipHeading);
  const people = note.front.people;
  const events = (times?.appointments ?? []).map(({ day, start, end, text, line }) => ({
    ...{ id: `${note.path}-${line}@recado`, words: text, day, start, end, people, note: note.path },
  }));
  const meeting = times?.meeting;
  return meeting ? [...events, { id: `${note.path}@recado`, words: note.title, ...meeting, people, note: note.path }] : events;
}
