import type { Day } from '../../../calendar/day';
import type { DayRange } from '../../../calendar/span';
import { foldPath } from '../../../note/names/path';
import { tagWithUppers } from '../../../note/names/names';
import { readNote } from '../../../task/reading/read-note';
import { excuseOf } from '../../days/day-matter';
import { sharesOf } from '../../../day/plan/planned';
import { type Occurrence, recordShare, repeatRecord } from '../../../review/repeat-record';
import { repeatsOf } from '../../../review/repeats-of';
import type { Row } from '../../../gather/rows/row';
import type { Library } from '../../library';

/** How much of what was planned was kept. */
export interface Share {
  planned: number;
  kept: number;
}

/** How days that lie behind went. */
export interface DaysRecord {
  /** The days of which something counts, in their order. */
  days: (Share & { day: Day })[];
  /** Days that count in no share, and why. */
  excused: { day: Day; why: string }[];
  /** The tags that bear most of it, and the sides that were asked for, in their order. */
  tags: (Share & { name: string })[];
  sides: (Share & { name: string })[];
  /** Of tasks that say a length, and bear when they were begun and done on one day: how many, the minutes said, and those taken. */
  taken: { count: number; said: number; took: number };
}

/** So many tags are told. */
const MOST_TAGS = 12;

/**
 * The record of the days of a range, up to yesterday.
 *
 * @param sides names with the conditions of the sides
 */
export function daysRecord(library: Library, { from, to }: DayRange, sides: readonly { name: string; condition: string }[]): DaysRecord {
  const last = Math.min(to, library.today - 1);
  const days = new Map<Day, Share>();
  const tags = new Map<string, Share & { name: string }>();
  const excused = new Map<Day, string | null>();
  const taken = { count: 0, said: 0, took: 0 };
  const why = (day: Day): string | null => {
    if (!excused.has(day)) excused.set(day, excuseOf(library, day));
    return excused.get(day) ?? null;
  };
  const members = sides.map(({ name, condition }) => ({ name, keys: keysOf(library, condition), planned: 0, kept: 0 }));
  for (let day = from; day <= last; day++) why(day);
  for (const row of library.rows()) {
    if (row.head.kind === 'archive' || row.echo !== null) continue;
    addTaken(row, from, last, taken);
    const place = { journal: row.head.journal, isStep: row.parent !== null };
    for (const { day, kept, occurrence } of sharesOf(row.task, place, library.daySettings)) {
      // A missed occurrence of a repeat counts in no share.
      if (day < from || day > last || occurrence || why(day) !== null) continue;
      const add = (share: Share): void => {
        share.planned++;
        if (kept) share.kept++;
      };
      const known = days.get(day) ?? { planned: 0, kept: 0 };
      days.set(day, known);
      add(known);
      for (const name of new Set([...row.task.tags, ...row.task.inheritedTags].flatMap((tag) => tagWithUppers(tag)))) {
        const tag = tags.get(name) ?? { name, planned: 0, kept: 0 };
        tags.set(name, tag);
        add(tag);
      }
      for (const side of members) if (side.keys.has(keyOf(row))) add(side);
    }
  }
  return {
    days: [...days].map(([day, share]) => ({ day, ...share })).sort((a, b) => a.day - b.day),
    excused: [...excused].flatMap(([day, said]) => (said === null ? [] : [{ day, why: said }])),
    tags: [...tags.values()].sort((a, b) => b.planned - a.planned || (a.name < b.name ? -1 : 1)).slice(0, MOST_TAGS),
    sides: members.map(({ name, planned, kept }) => ({ name, planned, kept })),
    taken,
  };
}

const keyOf = (row: Row): string => `${row.head.path}\n${row.task.line}`;

function keysOf(library: Library, condition: string): ReadonlySet<string> {
  const { live, answer } = library.ask(`where ${condition}\nsteps apart\nincluding resting`);
  if (live.errors.length > 0) return new Set();
  return new Set(answer.groups.flatMap((group) => group.rows.map(({ row }) => keyOf(row))));
}

/** Where begun and done bear a time of one day, the span is what it took. */
function addTaken({ task: { takes, since, done, status } }: Row, from: Day, to: Day, into: DaysRecord['taken']): void {
  if (takes === null || status !== 'done' || !since || !done || since.minute === null || done.minute === null) return;
  if (since.from !== done.from || done.from < from || done.from > to || done.minute < since.minute) return;
  into.count++;
  into.said += takes;
  into.took += done.minute - since.minute;
}

/** A repeat, and how it went in a range of days. */
export interface RecordedRepeat extends Share {
  path: string;
  /** From 0. */
  line: number;
  text: string;
  every: string;
  noteTitle: string;
  occurrences: Occurrence[];
  /** How often it was done in all, where only that is kept. */
  times: number | null;
}

/**
 * The open repeats that a condition finds at a place, each with its record, in the order of the notes.
 *
 * @param condition null for all
 */
export function repeatsRecord(
  library: Library,
  range: DayRange,
  condition: string | null = null,
  at: string | null = null,
): RecordedRepeat[] {
  const rows = rowsThatRepeat(library, condition, at);
  const wanted = new Set(rows.map(keyOf));
  const paths = [...new Set(rows.map(({ head }) => head.path))].sort();
  const all = paths.flatMap((path) => {
    const entry = library.entries.get(foldPath(path));
    if (!entry) return [];
    const note = readNote(path, entry.text, entry.settings);
    return repeatsOf(note).map(({ task, records }): RecordedRepeat => {
      const occurrences = repeatRecord(task, records, range, library.today);
      return {
        path,
        line: task.line,
        text: task.text,
        every: task.every ?? '',
        noteTitle: entry.head.title,
        occurrences,
        times: records.length === 0 ? task.times : null,
        ...recordShare(occurrences),
      };
    });
  });
  return all.filter(({ path, line }) => wanted.has(`${path}\n${line}`));
}

const rowsThatRepeat = (library: Library, condition: string | null, at: string | null): Row[] =>
  library
    .ask(`open and repeats${condition === null ? '' : ` and ${condition}`}\nsteps apart\nincluding resting`, at)
    .answer.groups.flatMap((group) => group.rows.map(({ row }) => row));
