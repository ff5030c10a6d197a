import { type Day, startOfWeek } from '../../calendar/day';
import { fieldWords } from '../../note/facts/front-matter';
import { foldPath } from '../../note/names/path';
import type { Row } from '../../gather/rows/row';
import type { Library } from '../library';
import { type FoundTask, foundOf } from './of-a-task/found-task';
import { type RecordedRepeat, repeatsRecord } from './past/record';

/** A note that serves a goal. */
export interface Serving {
  path: string;
  title: string;
  kind: 'project' | 'goal';
  state: string | null;
  open: number;
  done: number;
  all: number;
}

/** How a goal stands: what serves it by link or `about`, what is next, and what moved in the last weeks. */
export interface GoalFacts {
  path: string;
  title: string;
  level: string | null;
  state: string | null;
  outcome: string | null;
  due: Day | null;
  serving: Serving[];
  open: number;
  done: number;
  /** Open repeats that serve it, with their record of the last weeks. */
  repeats: RecordedRepeat[];
  next: FoundTask | null;
  /** How many of its tasks were done in each of the last weeks, the present one last. */
  weeks: number[];
}

/** So many weeks are looked back at. */
const WEEKS = 6;

const SERVES = '(this note or to this note)';

/** The goals that a task on a line (from 0) serves, by its links, its note and what that is about. */
export function goalsServed(library: Library, path: string, line: number): { path: string; title: string }[] {
  const row = library.entries.get(foldPath(path))?.head.rows.find(({ task }) => task.line === line);
  if (!row) return [];
  const named = row.links.map((link) => library.names.pathOf(link, foldPath(path))).filter((key) => key !== null);
  return [...new Set([...named, foldPath(path)])].flatMap((key) => {
    const head = library.entries.get(key)?.head;
    return head?.kind === 'goal' ? [{ path: head.path, title: head.title }] : [];
  });
}

/** Every goal, by path. */
export function goalsIn(library: Library): GoalFacts[] {
  return rowsOf(library, 'from notes\nwhere kind = goal\norder by path', null).map((row) => goalOf(library, row));
}

function goalOf(library: Library, { head, facts, fields, task }: Row): GoalFacts {
  const { path, title } = head;
  const total = (condition: string): number =>
    library.ask(`where ${condition} and ${SERVES}\nsteps apart\nincluding resting\nlimit 0`, path).answer.total;
  const next = library.nextStep(path);
  return {
    path,
    title,
    level: facts?.level ?? null,
    state: facts?.state ?? null,
    outcome: fieldWords(fields?.['outcome']),
    due: task.due?.from ?? null,
    serving: servingOf(library, path),
    open: total('open'),
    done: total('done'),
    repeats: repeatsRecord(library, { from: library.today - 7 * WEEKS + 1, to: library.today }, SERVES, path),
    next: next && foundOf(next),
    weeks: weeksOf(library, path),
  };
}

function servingOf(library: Library, path: string): Serving[] {
  return rowsOf(library, 'from notes\nwhere (kind = project or kind = goal) and to this note\norder by title', path).map(
    ({ head, facts }) => ({
      path: head.path,
      title: head.title,
      kind: head.kind === 'goal' ? 'goal' : 'project',
      state: facts?.state ?? null,
      open: facts?.open ?? 0,
      done: facts?.done ?? 0,
      all: facts?.all ?? 0,
    }),
  );
}

function weeksOf(library: Library, path: string): number[] {
  const first = startOfWeek(library.today, 1) - 7 * (WEEKS - 1);
  const weeks = new Array<number>(WEEKS).fill(0);
  for (const { task } of rowsOf(library, `where done in last ${WEEKS * 7} days and ${SERVES}\nsteps apart`, path)) {
    const week = task.done === null ? -1 : Math.floor((task.done.from - first) / 7);
    if (week >= 0 && week < WEEKS) weeks[week] = (weeks[week] ?? 0) + 1;
  }
  return weeks;
}

const rowsOf = (library: Library, text: string, at: string | null): Row[] =>
  library.ask(text, at).answer.groups.flatMap((group) => group.rows.map(({ row }) => row));
