import { readFileSync } from 'node:fs';
import path from 'node:path';
import { dayOfDate, isoDay } from '../../src/core/calendar/day';
import type { Now } from '../../src/core/calendar/span';
import { type CsvMap, guessedMap, readTable, tasksOfTable } from '../../src/core/formats/in/csv-in';
import { appointmentLine, readIcal } from '../../src/core/formats/in/ical-in';
import { readOurJson } from '../../src/core/formats/in/json-in';
import { readOpml } from '../../src/core/formats/in/opml-in';
import { textOfIndented } from '../../src/core/formats/in/read-indented-text';
import { readVcards } from '../../src/core/formats/vcard';
import { journalPath, pathFor } from '../../src/core/note/names/path';
import { PlainError } from '../plain-error';

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
      return { files: [{ note: pathFor('', name), text: textOfIndented(text) }], report: [] };
    case 'opml': {
      const read = readOpml(text);
      if (!read) throw new PlainError(`${file} is no OPML.`);
      return { files: [{ note: pathFor('', read.title ?? name), text: read.text }], report: [] };
    }
    case 'csv': {
      const table = readTable(text);
      const { text: note, kept } = tasksOfTable(table, map === undefined ? guessedMap(table.columns) : mapOf(map));
      return {
        files: [{ note: pathFor('', name), text: note }],
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
      const journals = [...days].map(([day, lines]) => ({ note: journalPath(isoDay(day)), text: `${lines.join('\n')}\n` }));
      const tasks = read.tasks === 0 ? [] : [{ note: pathFor('', read.title ?? name), text: read.text }];
      return { files: [...tasks, ...journals], report: read.report };
    }
    case 'json': {
      const read = readOurJson(text);
      if ('refused' in read) throw new PlainError(`${file}: ${read.refused}`);
      return { files: read.notes.map((note) => ({ note: note.path ?? pathFor('', note.title), text: note.text })), report: [] };
    }
    case 'vcard': {
      const read = readVcards(text);
      if (!read) throw new PlainError(`${file} holds no vCard.`);
      return { files: read.people.map((person) => ({ note: pathFor('People', person.handle), text: person.text })), report: read.left };
    }
    default:
      throw new PlainError('--as is text, opml, ics, csv, json or vcard.');
  }
}

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
