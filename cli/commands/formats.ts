import { readFileSync } from 'node:fs';
import path from 'node:path';
import { civilFrom, dayOfDate, isoDay } from '../../src/core/calendar/day';
import type { Now } from '../../src/core/calendar/span';
import { timesOf } from '../../src/core/day/appointments';
import { type Branch, type Outline, allBranches } from '../../src/core/formats/branch';
import { type CsvMap, guessedMap, readTable, tasksOfTable } from '../../src/core/formats/csv-in';
import { csvText } from '../../src/core/formats/csv-out';
import { htmlText } from '../../src/core/formats/html-out';
import { appointmentLine, readIcal } from '../../src/core/formats/ical-in';
import { type CalendarEvent, icalText } from '../../src/core/formats/ical-out';
import { indentedText } from '../../src/core/formats/indented-text';
import { readOpml } from '../../src/core/formats/opml-in';
import { opmlText } from '../../src/core/formats/opml-out';
import { outlineOf } from '../../src/core/formats/outline-of';
import { plainList, plainMarkdown } from '../../src/core/formats/plain-markdown';
import { textOfIndented } from '../../src/core/formats/read-indented-text';
import { readVcards, vcardText } from '../../src/core/formats/vcard';
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
  const known = new Map<string, ReadonlyMap<string, Branch>>();
  const branchOf = (path: string, line: number): Branch | undefined => {
    let branches = known.get(path);
    if (!branches) {
      const note = desk.notes.find((one) => one.path === path);
      const all = note ? [...allBranches(outlineOf(note).branches)] : [];
      known.set(path, (branches = new Map(all.map(({ branch }) => [String(branch.line), branch]))));
    }
    return branches.get(String(line));
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
  const local = new Date(year, month - 1, date, 0, minute);
  const shifted = new Date(local.getTime() + local.getTimezoneOffset() * 60_000);
  return { day: dayOfDate(shifted), minute: shifted.getHours() * 60 + shifted.getMinutes() };
}

/** A moment of UTC in the zone of this machine. */
function fromUtc({ day, minute }: Now): Now {
  const local = new Date((day * 1440 + minute) * 60_000);
  return { day: dayOfDate(local), minute: local.getHours() * 60 + local.getMinutes() };
}

export interface ImportAnswer {
  files: { note: string; text: string }[];
  /** What was left out or kept as words, in plain words. */
  report: string[];
}

/** `import`: the notes that a file of another format comes to. */
export function imported(file: string, as: string, map: string | undefined): ImportAnswer {
  const text = textOf(file);
  const name = path.basename(file).replace(/\.[^.]*$/, '');
  switch (as) {
    case 'text':
      return { files: [{ note: `${name}.md`, text: textOfIndented(text) }], report: [] };
    case 'opml': {
      const read = readOpml(text);
      if (!read) throw new PlainError(`${file} is no OPML.`);
      return { files: [{ note: `${fileName(read.title ?? name)}.md`, text: read.text }], report: [] };
    }
    case 'csv': {
      const table = readTable(text);
      const { text: note, kept } = tasksOfTable(table, map === undefined ? guessedMap(table.columns) : mapOf(map));
      return {
        files: [{ note: `${name}.md`, text: note }],
        report: [
          ...table.problems,
          ...kept.map(({ row, field, cell }) => `Row ${row}: “${cell}” cannot be read for ${field} and stands under its task.`),
        ],
      };
    }
    case 'ics': {
      const read = readIcal(text, fromUtc);
      if (!read) throw new PlainError(`${file} holds no calendar.`);
      const days = new Map<number, string[]>();
      for (const event of read.events)
        days.set(event.day, [...(days.get(event.day) ?? []), appointmentLine(event), ...event.description.map((line) => `  ${line}`)]);
      const journals = [...days].map(([day, lines]) => ({ note: `Journal/${isoDay(day)}.md`, text: `${lines.join('\n')}\n` }));
      const tasks = read.tasks === 0 ? [] : [{ note: `${fileName(read.title ?? name)}.md`, text: read.text }];
      return { files: [...tasks, ...journals], report: read.report };
    }
    case 'vcard': {
      const read = readVcards(text);
      if (!read) throw new PlainError(`${file} holds no vCard.`);
      return { files: read.people.map((person) => ({ note: `People/${person.handle}.md`, text: person.text })), report: read.left };
    }
    default:
      throw new PlainError('--as is text, opml, ics, csv or vcard.');
  }
}

const fileName = (title: string): string => title.replace(/[\\/:*?"<>|]/g, '-').trim() || 'Outline';

function mapOf(words: string): CsvMap {
  try {
    const map: unknown = JSON.parse(words);
    if (typeof map === 'object' && map !== null && Object.values(map).every((name) => typeof name === 'string')) return map;
  } catch {
    // Said below.
  }
  throw new PlainError('--map is a JSON object of columns, such as {"task": "Title", "due": "Deadline"}.');
}

function textOf(file: string): string {
  try {
    return readFileSync(file, 'utf8');
  } catch {
    throw new PlainError(`There is no file ${file}.`);
  }
}
