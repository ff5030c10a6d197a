import type { Source } from '../gather/ast';
import type { LineDays } from '../note/line-days';
import { foldPath } from '../note/path';
import { addedStatusOf } from '../task/added-status';
import { readNote } from '../task/read-note';
import { type RefTask, refTask } from '../task/ref-problems';
import type { AddedStatus } from '../task/status';
import type { ReadingSettings } from '../task/task';
import { namesFor } from './name-table';
import { type NoteHead, type NoteWords, type Row, headOf, noteRowOf, noteWordsOf, pointRowsOf, rowsOf } from './row';

/** What the library keeps of a note. */
export interface NoteEntry {
  head: NoteHead;
  rows: Row[];
  /** Its key points that are no tasks. */
  points: Row[];
  words: NoteWords;
  /** Its own row, made when notes are first asked for. */
  noteRow: Row | null;
  /** How many of its tasks are open. */
  open: number;
  /** The texts of its gather blocks. */
  gathers: string[];
  lineCount: number;
  /** Tags and people named anywhere in it, as written. */
  tags: readonly string[];
  people: readonly string[];
  /** Targets of its links, folded. */
  links: readonly string[];
  /** Every name by which a link may mean it, folded. */
  names: string[];
  fullName: string | null;
  /** The status that it adds. */
  status: AddedStatus | null;
  /** Its tasks that have a ref. */
  refs: RefTask[];
  echoes: number;
}

/** Whether two readings of a note name the same tags, people and links. */
export function namesSame(a: NoteEntry, b: NoteEntry): boolean {
  const same = (x: readonly string[], y: readonly string[]): boolean =>
    x.length === y.length && x.every((name, index) => name === y[index]);
  return same(a.tags, b.tags) && same(a.people, b.people) && same(a.links, b.links);
}

/** The rows of a note that a gather looks at. */
export function rowsFor(entry: NoteEntry, from: Source): readonly Row[] {
  switch (from) {
    case 'tasks':
      return entry.rows;
    case 'key points': {
      const keyed = entry.rows.filter((row) => row.task.key);
      return keyed.length === 0 ? entry.points : [...keyed, ...entry.points];
    }
    default:
      return [(entry.noteRow ??= noteRowOf(entry.head, entry.words, entry.rows))];
  }
}

/** Reads a note into what the library keeps of it. */
export function entryOf(path: string, text: string, settings: ReadingSettings, seen: LineDays | null): NoteEntry {
  const note = readNote(path, text, settings);
  const head = headOf(note);
  const rows = rowsOf(note, head, settings.repeatLead === undefined ? 0 : settings.repeatLead, seen);
  const isPerson = note.kind === 'person';
  return {
    head,
    rows,
    points: note.keyPoints.length === 0 ? [] : pointRowsOf(note, head, seen),
    words: noteWordsOf(note),
    noteRow: null,
    open: 0,
    gathers: note.gathers.map((gather) => gather.text),
    lineCount: note.lines.starts.length,
    tags: note.tags,
    people: isPerson ? [...note.people, note.front.handle ?? note.title] : note.people,
    links: linkTargets(note.links, note.front.about),
    names: namesFor(path, note.title, note.front.aliases),
    fullName: isPerson ? note.title : null,
    status: addedStatusOf(note.front, note.title),
    refs: rows.filter((row) => row.task.ref !== null).map((row) => refTask(path, row.task)),
    echoes: rows.filter((row) => row.echo !== null).length,
  };
}

function linkTargets(links: readonly { target: string }[], about: readonly string[]): readonly string[] {
  if (links.length === 0 && about.length === 0) return [];
  return [...new Set([...links.map((link) => link.target), ...about].map(foldPath))];
}
