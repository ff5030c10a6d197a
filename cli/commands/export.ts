import { civilFrom } from '../../src/core/calendar/day';
import type { Now } from '../../src/core/calendar/span';
import { timesOf } from '../../src/core/day/appointments';
import { type Branch, type Outline, allBranches } from '../../src/core/formats/branch';
import { csvText } from '../../src/core/formats/csv-out';
import { htmlText } from '../../src/core/formats/html-out';
import { type CalendarEvent, icalText } from '../../src/core/formats/ical-out';
import { indentedText } from '../../src/core/formats/indented-text';
import { opmlText } from '../../src/core/formats/opml-out';
import { outlineOf } from '../../src/core/formats/outline-of';
import { plainList, plainMarkdown } from '../../src/core/formats/plain-markdown';
import { vcardText } from '../../src/core/formats/vcard';
import type { ReadNote } from '../../src/core/task/reading/read-note';
import type { RunnerSettings } from '../settings';
import { type Desk, noteAt } from '../desk';
import type { Reading } from '../library-of';
import { PlainError } from '../plain-error';
import { type GatheredRow, gather } from './gather';

export interface ExportAsked extends Reading {
  as: string;
  query: string | null;
  at: string | null;
  now: Now;
}

/** `export`: the file itself. */
export function exported(desk: Desk, settings: RunnerSettings, asked: ExportAsked): string {
  const notes = asked.at === null ? desk.notes : [theNote(desk, asked.at)];
  const { query } = asked;
  const list =
    query === null
      ? null
      : listOf(
          desk,
          gather(desk, { ...asked, query }).groups.flatMap(({ rows }) => rows),
        );
  const outlines = list ? [list] : notes.map((note) => outlineOf(note));
  const [only] = notes;
  const title = list ? 'Tasks' : notes.length === 1 && only ? only.title : 'Notes';
  switch (asked.as) {
    case 'text':
      return indentedText(outlines);
    case 'html':
      return htmlText(
        title,
        list
          ? [{ title, markdown: plainList(list.branches) }]
          : notes.map((note) => ({ title: note.title, markdown: plainMarkdown(note) })),
      );
    case 'opml':
      return opmlText(title, outlines);
    case 'csv':
      return csvText(outlines).text;
    case 'vcard':
      return vcardText(notes);
    case 'ics': {
      const events = list ? [] : notes.flatMap((note) => eventsOf(note, settings.days.slipHeading));
      return icalText({ outlines, events, title, now: asked.now, inUtc });
    }
    default:
      throw new PlainError('--as is text, html, opml, ics, csv or vcard.');
  }
}

function theNote(desk: Desk, at: string): ReadNote {
  const note = noteAt(desk, at);
  if (!note) throw new PlainError(`There is no note ${at}.`);
  return note;
}

/** The tasks that were gathered, each with the steps that were. */
function listOf(desk: Desk, rows: readonly GatheredRow[]): Outline {
  const known = new Map<string, ReadonlyMap<number, Branch>>();
  const branchOf = (path: string, line: number): Branch | undefined => {
    let branches = known.get(path);
    if (!branches) {
      const note = desk.notes.find((one) => one.path === path);
      const all = note ? [...allBranches(outlineOf(note).branches)] : [];
      known.set(path, (branches = new Map(all.map((branch) => [branch.line, branch]))));
    }
    return branches.get(line);
  };
  const shown = (list: readonly GatheredRow[]): Branch[] =>
    list.flatMap((row) => {
      const found = 'line' in row ? branchOf(row.note, row.line - 1) : undefined;
      return found ? [{ ...found, branches: 'steps' in row ? shown(row.steps) : [] }] : [];
    });
  return { path: null, title: 'Tasks', branches: shown(rows) };
}

function eventsOf(note: ReadNote, slipHeading: string): CalendarEvent[] {
  const times = timesOf(note, slipHeading);
  const people = note.front.people;
  const events = (times?.appointments ?? []).map(({ day, start, end, text, line }) => ({
    ...{ id: `${note.path}-${line}@recado`, words: text, day, start, end, people, note: note.path },
  }));
  const meeting = times?.meeting;
  return meeting ? [...events, { id: `${note.path}@recado`, words: note.title, ...meeting, people, note: note.path }] : events;
}

/** A moment of the zone of this machine in UTC. */
function inUtc({ day, minute }: Now): Now {
  const { year, month, day: date } = civilFrom(day);
  const minutes = Math.floor(new Date(year, month - 1, date, 0, minute).getTime() / 60_000);
  return { day: Math.floor(minutes / 1440), minute: minutes - Math.floor(minutes / 1440) * 1440 };
}
