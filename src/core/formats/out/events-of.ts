import { type NoteTimes, timesOf } from '../../day/appointments';
import type { ReadNote } from '../../task/reading/read-note';
import type { CalendarEvent } from './part';

/** What happens at a time by what a note says of times: the appointments of a day, or itself where it is a meeting. */
export function eventsAt(
  times: NoteTimes,
  { path, title, people }: { path: string; title: string; people: readonly string[] },
): CalendarEvent[] {
  const events = times.appointments.map(({ day, start, end, text, line }) => ({
    ...{ id: `${path}-${line}@recado`, words: text, day, start, end, people, note: path },
  }));
  const { meeting } = times;
  return meeting ? [...events, { id: `${path}@recado`, words: title, ...meeting, people, note: path }] : events;
}

/**
 * What happens at a time by a note.
 *
 * @param slipHeading the heading under which slips are written down, whose times are no appointments
 */
export function eventsOf(note: ReadNote, slipHeading: string): CalendarEvent[] {
  const times = timesOf(note, slipHeading);
  return times ? eventsAt(times, { path: note.path, title: note.title, people: note.front.people }) : [];
}
