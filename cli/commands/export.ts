import type { Now } from '../../src/core/calendar/span';
import { inUtc } from '../../src/core/calendar/zone';
import { type Branch, allBranches } from '../../src/core/formats/branch';
import { outlineOf } from '../../src/core/formats/outline-of';
import { eventsOf } from '../../src/core/formats/out/events-of';
import type { OutFormat } from '../../src/core/formats/out/formats';
import type { Part } from '../../src/core/formats/out/part';
import { listPart, notePart } from '../../src/core/formats/out/parts-of';
import { written } from '../../src/core/formats/out/writer';
import { writerFor } from '../../src/core/formats/out/writer-for';
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
  const { as, query, now } = asked;
  if (!FORMATS.includes(as)) throw new PlainError(`--as is ${FORMATS.slice(0, -1).join(', ')} or ${FORMATS.at(-1)}.`);
  const notes = asked.at === null ? desk.notes : [theNote(desk, asked.at)];
  const parts =
    query === null
      ? notes.map((note) => notePart(note, eventsOf(note, settings.days.slipHeading)))
      : [
          listOf(
            desk,
            gather(desk, { ...asked, query }).groups.flatMap(({ rows }) => rows),
          ),
        ];
  const [only] = parts;
  const title = parts.length === 1 && only ? only.outline.title : 'Notes';
  return written(writerFor(as as OutFormat, { title, titled: parts.length > 1, now, inUtc }), parts);
}

/** What the runner writes: Markdown is there already. */
const FORMATS: readonly string[] = ['text', 'html', 'opml', 'ics', 'csv', 'json', 'vcard'] satisfies OutFormat[];

function theNote(desk: Desk, at: string): ReadNote {
  const note = noteAt(desk, at);
  if (!note) throw new PlainError(`There is no note ${at}.`);
  return note;
}

/** The tasks that were gathered, each with the steps that were. */
function listOf(desk: Desk, rows: readonly GatheredRow[]): Part {
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
  return listPart('Tasks', shown(rows));
}
