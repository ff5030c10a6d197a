import { readFileSync } from 'node:fs';
import path from 'node:path';
import { fromUtc } from '../../src/core/calendar/zone';
import { type CsvMap, readTable } from '../../src/core/formats/in/csv-in';
import { orderOfDays } from '../../src/core/formats/in/csv-cells';
import { type Choices, type IncomingKind, incomingOf, tableKey } from '../../src/core/formats/in/incoming';
import { PlainError } from '../plain-error';

export interface ImportAnswer {
  files: { note: string; text: string }[];
  /** What was left out or kept as words, in plain words. */
  report: string[];
}

const KINDS = ['text', 'opml', 'ics', 'csv', 'json', 'vcard'] as const satisfies IncomingKind[];

/** `import`: the notes that a file of another format comes to. */
export function imported(file: string, as: string, map: string | undefined): ImportAnswer {
  const kind = KINDS.find((one) => one === as);
  if (!kind) throw new PlainError(`--as is ${KINDS.slice(0, -1).join(', ')} or ${KINDS.at(-1)}.`);
  const text = textOf(file);
  const choices: Choices = { folder: '', textFiles: 'outlines', events: 'appointments', signs: {}, tables: tablesOf(text, map) };
  const { notes, lines, left, report } = incomingOf(kind, path.basename(file), text, choices, { fromUtc, isTaken: () => false });
  const files = [
    ...notes.map((note) => ({ note: note.path, text: note.text })),
    ...lines.map((one) => ({ note: one.path, text: `${one.lines.join('\n')}\n` })),
  ];
  if (files.length === 0 && left.length > 0) throw new PlainError(`${file}: ${left.join(' ')}`);
  return { files, report: [...report, ...left] };
}

/** How the table is read that the file holds, where it is said. */
function tablesOf(text: string, map: string | undefined): Choices['tables'] {
  if (map === undefined) return {};
  const { columns, rows } = readTable(text);
  return { [tableKey(columns)]: { map: mapOf(map), order: orderOfDays(rows) } };
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
