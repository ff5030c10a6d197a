import type { Day } from '../../calendar/day';
import { eventsAt } from '../../formats/out/events-of';
import type { CalendarEvent } from '../../formats/out/part';
import { isSealedPath } from '../../note/names/path';
import type { Library } from '../library';

/** What happens at a time from a day on, wherever it is written but in sealed notes, in the order of days: for calendars that go out. */
export function eventsFrom(library: Library, from: Day): CalendarEvent[] {
  return [...library.entries.values()]
    .flatMap(({ head, times }) =>
      times && !isSealedPath(head.path) ? eventsAt(times, { path: head.path, title: head.title, people: head.present }) : [],
    )
    .filter(({ day }) => day >= from)
    .sort((a, b) => a.day - b.day || (a.id < b.id ? -1 : 1));
}
