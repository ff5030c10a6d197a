import { lineText, splitLines } from '../../note/blocks/lines';
import { foldPath } from '../../note/names/path';
import type { Shelf } from '../reading/open-notes';
import { type LineRef, locateLine } from '../writing/edit';
import { isOfLine } from './act';
import { actAcross, actTogether, moveTogether } from './act-across';
import type { ActionContext } from './action-context';
import type { WideIntention } from './intention';

/** A line, and what is to be done to it, one after the other. */
export interface LineTask {
  ref: LineRef;
  intentions: readonly WideIntention[];
}

/** What became of many lines: the notes as they are to be, how many lines changed, and which were refused. */
export interface ManyOutcome {
  texts: Map<string, { path: string; text: string }>;
  changed: number;
  refused: { ref: LineRef; reason: string }[];
  /** The lines as they stand afterwards, in the order in which they were given; null for one that was refused. */
  raws: (string | null)[];
}

/** After so many lines the page may draw. */
const PORTION = 40;

/** Does intentions to many lines in many notes. A line that is refused is told and stays as it was, and the others go on. */
export async function actOnLines(
  shelf: Shelf,
  tasks: readonly LineTask[],
  context: ActionContext,
  progress: Progress = async () => false,
): Promise<ManyOutcome> {
  if (tasks.every(({ intentions }) => intentions.every(isOfLine))) return inRounds(shelf, tasks, context, progress);
  return (await movedTogether(shelf, tasks, context, progress)) ?? oneByOne(shelf, tasks, context, progress);
}

/** All are moved, or all archived, and nothing else; null where they are not, or must be moved one after the other. */
async function movedTogether(
  shelf: Shelf,
  tasks: readonly LineTask[],
  context: ActionContext,
  progress: Progress,
): Promise<ManyOutcome | null> {
  const how = tasks[0]?.intentions[0]?.do;
  if (how !== 'move' && how !== 'archive') return null;
  const goings = tasks.flatMap(({ ref, intentions: [one, ...more] }) =>
    one && 'to' in one && one.do === how && more.length === 0 ? [{ ref, to: one.to }] : [],
  );
  if (goings.length < tasks.length) return null;
  const refs = goings.map(({ ref }) => ref);
  const moved = await moveTogether(shelf, goings, how, context, progress);
  if (!moved) return null;
  const refused = refs.flatMap((ref, index) => {
    const reason = moved.refused[index];
    return reason == null ? [] : [{ ref, reason }];
  });
  const raws = refs.map((ref, index) => (moved.refused[index] === null ? ref.expected : null));
  return { texts: moved.texts, changed: refs.length - refused.length, refused, raws };
}

/** Called with how many lines are done; what it gives is awaited, so that the page can draw; true stops. */
export type Progress = (done: number) => Promise<boolean>;

/** Each intention is done to all lines in one reading of each note. What is refused later is left out from the beginning. */
async function inRounds(shelf: Shelf, tasks: readonly LineTask[], context: ActionContext, progress: Progress): Promise<ManyOutcome> {
  const refused = new Map<number, string>();
  let order = orderOf(tasks);
  for (;;) {
    const texts: ManyOutcome['texts'] = new Map();
    const overlay = { ...shelf, text: (path: string) => texts.get(foldPath(path))?.text ?? shelf.text(path) };
    let live = order.filter((index) => !refused.has(index)).map((index) => ({ index, ref: refAt(tasks, index) }));
    const rounds = Math.max(0, ...live.map(({ index }) => tasks[index]?.intentions.length ?? 0));
    let again = false;
    for (let round = 0; round < rounds && !again; round++) {
      const acts = actTogether(overlay, context);
      for (const [count, { index, ref }] of live.entries()) {
        const intention = tasks[index]?.intentions[round];
        const refusal = intention ? acts.act(ref, intention) : null;
        if (refusal) refused.set(index, refusal.refused);
        // What was done to this line before must not stay.
        if (refusal && round > 0) again = true;
        if (round > 0 || (count + 1) % PORTION !== 0 || !(await progress(count + 1))) continue;
        order = live.slice(0, count + 1).map((one) => one.index);
        live = live.slice(0, count + 1);
        break;
      }
      live = live.filter(({ index }) => !refused.has(index)).map(({ index, ref }) => ({ index, ref: acts.standing(ref) }));
      for (const { path, text } of acts.outcome().files) texts.set(foldPath(path), { path, text });
    }
    if (again) continue;
    const raws: ManyOutcome['raws'] = tasks.map(() => null);
    for (const { index, ref } of live) raws[index] = ref.expected;
    const outcome = [...refused].map(([index, reason]) => ({ ref: refAt(tasks, index), reason }));
    return { texts, changed: live.length, refused: outcome, raws };
  }
}

