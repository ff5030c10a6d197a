import { SHARED_FIELDS, type SharedTask, asOthersRead, sameTask } from '../../../core/sharing/outside/shared-task';
import { dayOfDate, isoDay } from '../../../core/calendar/day';
import { outsidePath } from '../../../core/note/names/outside-path';
import { isOpen } from '../../../core/task/line/status';
import type { ReadingSettings } from '../../../core/task/line/task-line';
import type { StoredNote } from '../../notes/content';
import type { NoteStore } from '../../notes/note-store';
import { withText } from '../../notes/note-write';
import { OUTSIDE } from '../../notes/origin';
import { type FaceLine, faceLines } from '../face-lines';
import { type OutsideRecord } from '../outside-record';
import { ownLine, withOwnLines } from '../own-list';
import type { Pairs } from './pair-lines';
import type { RecordBook } from '../record-book';
import { type Settled, afterLine } from './settle-record';

/** The tasks in the note of a list: those at its margin. */
export const ownTasks = (note: StoredNote | null | undefined, settings: ReadingSettings): FaceLine[] =>
  note ? faceLines(note, ({ depth }) => depth === 0, settings) : [];

/**
 * Makes the note of a list hold one line for each task there, as it says now: what a person changed in a line that is the only face here is kept,
 * what was changed elsewhere is written, and what is gone goes.
 *
 * @param note as it was when its lines were paired: what was written into it since is not known to them
 * @returns false where it was changed meanwhile, so that it is done at the next look
 */
export async function writeOwn(
  list: string,
  note: StoredNote | null,
  own: NoteStore,
  book: RecordBook,
  pairs: Pairs,
  plans: ReadonlyMap<string, Settled>,
  settings: ReadingSettings,
): Promise<boolean> {
  const lines = new Map<number, string | null>();
  const added: string[] = [];
  const staying: OutsideRecord[] = [];
  const taken = new Set<number>();
  for (const record of book.of(list)) {
    const present = pairs.own.get(record.key) ?? null;
    const task = taskOf(record, present, pairs, plans);
    if (!task || record.dropped || (record.isGone && record.asks === null)) continue;
    if (present) taken.add(present.line);
    staying.push(record);
    if (!present) added.push(ownLine(null, task, record.ref, clausesOf(record, task, null)));
    else if (isOther(record, present, task))
      lines.set(present.line, ownLine(present.raw, task, record.ref, clausesOf(record, task, present)));
  }
  // What is left says nothing that is there: what was taken away, and records of repeats that went on in this note.
  for (const { line } of ownTasks(note, settings)) if (!taken.has(line)) lines.set(line, null);
  const text = note?.text ?? '';
  const next = lines.size + added.length === 0 ? text : withOwnLines(text, { lines, added });
  if (next !== text || !note) {
    const write = note ? withText(note, next) : { path: outsidePath(list), expect: null, content: { text: next } };
    if (!(await own.commit(OUTSIDE, [write])).saved) return false;
  }
  const said = new Map(ownTasks(await own.get(outsidePath(list)), settings).map((line) => [line.ref, line.shared]));
  for (const record of staying) {
    const present = said.get(record.ref) ?? null;
    const plan = record.joined ? undefined : plans.get(record.key);
    keepSaid(plan && present ? afterLine(plan, present) : record, present, book);
  }
  for (const record of book.of(list)) if (record.isGone && record.asks === null) book.drop(record);
  return true;
}

/** What the line of a task is to say; null where nobody knows. */
function taskOf(record: OutsideRecord, own: FaceLine | null, pairs: Pairs, plans: ReadonlyMap<string, Settled>): SharedTask | null {
  if (!record.joined) return plans.get(record.key)?.wanted ?? own?.shared ?? record.there;
  const task = pairs.lines.get(record.key)?.shared ?? own?.shared ?? record.there;
  // A repeat goes on in the note of the line that is joined.
  return task && { ...asOthersRead(task), every: null };
}

const isOther = (record: OutsideRecord, { shared, ref, joined }: FaceLine, task: SharedTask): boolean =>
  !sameTask(shared, task) || ref !== record.ref || (joined !== null) !== record.joined;

function keepSaid(record: OutsideRecord, own: SharedTask | null, book: RecordBook): void {
  const here = record.joined ? record.here : own;
  const isFirst = !record.joined && record.last === null && record.there !== null && own !== null;
  const last = isFirst && record.there && own ? { here: own, there: record.there } : record.last;
  book.put({ ...record, own: isSame(record.own, own) ? record.own : own, here: isSame(record.here, here) ? record.here : here, last });
}

const isSame = (one: SharedTask | null, other: SharedTask | null): boolean =>
  one === other || (one !== null && other !== null && SHARED_FIELDS.every((field) => String(one[field]) === String(other[field])));

const STAMP = /\b(done|cancelled) (\d{4}-\d\d-\d\d(?: \d\d:\d\d)?)/;

/** What a line says besides: that it is joined, and when it was closed. */
function clausesOf(
  { joined, list, modified }: OutsideRecord,
  { status }: SharedTask,
  own: FaceLine | null,
): { word: string; value: string }[] {
  const clauses = joined ? [{ word: 'joined', value: list }] : [];
  if (isOpen(status)) return clauses;
  const [, , said] = own && own.shared.status === status ? (STAMP.exec(own.raw) ?? []) : [];
  const day = said ?? (modified === null ? null : isoDay(dayOfDate(new Date(modified))));
  return day === null ? clauses : [...clauses, { word: status === 'cancelled' ? 'cancelled' : 'done', value: day }];
}
