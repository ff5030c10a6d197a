import type { Day } from '../../calendar/day';
import type { ReadNote } from '../../task/reading/read-note';
import type { Outline } from '../branch';

/** What happens at a time, beside the tasks: an appointment of a day, or a meeting. */
export interface CalendarEvent {
  /** Stays the same as long as it does. */
  id: string;
  words: string;
  day: Day;
  /** Minutes after midnight; null for the whole day. */
  start: number | null;
  /** Minutes after midnight of its day, more than 1440 on the next one; null when it says no end. */
  end: number | null;
  people: readonly string[];
  note: string;
}

/** One thing that goes out, whatever the format: a note, some lines of one, or what a list holds. */
export interface Part {
  outline: Outline;
  /** The note where it is a whole one, with what its front matter says; null otherwise. */
  note: ReadNote | null;
  /** As it is stored: the bytes of a note, the lines of a branch, the rows of a list with their tails. */
  stored: () => string;
  /** As Markdown for people without Recado. */
  plain: () => string;
  /** What happens at a time, which only a calendar holds beside the tasks. */
  events: readonly CalendarEvent[];
}
