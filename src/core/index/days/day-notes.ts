import type { Day } from '../../calendar/day';
import type { NoteEntry } from '../note-entry';

/** The notes that belong to days: journal pages, what says times of a day, and what plans tasks for times. */
export class DayNotes {
  private readonly starting = new Map<Day, Set<NoteEntry>>();
  private touched = new Set<Day>();
  private readonly timed = new Map<Day, Set<NoteEntry>>();
  private readonly pages = new Map<Day, Set<NoteEntry>>();

  add(entry: NoteEntry): void {
    this.changeAll(entry, (there) => there.add(entry));
  }

  remove(entry: NoteEntry): void {
    this.changeAll(entry, (there) => there.delete(entry));
  }

  private changeAll(entry: NoteEntry, how: (there: Set<NoteEntry>) => void): void {
    this.change(this.timed, timedDay(entry), how);
    this.change(this.pages, entry.head.journal, how);
    for (const day of entry.starts) this.change(this.starting, day, how);
  }

  private change(days: Map<Day, Set<NoteEntry>>, day: Day | null, how: (there: Set<NoteEntry>) => void): void {
    if (day === null) return;
    const there = days.get(day) ?? new Set();
    how(there);
    if (there.size > 0) days.set(day, there);
    else days.delete(day);
    this.touched.add(day);
  }

  /** The days of which something may be different since this was last asked. */
  takeTouched(): ReadonlySet<Day> {
    const { touched } = this;
    this.touched = new Set();
    return touched;
  }

  /** The notes of which a task is planned for a time of a day. */
  startingOn(day: Day): readonly NoteEntry[] {
    return [...(this.starting.get(day) ?? [])];
  }

  /** The days of which notes say times, or that are excused. */
  get timedDays(): Iterable<Day> {
    return this.timed.keys();
  }

  /** The notes that say times of a day, or excuse it. */
  timedOn(day: Day): readonly NoteEntry[] {
    return [...(this.timed.get(day) ?? [])];
  }

  /** The journal page of a day: the one whose front matter says kind journal before those that are only called by the date, then by path. */
  pageOf(day: Day): NoteEntry | null {
    const first = (a: NoteEntry, b: NoteEntry): NoteEntry => {
      if (a.head.journalSaid !== b.head.journalSaid) return a.head.journalSaid ? a : b;
      return a.head.path < b.head.path ? a : b;
    };
    // A page of another journal is the page of its day in that one only.
    const pages = [...(this.pages.get(day) ?? [])].filter(({ head }) => head.journalName === null);
    return pages.reduce<NoteEntry | null>((best, one) => (best ? first(best, one) : one), null);
  }
}

/** A note says times of one day: that of its journal page, or its date. */
function timedDay({ times, head }: NoteEntry): Day | null {
  return times === null ? null : (head.journal ?? head.date);
}
