import type { NoteActions } from '../acting/note-actions';
import type { NoteStore } from '../notes/note-store';
import { readNote } from '../../core/task/reading/read-note';
import { withoutWay } from './face-more';
import type { OutsideDesk } from './outside-desk';
import { keyOf } from './outside-record';

/** What a person says of a task that is gone there: it stays here alone, goes here too, or is made there again. */
export type GoneThere = 'keep' | 'remove' | 'again';
/** What a person says of a line that is gone here: its task there goes too, or stays there alone. */
export type GoneHere = 'remove' | 'leave';

interface Desks {
  store: NoteStore;
  actions: NoteActions;
  desk: OutsideDesk;
}

/**
 * A task is gone on its list.
 *
 * @returns the step that Undo takes back; null for none
 */
export async function answerGoneThere(
  { store, actions, desk }: Desks,
  list: string,
  ref: string,
  answer: GoneThere,
): Promise<number | null> {
  const { outsideTasks } = desk.db;
  const record = await outsideTasks.get(keyOf(list, ref));
  if (!record) return null;
  let step: number | null = null;
  if (answer === 'again')
    await outsideTasks.put({
      ...record,
      id: null,
      tag: null,
      source: null,
      there: null,
      last: null,
      isGone: false,
      asks: null,
      written: null,
    });
  else {
    const line = record.path === null ? null : await lineOf(store, record.path, ref);
    if (line) {
      const intention = answer === 'remove' ? ({ do: 'delete' } as const) : ({ do: 'unset', clause: 'joined' } as const);
      const label = answer === 'remove' ? 'Removed, as on the list' : 'No longer joined';
      const outcome = await actions.act(line, intention, label);
      if ('refused' in outcome) throw new Error(outcome.refused);
      step = outcome.step;
    }
    await outsideTasks.delete(record.key);
  }
  await desk.tell();
  return step;
}

/** A line is gone here. */
export async function answerGoneHere({ desk }: Pick<Desks, 'desk'>, list: string, ref: string, answer: GoneHere): Promise<void> {
  const { outsideTasks } = desk.db;
  const record = await outsideTasks.get(keyOf(list, ref));
  if (!record) return;
  const more = record.written && withoutWay(record.written);
  // It is one of the list alone from now on.
  await outsideTasks.put({ ...record, asks: null, joined: false, path: null, dropped: answer === 'remove', more });
  await desk.tell();
}

/**
 * Which task a line is that lost its ref.
 *
 * @param ref null where it is none of those, and a new one is to be made
 */
export async function answerLost(
  { actions, desk }: Pick<Desks, 'actions' | 'desk'>,
  line: { path: string; line: number; raw: string },
  ref: string | null,
): Promise<void> {
  const at = { path: line.path, line: line.line, expected: line.raw };
  const outcome = await actions.act(at, { do: 'set', clause: `ref ${ref ?? desk.makeRef()}` }, 'Joined again');
  if ('refused' in outcome) throw new Error(outcome.refused);
}

async function lineOf(store: NoteStore, path: string, ref: string) {
  const task = readNote(path, (await store.text(path)) ?? '').tasks.find((one) => one.ref === ref);
  return task ? { path, line: task.line, expected: task.raw } : null;
}
