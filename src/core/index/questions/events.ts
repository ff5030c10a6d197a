import type { Day } from '../../calendar/day';
import { eventsAt } from '../../formats/out/events-of';
import type { CalendarEvent } from '../../formats/out/part';
import type { Library } from '../library';

/** What happens at a time from a day on, wherever it is written, in the order of days. */
export function eventsFrom(library: Library, from: Day): CalendarEvent[] {
  return [...library.entries.values()]
    .flatMap(({ head, times }) => (times ? eventsAt(times, { path: head.path, title: head.title, people: head.present }) : []))
    .filter(({ day }) => day >= from)
    .sort((a, b) => a.day - b.day || (a.id < b.id ? -1 : 1));
}
