import type { NoteActions } from '../acting/note-actions';
import type { NoteStore } from '../notes/note-store';
import { readNote } from '../../core/task/reading/read-note';
import { withoutWay } from './face-more';
import type { OutsideDesk } from './outside-desk';
import { type OutsideRecord, keyOf } from './outside-record';

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
 * Tasks are gone on their list.
 *
 * @returns the step that Undo takes back; null for none
 */
export async function answerGoneThere(
  { store, actions, desk }: Desks,
  list: string,
  refs: readonly string[],
  answer: GoneThere,
): Promise<number | null> {
  const { outsideTasks } = desk.db;
  const records = (await outsideTasks.bulkGet(refs.map((ref) => keyOf(list, ref)))).flatMap((record) => record ?? []);
  let step: number | null = null;
  if (answer === 'again') await outsideTasks.bulkPut(records.map(unmade));
  else {
    const lines = await Promise.all(records.flatMap(({ path, ref }) => (path === null ? [] : [lineOf(store, path, ref)])));
    const intention = answer === 'remove' ? ({ do: 'delete' } as const) : ({ do: 'unset', clause: 'joined' } as const);
    const tasks = lines.flatMap((line) => (line ? [{ ref: line, intentions: [intention] }] : []));
    const label = answer === 'remove' ? 'Removed, as on the list' : 'No longer joined';
    const outcome = tasks.length === 0 ? null : await actions.actMany(tasks, label);
    if (outcome && 'refused' in outcome) throw new Error(outcome.refused);
    step = outcome?.step ?? null;
    // Its line on the list goes too: it would be taken for a new task.
    await desk.takeOff(list, new Set(refs));
    await outsideTasks.bulkDelete(records.map(({ key }) => key));
  }
  await desk.tell();
  return step;
}

/** A task as before it was made there. */
const unmade = (record: OutsideRecord): OutsideRecord => ({
  ...record,
  ...{ id: null, tag: null, source: null, there: null, last: null, isGone: false, asks: null, written: null },
});

/** Lines are gone here: their tasks are those of the list alone from now on, or go from it too. */
export async function answerGoneHere(desk: OutsideDesk, list: string, refs: readonly string[], answer: GoneHere): Promise<void> {
  const { outsideTasks } = desk.db;
  const records = (await outsideTasks.bulkGet(refs.map((ref) => keyOf(list, ref)))).flatMap((record) => record ?? []);
  await outsideTasks.bulkPut(
    records.map((record) => ({ ...record, asks: null, joined: false, path: null, more: record.written && withoutWay(record.written) })),
  );
  if (answer === 'remove') await desk.takeOff(list, new Set(refs));
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
