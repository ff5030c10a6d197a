import type { Day, Weekday } from '../src/core/calendar/day';
import type { DaySettings } from '../src/core/day/day-settings';
import { Library } from '../src/core/index/library';
import type { Desk } from './desk';

/** What a command says of how a folder is read, apart from what its texts mean. */
export interface Reading {
  today: Day;
  firstDayOfWeek: Weekday;
  me: string | null;
  days: DaySettings;
  /** The tag of what is off the table. */
  notNowTag: string;
}

/** The notes of a folder, read and indexed. */
export function libraryOf(desk: Desk, { today, firstDayOfWeek, me, days, notNowTag }: Reading): Library {
  const library = new Library({ ...desk.settings, today, firstDayOfWeek, me, days, notNowTag, dateStyle: 'iso' });
  library.apply(desk.folder.notes);
  return library;
}
