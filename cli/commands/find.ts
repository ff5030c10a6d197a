import { searchKeeper, searched } from '../../src/core/index/questions/search';
import { type LeadingLine, leadingTo } from '../../src/core/index/questions/leading';
import type { FoundLine } from '../../src/core/search/found-lines';
import { PlainError } from '../plain-error';
import { type Desk, noteAt } from '../desk';
import { type Reading, libraryOf } from '../library-of';
import { type GatheredRow, gather } from './gather';

export interface FindAnswer {
  notes: { note: string; title: string; tasks: number; open: number; lines: FoundLine[] }[];
  tasks: GatheredRow[];
}

/** What is looked at of the notes: all, those with tasks, those with open ones. */
export interface Finding extends Reading {
  words: string;
  tasks: boolean;
  open: boolean;
}

/** `links`: the lines that lead to a note, and those that only say its name; lines count from 1. */
export function links(
  desk: Desk,
  at: string,
  reading: Reading,
): Record<'linked' | 'named', { note: string; line: number; text: string }[]> {
  const library = libraryOf(desk, reading);
  searchKeeper(library).feed(Infinity);
  const note = noteAt(desk, at);
  if (!note) throw new PlainError(`There is no note ${at}.`);
  const { linked, named } = leadingTo(library, note.path, Infinity);
  const told = (lines: readonly LeadingLine[]) => lines.map(({ path, line, raw }) => ({ note: path, line: line + 1, text: raw }));
  return { linked: told(linked), named: told(named) };
}

/** `find`: notes and tasks by words and conditions, all of them; lines count from 1. */
export function find(desk: Desk, { words, tasks, open, ...reading }: Finding): FindAnswer {
  const library = libraryOf(desk, reading);
  searchKeeper(library).feed(Infinity);
  const { notes, gather: query, problem } = searched(library, words, open ? 'open' : tasks ? 'tasks' : 'all', Infinity, Infinity);
  if (problem !== null) throw new PlainError(problem);
  return {
    notes: notes.map((note) => ({
      note: note.path,
      title: note.title,
      tasks: note.tasks,
      open: note.open,
      lines: note.lines.map(({ line, text }) => ({ line: line + 1, text })),
    })),
    tasks: query === null ? [] : gather(desk, { ...reading, query: `${query}\nsteps apart` }).groups.flatMap(({ rows }) => rows),
  };
}
