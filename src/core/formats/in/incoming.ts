import { isoDay } from '../../calendar/day';
import { type Now, timeName } from '../../calendar/span';
import { endName } from '../../day/appointments';
import { foldName } from '../../note/names/names';
import { fileNameOf, journalPath, pathFor } from '../../note/names/path';
import type { Status } from '../../task/line/status';
import { readVcards } from '../vcard';
import { type DayOrder, orderOfDays } from './csv-cells';
import { type CsvMap, guessedMap, readTable, tasksOfTable } from './csv-in';
import { type ReadEvent, appointmentLine, readIcal } from './ical-in';
import { readOurJson } from './json-in';
import { readOpml } from './opml-in';
import { textOfIndented } from './read-indented-text';

/** What a file is, by its ending. */
export type IncomingKind = 'note' | 'text' | 'opml' | 'ics' | 'csv' | 'json' | 'vcard';

const KINDS: Readonly<Record<string, IncomingKind>> = {
  md: 'note',
  markdown: 'note',
  txt: 'text',
  opml: 'opml',
  ics: 'ics',
  csv: 'csv',
  tsv: 'csv',
  json: 'json',
  vcf: 'vcard',
};

/** Null for what Recado does not read. */
export const kindOfFile = (path: string): IncomingKind | null => KINDS[/\.([a-z]+)$/i.exec(path)?.[1]?.toLowerCase() ?? ''] ?? null;

/** How a table is read. */
export interface TableReading {
  map: CsvMap;
  order: DayOrder;
}

/** What a person decides before something comes in. */
export interface Choices {
  /** Where notes go; empty leaves them where their files say. */
  folder: string;
  /** Whether a text file is a note as it is, or a line of it an item. */
  textFiles: 'notes' | 'outlines';
  /** What the events of a calendar become. */
  events: 'appointments' | 'meetings' | 'left';
  /** What signs in boxes mean; those that are not named stay as they are. */
  signs: Readonly<Record<string, Status>>;
  /** By the names of its columns: a person says it once. */
  tables: Readonly<Record<string, TableReading>>;
}

/** Where a note comes to lie that brings a path of its own. */
export const placeIn = (folder: string, path: string): string => (folder === '' ? path : `${folder}/${path}`);

/** What tables of the same columns are remembered by. */
export const tableKey = (columns: readonly string[]): string => columns.join('\t');

/** What a file comes to. */
export interface Incoming {
  notes: { path: string; text: string }[];
  /** Lines that go to the end of a note, which may be there already. */
  lines: { path: string; lines: string[] }[];
  left: string[];
  /** What is not as it was, or stands as words, in plain words. */
  report: string[];
}

/** What is known of where it comes to. */
export interface Place {
  /** A moment of UTC in the zone of the person. */
  fromUtc: (moment: Now) => Now;
  /** Whether somebody bears a handle, folded. */
  isTaken: (handle: string) => boolean;
}

/**
 * Reads a file of another form as notes.
 *
 * @param path where it lay; a note that has no name of its own is called like it
 */
export function incomingOf(kind: Exclude<IncomingKind, 'note'>, path: string, text: string, choices: Choices, place: Place): Incoming {
  const name = fileNameOf(path).replace(/\.[^.]*$/, '') || 'Untitled';
  const nothing: Incoming = { notes: [], lines: [], left: [], report: [] };
  const noteOf = (title: string, words: string) => (words === '' ? [] : [{ path: pathFor(choices.folder, title), text: words }]);
  switch (kind) {
    case 'text':
      return { ...nothing, notes: noteOf(name, textOfIndented(text)) };
    case 'opml': {
      const read = readOpml(text);
      return read ? { ...nothing, notes: noteOf(read.title ?? name, read.text) } : { ...nothing, left: ['It is no OPML.'] };
    }
    case 'csv':
      return tableNotes(text, name, choices, nothing, noteOf);
    case 'json': {
      const read = readOurJson(text);
      if ('refused' in read) return { ...nothing, left: [read.refused] };
      return {
        ...nothing,
        notes: read.notes.map(({ path: own, title, text: words }) => ({
          path: own === null ? pathFor(choices.folder, title) : placeIn(choices.folder, own),
          text: words,
        })),
      };
    }
    case 'vcard': {
      const read = readVcards(text);
      if (!read) return { ...nothing, left: ['It holds no vCard.'] };
      const here = read.people.filter(({ handle }) => place.isTaken(foldName(handle)));
      const notes = read.people
        .filter((person) => !here.includes(person))
        .map((person) => ({ path: pathFor('People', person.handle), text: person.text }));
      return { ...nothing, notes, left: [...read.left, ...here.map(({ handle }) => `@${handle} has a page here; this card stays out.`)] };
    }
    case 'ics':
      return calendarNotes(text, name, choices, place, nothing, noteOf);
  }
}

type NoteOf = (title: string, words: string) => Incoming['notes'];

function tableNotes(text: string, name: string, { tables }: Choices, nothing: Incoming, noteOf: NoteOf): Incoming {
  const table = readTable(text);
  if (table.columns.length === 0) return { ...nothing, left: ['It holds no table.'] };
  const known = tables[tableKey(table.columns)];
  const map = known?.map ?? guessedMap(table.columns);
  if (map.task === undefined && Object.keys(map).length === 0)
    return { ...nothing, left: ['No column says what the tasks are; choose one above.'] };
  const { text: words, kept } = tasksOfTable(table, map, known?.order ?? orderOfDays(table.rows));
  const told = kept.map(({ row, field, cell }) => `Row ${row}: “${cell}” cannot be read for ${field} and stands under its task.`);
  return { ...nothing, notes: noteOf(name, words), report: [...table.problems, ...told] };
}

function calendarNotes(
  text: string,
  name: string,
  { events, folder }: Choices,
  { fromUtc }: Place,
  nothing: Incoming,
  noteOf: NoteOf,
): Incoming {
  const read = readIcal(text, fromUtc);
  if (!read) return { ...nothing, left: ['It holds no calendar.'] };
  const tasks = read.tasks === 0 ? [] : noteOf(read.title ?? name, read.text);
  switch (events) {
    case 'left':
      return { ...nothing, notes: tasks, report: read.report };
    case 'meetings':
      return { ...nothing, notes: [...tasks, ...read.events.map((event) => meetingNote(event, folder))], report: read.report };
    case 'appointments':
      return { ...nothing, notes: tasks, lines: linesOfDays(read.events), report: read.report };
  }
}

function linesOfDays(events: readonly ReadEvent[]): Incoming['lines'] {
  const days = new Map<number, string[]>();
  for (const event of events) {
    const lines = [appointmentLine(event), ...event.description.map((line) => (line === '' ? '' : `  ${line}`))];
    days.set(event.day, [...(days.get(event.day) ?? []), ...lines]);
  }
  return [...days].map(([day, lines]) => ({ path: journalPath(isoDay(day)), lines }));
}

function meetingNote({ day, start, end, words, description }: ReadEvent, folder: string): { path: string; text: string } {
  const title = words === '' ? 'Meeting' : words;
  const times = [...(start === null ? [] : [`start: ${timeName(start)}`]), ...(end === null ? [] : [`end: ${endName(end)}`])];
  const text = ['---', 'kind: meeting', `title: ${JSON.stringify(title)}`, `date: ${isoDay(day)}`, ...times, '---', ...description, ''];
  return { path: pathFor(folder === '' ? 'Meetings' : folder, `${isoDay(day)} ${title}`), text: text.join('\n') };
}
