import { type Day, isoDay } from '../../src/core/calendar/day';
import { planArchive } from '../../src/core/keep/archive/plan-archive';
import { shelfOf } from '../../src/core/index/live/shelf';
import { type LineTask, actOnLines } from '../../src/core/task/acts/act-on-lines';
import { type Moment, stampOf } from '../../src/core/task/acts/action-context';
import { recordShare, repeatRecord } from '../../src/core/review/repeat-record';
import { repeatsOf } from '../../src/core/review/repeats-of';
import { reviewFacts } from '../../src/core/review/review-facts';
import type { Desk } from '../desk';
import { type Reading, libraryOf } from '../library-of';
import { PlainError } from '../plain-error';
import type { RunnerSettings } from '../settings';
import { absentLast } from '../absent-last';

export interface ArchiveAnswer {
  files: { note: string; text: string }[];
  /** How many items went, each with all under it. */
  moved: number;
}

/** `archive`: what of a gather is finished goes to an archive, and what becomes of the notes. */
export async function archive(
  desk: Desk,
  { query, to, ...reading }: Reading & { query: string; to: string | null },
  settings: RunnerSettings,
  now: Moment,
): Promise<ArchiveAnswer> {
  const library = libraryOf(desk, reading);
  const { live, answer } = library.ask(`${query}\nsteps apart`);
  const [error] = live.errors;
  if (error) throw new PlainError(`The query cannot be read: ${error.message}`);
  const refs = answer.groups.flatMap(({ rows }) =>
    rows.map(({ row }) => ({ path: row.head.path, line: row.task.line, expected: row.task.raw })),
  );
  const shelf = shelfOf(desk.folder.notes, (note) => desk.folder.isElse(note));
  const context = { now, settings: desk.settings, makeRef: () => '' };
  const plan = await planArchive(shelf, refs, settings.archive, context, to);
  const tasks = plan.going.map(({ ref, to }): LineTask => ({ ref, intentions: [{ do: 'archive', to }] }));
  const { texts, changed } = await actOnLines(shelf, tasks, context);
  return { files: [...texts.values()].map(({ path, text }) => ({ note: path, text })), moved: changed };
}

export interface PrintedProject {
  note: string;
  /** `active` where it says none. */
  state: string;
  open: number;
  done: number;
  /** Percent of its tasks that are done, without the cancelled ones; null without tasks. */
  progress: number | null;
  /** The words of its next step. */
  next: string | null;
  due: string | null;
}

/** `projects`: how each project stands, by path. */
export function projects(desk: Desk, reading: Reading): PrintedProject[] {
  const library = libraryOf(desk, reading);
  const { answer } = library.ask('from notes\nwhere kind = project\norder by path');
  return answer.groups
    .flatMap((group) => group.rows.map(({ row }) => row))
    .map(({ head, facts, task }) => {
      const { open = 0, done = 0, all = 0, state } = facts ?? {};
      const next = library.nextStep(head.path);
      return {
        note: head.path,
        state: state ?? '',
        open,
        done,
        progress: all === 0 ? null : Math.round((100 * done) / all),
        next: next?.task.text ?? null,
        due: task.due === null ? null : isoDay(task.due.from),
      };
    });
}

export interface PrintedReview {
  note: string;
  date: string | null;
  start: string | null;
  end: string | null;
  /** Without its pauses; null while it is not finished. */
  minutes: number | null;
  /** Its tasks without the cancelled ones, and how many of them are done. */
  steps: number;
  done: number;
}

/** `reviews`: every review with its time, by day. */
export function reviews(desk: Desk): PrintedReview[] {
  const found = desk.notes
    .filter(({ kind }) => kind === 'review')
    .map(({ path, front, tasks }): PrintedReview => {
      const { date, start, end, minutes } = reviewFacts(front);
      return {
        note: path,
        date: date === null ? null : isoDay(date),
        start: start && stampOf(start),
        end: end && stampOf(end),
        minutes,
        steps: tasks.filter(({ status }) => status !== 'cancelled').length,
        done: tasks.filter(({ status }) => status === 'done').length,
      };
    });
  return found.sort((a, b) => absentLast(a.date, b.date) || absentLast(a.note, b.note));
}

export interface PrintedRepeat {
  note: string;
  line: number;
  text: string;
  /** Its occurrences up to today, and how many were done by the end of their day. */
  planned: number;
  kept: number;
}

/** `repeats`: the record of each open repeat between two days. */
export function repeats(desk: Desk, from: Day, to: Day, today: Day): PrintedRepeat[] {
  return desk.notes
    .filter(({ kind }) => kind !== 'archive')
    .flatMap((note) =>
      repeatsOf(note).map(({ task, records }) => ({
        note: note.path,
        line: task.line + 1,
        text: task.text,
        ...recordShare(repeatRecord(task, records, { from, to }, today)),
      })),
    );
}