const refAt = (tasks: readonly LineTask[], index: number): LineRef => (tasks[index] as LineTask).ref;

async function oneByOne(shelf: Shelf, tasks: readonly LineTask[], context: ActionContext, progress: Progress): Promise<ManyOutcome> {
  const texts = new Map<string, { path: string; text: string }>();
  const present = (path: string): string | null => texts.get(foldPath(path))?.text ?? shelf.text(path);
  const outcome: ManyOutcome = { texts, changed: 0, refused: [], raws: tasks.map(() => null) };
  const order = orderOf(tasks);
  const shifts = new Map<string, number>();
  for (const [count, index] of order.entries()) {
    const task = tasks[index];
    if (!task) continue;
    // What a line does is kept apart until all of it went well.
    const made: ManyOutcome['texts'] = new Map();
    const overlay = { ...shelf, text: (path: string) => made.get(foldPath(path))?.text ?? present(path) };
    const result = actOnLine(overlay, made, shifted(task, shifts), context);
    if ('refused' in result) outcome.refused.push({ ref: task.ref, reason: result.refused });
    else {
      if (isMove(task)) noteShift(shifts, task.ref.path, present(task.ref.path), overlay.text(task.ref.path));
      for (const [key, value] of made) texts.set(key, value);
      outcome.changed++;
      outcome.raws[index] = result.raw;
    }
    if ((count + 1) % PORTION === 0 && (await progress(count + 1))) break;
  }
  return outcome;
}

const isMove = ({ intentions }: LineTask): boolean => intentions.some(({ do: what }) => what === 'move' || what === 'archive');

/**
 * From the foot of each note upwards, so that the lines still to come stay where they were; what is moved goes from the top, so
 * that it arrives in its order.
 */
function orderOf(tasks: readonly LineTask[]): number[] {
  const direction = tasks.some(isMove) ? 1 : -1;
  return tasks.map((_, index) => index).sort((a, b) => direction * ((tasks[a]?.ref.line ?? 0) - (tasks[b]?.ref.line ?? 0)));
}

/** A task whose line went up because lines above it were moved away. */
function shifted(task: LineTask, shifts: ReadonlyMap<string, number>): LineTask {
  const by = shifts.get(foldPath(task.ref.path)) ?? 0;
  return by === 0 ? task : { ...task, ref: { ...task.ref, line: task.ref.line + by } };
}

function noteShift(shifts: Map<string, number>, path: string, before: string | null, after: string | null): void {
  const key = foldPath(path);
  const linesOf = (text: string | null): number => (text ?? '').split('\n').length;
  shifts.set(key, (shifts.get(key) ?? 0) + linesOf(after) - linesOf(before));
}

function actOnLine(
  shelf: Shelf,
  texts: ManyOutcome['texts'],
  { ref, intentions }: LineTask,
  context: ActionContext,
): { raw: string } | { refused: string } {
  let here = ref;
  for (const intention of intentions) {
    const before = shelf.text(here.path);
    if (before === null) return { refused: 'That note is not there, so nothing was changed.' };
    const place = locateLine(splitLines(before), here);
    if ('refused' in place) return place;
    const outcome = actAcross(shelf, here, intention, context);
    if ('refused' in outcome) return outcome;
    for (const { path, text } of outcome.files) texts.set(foldPath(path), { path, text });
    const after = splitLines(shelf.text(here.path) ?? before);
    here = { path: here.path, line: place.line, expected: lineText(after, Math.min(place.line, after.starts.length - 1)) };
  }
  return { raw: here.expected };
}
