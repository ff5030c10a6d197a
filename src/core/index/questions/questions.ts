import { type Why, explain } from '../../gather/answer/why';
import { foldPath } from '../../note/names/path';
import type { Problem } from '../../task/line/task';
import { taskOfRef } from '../../task/reading/ref-problems';
import type { Library } from '../library';
import { rowsFor } from '../note-entry';
import { type FoundTask, foundOf } from './found-task';

/** What the page asks of all notes that is no gather: each with what is given, and what it is answered with. */
export interface Questions {
  /** Why the task on a line (from 0) is in the answer to a gather, or what keeps it out; null when either is gone. */
  why: { given: { text: string; at: string | null; path: string; line: number }; answer: Why | null };
  /** The first tasks whose words hold some words, wherever they stand and whatever their status, open ones first. */
  find: { given: { words: string }; answer: FoundTask[] };
  /** The tasks that bear some refs, in that order; one that nothing or several bear is left out. */
  tasksOf: { given: { refs: readonly string[] }; answer: (FoundTask & { ref: string })[] };
  /** What is wrong with what the tasks of a note point at, by line (from 0). */
  refProblems: { given: { path: string }; answer: { line: number; problems: Problem[] }[] };
  /** The path of the note that a link means, as it stands in the note at `from`; null when there is none. */
  resolve: { given: { target: string; from: string | null }; answer: string | null };
}

export type QuestionName = keyof Questions;

/** How many tasks a search by words gives. */
const MOST_FOUND = 12;

/** A new question is one entry in `Questions`, one here, and one in `NO_ANSWERS`. */
const ANSWERS: { readonly [Name in QuestionName]: (library: Library, given: Questions[Name]['given']) => Questions[Name]['answer'] } = {
  why: (library, { text, at, path, line }) => {
    const { live, answer } = library.ask(text, at);
    const entry = library.entries.get(foldPath(path));
    if (!entry || live.errors.length > 0) return null;
    const row = [...rowsFor(entry, live.gather.from), ...entry.head.rows].findLast((one) => one.task.line === line);
    return row ? explain(live.plan, answer, row, library.lookup) : null;
  },
  find: (library, { words }) => {
    const quoted = `"${words.replace(/[\\"]/g, '\\$&')}"`;
    const text = `where text has ${quoted}\norder by status, priority, due\nlimit ${MOST_FOUND}\nsteps apart\nincluding resting`;
    return library.ask(text).answer.groups.flatMap((group) => group.rows.map(({ row }) => foundOf(row)));
  },
  tasksOf: (library, { refs }) =>
    refs.flatMap((ref) => {
      const named = taskOfRef(library.refs.table, ref);
      const row = named && library.entries.get(foldPath(named.path))?.head.rows.find((one) => one.task.line === named.line);
      return row ? [{ ...foundOf(row), ref }] : [];
    }),
  refProblems: (library, { path }) => library.refProblemsOf(path),
  resolve: (library, { target, from }) => {
    const key = library.names.pathOf(target, from && foldPath(from));
    return key === null ? null : (library.entries.get(key)?.head.path ?? null);
  },
};

/** Answers a question from the library. */
export function answerTo<Name extends QuestionName>(
  library: Library,
  name: Name,
  given: Questions[Name]['given'],
): Questions[Name]['answer'] {
  return ANSWERS[name](library, given);
}
