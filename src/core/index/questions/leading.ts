import { lineText } from '../../note/blocks/lines';
import { LineKind } from '../../note/blocks/structure';
import { foldName, readInline, tagWithUppers } from '../../note/names/names';
import { foldPath } from '../../note/names/path';
import { mentionsIn } from '../../search/links/mentions';
import { searchWords } from '../../search/words';
import type { Row } from '../../gather/rows/row';
import type { Priority } from '../../task/line/clause';
import { type Status, isOpen } from '../../task/line/status';
import { type ReadNote, readNote } from '../../task/reading/read-note';
import type { Library } from '../library';
import type { NoteEntry } from '../note-entry';
import { freshKeeper } from './search';

/** A line elsewhere that means a note. */
export interface LeadingLine {
  path: string;
  noteTitle: string;
  /** From 0. */
  line: number;
  raw: string;
  /** The heading it stands under; null above the first. */
  heading: string | null;
  /** Of a task. */
  status: Status | null;
  priority: Priority | null;
  /** How many steps of it are open. */
  openSteps: number;
  /** Of a line that only says the name: where it says it. */
  places: { from: number; to: number }[];
}

/** What leads to a note. */
export interface LeadingAnswer {
  /** Lines that link to it, or name the person or tag whose page it is. */
  linked: LeadingLine[];
  linkedCount: number;
  /** Lines that only say its title, an alias or the full name. */
  named: LeadingLine[];
  namedCount: number;
  /** Notes that hold the words of its name and were not looked through, because so many do. */
  unread: number;
  /** Notes whose words are not indexed yet: what they say is not among `named`. */
  left: number;
}

/** A name that is a common word stands in thousands of notes: where only the first lines are asked for, so many of these are read. */
const MOST_READ = 300;
const FEW_LINES = 1000;

/**
 * The lines of other notes that mean the note at a path, note by note.
 *
 * @param most how many lines of each sort are told; of more than a thousand, every note is looked through
 */
export function leadingTo(library: Library, path: string, most: number): LeadingAnswer {
  const answer: LeadingAnswer = { linked: [], linkedCount: 0, named: [], namedCount: 0, unread: 0, left: 0 };
  const entry = library.entries.get(foldPath(path));
  if (!entry) return answer;
  const keeper = freshKeeper(library);
  const linking = linkingNotes(library, entry);
  const names = namesOf(entry);
  const naming = new Set(names.flatMap((words) => keeper.find({ words: [], phrases: [words], open: false }).map(({ key }) => key)));
  answer.left = keeper.left;
  let read = 0;
  for (const key of new Set([...linking, ...naming])) {
    const other = library.entries.get(key);
    if (!other || other === entry || other.foot !== null || other.head.kind === 'agenda') continue;
    if (!linking.has(key) && most <= FEW_LINES && ++read > MOST_READ) {
      answer.unread++;
      continue;
    }
    const note = readNote(other.head.path, other.text, other.settings);
    const lines = linking.has(key) ? linkedLines(library, note, entry) : new Set<number>();
    answer.linkedCount += lines.size;
    for (const line of lines) if (answer.linked.length < most) answer.linked.push(leadingLine(note, other, line, []));
    const places = naming.has(key) ? placesByLine(note, names) : NO_PLACES;
    for (const [line, found] of places) {
      if (lines.has(line)) continue;
      answer.namedCount++;
      if (answer.named.length < most) answer.named.push(leadingLine(note, other, line, found));
    }
  }
  const byPlace = (a: LeadingLine, b: LeadingLine): number => (a.path < b.path ? -1 : a.path > b.path ? 1 : a.line - b.line);
  answer.linked.sort(byPlace);
  answer.named.sort(byPlace);
  return answer;
}

const NO_PLACES: ReadonlyMap<number, { from: number; to: number }[]> = new Map();

function linkingNotes(library: Library, entry: NoteEntry): Set<string> {
  const keys = new Set<string>();
  for (const name of entry.names) for (const key of library.postings.withLink(name)) keys.add(key);
  if (entry.head.handle !== null) for (const key of library.postings.withPerson(entry.head.handle)) keys.add(key);
  if (entry.head.tag !== null) for (const key of library.postings.withTag(entry.head.tag)) keys.add(key);
  return keys;
}

/** What a line may say instead of a link: title, file name and aliases. The handle alone is a word like others. */
function namesOf(entry: NoteEntry): string[][] {
  const said = entry.names.filter((name) => !name.includes('/') && !name.endsWith('.md'));
  const all = said.map(searchWords).filter((words) => words.length > 0);
  return [...new Map(all.map((words) => [words.join(' '), words])).values()];
}

/** The lines of a note that link to another, or name its person or tag. */
function linkedLines(library: Library, note: ReadNote, to: NoteEntry): Set<number> {
  const lines = new Set<number>();
  const from = foldPath(note.path);
  const means = (target: string): boolean => library.names.pathOf(target, from) === to.key;
  for (const link of note.links) if (means(link.target)) lines.add(link.line);
  if (note.front.about.some(means))
    for (let line = 0; line < note.front.lineCount; line++)
      if (note.front.about.some((target) => means(target) && lineText(note.lines, line).includes(target))) lines.add(line);
  const { handle, tag } = to.head;
  if (handle === null && tag === null) return lines;
  for (let line = note.front.lineCount; line < note.lines.starts.length; line++) {
    const text = lineText(note.lines, line);
    if (!text.includes(handle === null ? '#' : '@')) continue;
    if (namesHere(note, line, text, handle, tag)) lines.add(line);
  }
  return lines;
}

function namesHere(note: ReadNote, line: number, text: string, handle: string | null, tag: string | null): boolean {
  const kind = note.structure.kinds[line];
  if (kind !== LineKind.text && kind !== LineKind.heading) return false;
  return readInline(text).names.some(({ kind: sort, name }) =>
    sort === 'person' ? foldName(name) === handle : tag !== null && tagWithUppers(name).includes(tag),
  );
}

function placesByLine(note: ReadNote, names: readonly (readonly string[])[]): Map<number, { from: number; to: number }[]> {
  const lines = new Map<number, { from: number; to: number }[]>();
  for (const { line, from, to } of mentionsIn(note, names)) lines.set(line, [...(lines.get(line) ?? []), { from, to }]);
  return lines;
}

function isUnder(row: Row, line: number): boolean {
  for (let up = row.parent; up; up = up.parent) if (up.task.line === line) return true;
  return false;
}

function leadingLine(note: ReadNote, { head }: NoteEntry, line: number, places: LeadingLine['places']): LeadingLine {
  const task = note.tasks.find((one) => one.line === line);
  return {
    path: head.path,
    noteTitle: head.title,
    line,
    raw: lineText(note.lines, line),
    heading: note.structure.headings.findLast((one) => one.line < line)?.words ?? null,
    status: task?.status ?? null,
    priority: task?.priority ?? null,
    openSteps: head.rows.filter((row) => isOpen(row.task.status) && isUnder(row, line)).length,
    places,
  };
}
