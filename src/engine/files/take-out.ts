import type { Now } from '../../core/calendar/span';
import { inUtc } from '../../core/calendar/zone';
import { type Branch, allBranches, tasksIn } from '../../core/formats/branch';
import { type ListedGather, partsOfLists } from '../../core/formats/listed';
import { outlineOf } from '../../core/formats/outline-of';
import { eventsOf } from '../../core/formats/out/events-of';
import { type OutFormat, OUT_FORMATS } from '../../core/formats/out/formats';
import { htmlOf } from '../../core/formats/out/html-out';
import type { CalendarEvent, Part } from '../../core/formats/out/part';
import { linesPart, listPart, notePart } from '../../core/formats/out/parts-of';
import { writerFor } from '../../core/formats/out/writer-for';
import { foldPath, liesIn } from '../../core/note/names/path';
import type { ReadingSettings } from '../../core/task/line/task';
import { type ReadNote, readNote } from '../../core/task/reading/read-note';
import type { StoredNote } from '../../store/notes/content';
import { packNotes } from './packing';

/** What goes out. */
export type Taken =
  | { is: 'all' }
  | { is: 'folder'; folder: string }
  /** What a person made the desk of: agenda pages with their feet, templates, slips, statuses. */
  | { is: 'set-up' }
  | { is: 'note'; path: string; title: string }
  /** The lines from one up to, and without, another; from 0. */
  | { is: 'lines'; path: string; from: number; to: number; title: string }
  /** What no note holds, as a digest. */
  | { is: 'text'; title: string; text: string }
  /** With events, which only a calendar holds, beside their tasks. */
  | { is: 'lists'; title: string; lists: readonly ListedGather[]; events?: readonly CalendarEvent[] };

/** The kinds of the notes of the set-up. */
const SET_UP: ReadonlySet<string> = new Set(['agenda', 'template', 'slip', 'status']);

export interface TakeOutAsked {
  taken: Taken;
  format: OutFormat;
  /** What the file says that it is. */
  title: string;
  reading: ReadingSettings;
  slipHeading: string;
  now: Now;
  /** Files that stand in a zip beside the notes, by their path. */
  others: Readonly<Record<string, string>>;
  /** Of a table; all when it is left out. */
  columns?: readonly string[];
}

/** What came of it. */
export interface TakenOut {
  file: Blob;
  /** Of the file, with its dot: several notes of Markdown are a zip. */
  ending: string;
  notes: number;
  tasks: number;
  /** What a person should know of it, in plain words. */
  report: string[];
}

/** Notes as the store gives them, portion by portion. */
export type Portions = AsyncIterable<{ notes: readonly StoredNote[]; all: number }>;

/** So many letters are written before they are given away: what is written lies in no memory twice. */
const PIECE = 1 << 20;

/**
 * Writes what is taken in one form.
 *
 * @param progress called after each portion with how many notes were looked at, of how many
 */
export async function takeOut(portions: Portions, asked: TakeOutAsked, progress: (looked: number, all: number) => void): Promise<TakenOut> {
  const { format } = asked;
  if (isSeveral(asked.taken) && (format === 'markdown' || format === 'plain')) return zipped(portions, asked, progress);
  const { title, now, columns } = asked;
  const writer = writerFor(format, { title, titled: isTitled(asked.taken), now, inUtc, ...(columns && { columns }) });
  const pieces: BlobPart[] = [];
  let piece = writer.begin;
  let notes = 0;
  let tasks = 0;
  const left: string[] = [];
  for await (const part of partsOf(portions, asked, progress, left)) {
    notes++;
    tasks += tasksIn(part.outline.branches).length;
    piece += writer.part(part);
    if (piece.length < PIECE) continue;
    pieces.push(new Blob([piece]));
    piece = '';
  }
  pieces.push(piece + writer.end());
  const { ending, type } = OUT_FORMATS[format];
  return { file: new Blob(pieces, { type }), ending, notes, tasks, report: [...writer.report(), ...leftReport(left)] };
}

/** What goes to the clipboard: text and, of what people read, the same as HTML. */
export interface Copied {
  text: string;
  html: string | null;
  tasks: number;
}

