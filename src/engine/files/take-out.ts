import type { Now } from '../../core/calendar/span';
import { inUtc } from '../../core/calendar/zone';
import { type Branch, allBranches, tasksIn } from '../../core/formats/branch';
import { type ListedGather, partsOfLists } from '../../core/formats/listed';
import { outlineOf } from '../../core/formats/outline-of';
import { eventsOf } from '../../core/formats/out/events-of';
import { type OutFormat, OUT_FORMATS } from '../../core/formats/out/formats';
import { htmlOf } from '../../core/formats/out/html-out';
import type { CalendarEvent, Part } from '../../core/formats/out/part';
import { partAtLine } from '../../core/formats/out/part-at-line';
import { linesPart, listPart, notePart } from '../../core/formats/out/parts-of';
import { writerFor } from '../../core/formats/out/writer-for';
import { toBase64 } from '../../core/note/blocks/base64';
import { picturePlaces, picturesIn, typeOfBytes } from '../../core/note/names/picture-path';
import { foldPath, liesIn } from '../../core/note/names/path';
import type { ReadingSettings } from '../../core/task/line/task';
import { type ReadNote, readNote } from '../../core/task/reading/read-note';
import type { LineRef } from '../../core/task/writing/edit';
import type { StoredNote } from '../../store/notes/content';
import type { PictureReader } from '../../store/pictures/read-pictures';
import { type PackedGiven, packNotes } from './packing';

/** What goes out. */
export type Taken =
  | { is: 'all' }
  | { is: 'folder'; folder: string }
  /** What a person made the desk of: agenda pages with their feet, templates, slips, statuses. */
  | { is: 'set-up' }
  | { is: 'note'; path: string; title: string }
  /** A line with all under it. */
  | { is: 'lines'; ref: LineRef; title: string }
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
  /** The pictures that a note shows, where a note alone goes out: open, by where they lie. */
  pictures?: readonly GivenPicture[];
  /** Of a table; all when it is left out. */
  columns?: readonly string[];
}

/** A picture that a note shows, where it lies, and how the note names it. */
export interface GivenPicture {
  path: string;
  target: string;
  bytes: Uint8Array;
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
 * @param stored where pictures are, which go out with all notes
 */
export async function takeOut(
  portions: Portions,
  asked: TakeOutAsked,
  progress: (looked: number, all: number) => void,
  stored: PictureReader | null = null,
): Promise<TakenOut> {
  const { format } = asked;
  const shows = format === 'markdown' && (asked.pictures?.length ?? 0) > 0;
  if ((isSeveral(asked.taken) || (shows && asked.taken.is === 'note')) && (format === 'markdown' || format === 'plain'))
    return zipped(portions, asked, progress, stored);
  const { title, now, columns } = asked;
  const pictures = htmlPictures(asked.pictures ?? []);
  const writer = writerFor(format, {
    title,
    titled: isTitled(asked.taken),
    now,
    inUtc,
    ...(pictures && { pictures }),
    ...(columns && { columns }),
  });
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
  return { text, html: isRead ? htmlOf(text, htmlPictures(asked.pictures ?? [])) : null, tasks };
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
      if (taken.is === 'lines') {
        const range = partAtLine(note.lines, taken.ref);
        if (!range) throw new Error('That line is no longer there, so no file was made.');
        yield linesPart(note, range, taken.title);
      } else yield notePart(note, eventsOf(note, slipHeading));
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

/** Several notes as files of Markdown, with their pictures beside them; one with pictures likewise. */
async function zipped(
  portions: Portions,
  asked: TakeOutAsked,
  progress: (looked: number, all: number) => void,
  stored: PictureReader | null,
): Promise<TakenOut> {
  const { taken, format, reading, others } = asked;
  const shown = new Set<string>();
  let count = 0;
  let tasks = 0;
  const chosen = async function* (): Portions {
    for await (const { notes, all } of portions) {
      const some = notes.flatMap((stored): StoredNote[] => {
        if (taken.is === 'folder' && !liesIn(stored.path, taken.folder)) return [];
        const note = stored.text === null ? null : readNote(stored.path, stored.text, reading);
        if (taken.is === 'set-up' && !(note && SET_UP.has(note.kind))) return [];
        tasks += note?.tasks.length ?? 0;
        if (note && taken.is === 'folder') for (const place of placesShown(stored.path, note.lines.text)) shown.add(place);
        return [note && format === 'plain' ? { ...stored, text: `${notePart(note).plain()}\n` } : stored];
      });
      count += some.length;
      yield { notes: some, all };
    }
  };
  const file = await packNotes(chosen(), others, progress, picturesFor(asked, stored, shown));
  return { file, ending: '.zip', notes: count, tasks, report: [] };
}

/** The pictures that go out beside notes: all of them, those that the notes of a folder show, or those of one note. */
async function* picturesFor(
  { taken, pictures }: TakeOutAsked,
  stored: PictureReader | null,
  shown: ReadonlySet<string>,
): AsyncGenerator<PackedGiven> {
  for (const one of pictures ?? []) yield { ...one, changed: 0 };
  if (taken.is === 'all' && stored) yield* stored.all();
  if (taken.is !== 'folder' || !stored) return;
  for (const place of shown) {
    const picture = await stored.get(place);
    if (picture) yield picture;
  }
}

/** Where the pictures lie that a text shows, each by its likeliest places. */
function placesShown(path: string, text: string): string[] {
  return text.includes('![')
    ? text.split(/\r?\n/).flatMap((line) => picturesIn(line).flatMap(({ target }) => picturePlaces(path, target)))
    : [];
}

/** What a page of HTML shows in the place of a link to a picture: the picture itself, since nothing is fetched. */
function htmlPictures(pictures: readonly GivenPicture[]): ((target: string) => string | null) | undefined {
  if (pictures.length === 0) return undefined;
  const byTarget = new Map(pictures.map((one) => [asWritten(one.target), one]));
  return (target) => {
    const found = byTarget.get(asWritten(target));
    const type = found && typeOfBytes(found.bytes);
    return found && type ? `data:${type};base64,${toBase64(found.bytes)}` : null;
  };
}

/** A target, however its signs were written. */
function asWritten(target: string): string {
  try {
    return decodeURI(target);
  } catch {
    return target;
  }
}
