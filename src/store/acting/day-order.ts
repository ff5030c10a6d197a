import { handOrder } from '../../core/day/day-items';
import { type Ordered, withOrder, withoutEcho } from '../../core/day/plan/plan-order';
import { echoText } from '../../core/sharing/seal/out-of-seal';
import { foldPath } from '../../core/note/names/path';
import type { ActionContext } from '../../core/task/acts/action-context';
import { readNote } from '../../core/task/reading/read-note';
import { refOf } from '../../core/task/line/ref';
import { readTaskLine } from '../../core/task/line/task';
import type { LineRef } from '../../core/task/writing/edit';
import type { StoredNote } from '../notes/content';
import type { NoteWrite } from '../notes/note-write';
import type { LineTask } from '../../core/task/acts/act-on-lines';
import { actOnNotes } from './act-many';
import { writesOf } from './writes-of';

/** An order by hand that a day is to have. */
interface DayOrder {
  /** The path of the day's page, the heading in it, and the text that it begins with where there is none. */
  page: string;
  planHeading: string;
  made: string;
  /** The tasks in their order. */
  order: readonly LineRef[];
}

/** What writes an order by hand into the page of a day; a task of another note gets a ref where it has none. */
export async function orderedDay(
  notes: readonly StoredNote[],
  { page, order, planHeading, made }: DayOrder,
  context: ActionContext,
): Promise<NoteWrite[] | { refused: string }> {
  const note = notes.find((one) => one.key === foldPath(page));
  const present = note?.text ?? made;
  const held = new Set(handOrder(readNote(page, present, context.settings), { planHeading }).map(({ line }) => line));
  // What stands on the page, but not under the heading, is ordered by an echo too.
  const isHeld = ({ path, line }: LineRef): boolean => foldPath(path) === foldPath(page) && held.has(line);
  const elsewhere = order.filter((ref) => !isHeld(ref));
  const tasks = elsewhere.map((ref): LineTask => ({ ref, intentions: [{ do: 'ref' }] }));
  const given = await actOnNotes(notes, tasks, context);
  const [refusal] = given.refused;
  if (refusal) return { refused: refusal.reason };
  const raws = new Map(elsewhere.map((ref, index) => [ref, given.raws[index] ?? ref.expected]));
  const ordered = order.map((ref): Ordered => {
    const raw = raws.get(ref) ?? ref.expected;
    return {
      ref: refOf(raw),
      line: isHeld(ref) ? ref.line : null,
      text: echoText(page, ref.path, readTaskLine(raw, raw.indexOf('['))?.text ?? ''),
    };
  });
  const key = foldPath(page);
  const after = withOrder(given.texts.get(key)?.text ?? present, ordered, { planHeading }, context.settings);
  if (!note) return [...writesOf(notes, given), { path: page, expect: null, content: { text: after } }];
  given.texts.set(key, { path: note.path, text: after });
  return writesOf(notes, given);
}

/** What takes a task out of a day: its plan goes, and with it the echo that the day's page holds for its order. */
export async function takenOut(
  notes: readonly StoredNote[],
  { page, task, planHeading }: Pick<DayOrder, 'page' | 'planHeading'> & { task: LineRef },
  context: ActionContext,
): Promise<NoteWrite[] | { refused: string }> {
  const taken = await actOnNotes(notes, [{ ref: task, intentions: [{ do: 'unset', clause: 'plan' }] }], context);
  const [refusal] = taken.refused;
  if (refusal) return { refused: refusal.reason };
  const ref = refOf(task.expected);
  const note = notes.find((one) => one.key === foldPath(page));
  const before = taken.texts.get(foldPath(page))?.text ?? note?.text;
  if (ref !== null && note && before != null)
    taken.texts.set(note.key, { path: note.path, text: withoutEcho(before, ref, { planHeading }, context.settings) });
  return writesOf(notes, taken);
}