/** Writes what is taken for the clipboard. */
export async function copied(portions: Portions, asked: TakeOutAsked): Promise<Copied> {
  const isRead = asked.format === 'plain' || asked.format === 'html';
  const { file, tasks } = await takeOut(portions, isRead ? { ...asked, format: 'plain' } : asked, () => undefined);
  const text = await file.text();
  return { text, html: isRead ? htmlOf(text) : null, tasks };
}

const isSeveral = ({ is }: Taken): boolean => is === 'all' || is === 'folder' || is === 'set-up';

/** Whether what is taken may be several things, each under its title. */
const isTitled = (taken: Taken): boolean => isSeveral(taken) || (taken.is === 'lists' && taken.lists.length > 1);

const leftReport = (left: readonly string[]): string[] =>
  left.length === 0
    ? []
    : [
        `${left.length} ${left.length === 1 ? 'file is' : 'files are'} no UTF-8 text and stayed behind: ${left.slice(0, 3).join(', ')}${left.length > 3 ? ' …' : ''}`,
      ];

/** What is taken, part by part. */
async function* partsOf(
  portions: Portions,
  { taken, reading, slipHeading, title }: TakeOutAsked,
  progress: (looked: number, all: number) => void,
  left: string[],
): AsyncGenerator<Part> {
  if (taken.is === 'lists') {
    const notes = new Map<string, ReadNote>();
    for await (const { notes: some } of portions)
      for (const { path, text } of some) if (text !== null) notes.set(foldPath(path), readNote(path, text, reading));
    yield* partsOfLists(taken.lists, title, branchesOf(notes));
    if (taken.events) yield { ...listPart(title, []), events: taken.events };
    return;
  }
  if (taken.is === 'text') {
    yield linesPart(readNote(`${taken.title}.md`, taken.text, reading), { from: 0, to: Infinity }, taken.title);
    return;
  }
  let looked = 0;
  for await (const { notes, all } of portions) {
    for (const { path, text } of notes) {
      if (taken.is === 'folder' && !liesIn(path, taken.folder)) continue;
      if (text === null) {
        left.push(path);
        continue;
      }
      const note = readNote(path, text, reading);
      if (taken.is === 'set-up' && !SET_UP.has(note.kind)) continue;
      yield taken.is === 'lines' ? linesPart(note, taken, taken.title) : notePart(note, eventsOf(note, slipHeading));
    }
    looked += notes.length;
    progress(looked, all);
  }
}

/** Gives the branch on a line; the branches of each note are found once. */
function branchesOf(notes: ReadonlyMap<string, ReadNote>): (path: string, line: number) => Branch | undefined {
  const known = new Map<string, ReadonlyMap<number, Branch>>();
  return (path, line) => {
    const key = foldPath(path);
    let branches = known.get(key);
    if (!branches) {
      const note = notes.get(key);
      branches = new Map(note ? [...allBranches(outlineOf(note).branches)].map((branch) => [branch.line, branch]) : []);
      known.set(key, branches);
    }
    return branches.get(line);
  };
}

/** Several notes as files of Markdown. */
async function zipped(portions: Portions, asked: TakeOutAsked, progress: (looked: number, all: number) => void): Promise<TakenOut> {
  const { taken, format, reading, others } = asked;
  let count = 0;
  let tasks = 0;
  const chosen = async function* (): Portions {
    for await (const { notes, all } of portions) {
      const some = notes.flatMap((stored): StoredNote[] => {
        if (taken.is === 'folder' && !liesIn(stored.path, taken.folder)) return [];
        const note = stored.text === null ? null : readNote(stored.path, stored.text, reading);
        if (taken.is === 'set-up' && !(note && SET_UP.has(note.kind))) return [];
        tasks += note?.tasks.length ?? 0;
        return [note && format === 'plain' ? { ...stored, text: `${notePart(note).plain()}\n` } : stored];
      });
      count += some.length;
      yield { notes: some, all };
    }
  };
  const file = await packNotes(chosen(), others, progress);
  return { file, ending: '.zip', notes: count, tasks, report: [] };
}
