import type { ActionContext } from './action-context';
import { carry } from './carry';
import { push, rest, shift, setClause, setPriority, shiftPriority, unsetClause } from './clause-actions';
import { type Change, type LineRef, type Outcome, applyChanges, differenceOf, locateLine } from '../writing/edit';
import type { Intention, WideIntention } from './intention';
import { convert, duplicate, ensureRef, remove, reset, sink, sweep } from './list-actions';
import { type OpenNote, type Refusal, itemAt, openNote, taskAt } from '../reading/open-note';
import { nextStatus } from './next-status';
import { setStatus } from './status-actions';
import { addName, removeName, reword } from './word-actions';

/** A line that is meant; the path of its note tells which day a journal page is of. */
export type NamedLine = Omit<LineRef, 'path'> & { path?: string };

/*
 * The ladder of acts, from one line to the interface; each step is one more thing round the one above it.
 *
 *   actOn        one intention on one line of an opened note                       core, here
 *   act          … of a text: its changes                                          core, here
 *   actOnMany    … on several lines of a text, whole or not at all                 core, here
 *   actOnEach    … on several lines of a text, each that takes it                  core, here
 *   actAcross    … in every note that it touches, echoes too                       core, act-across.ts
 *   actTogether  several intentions, each note read once                           core, act-across.ts
 *   actOnLines   many lines of many notes, with progress                           core, act-on-lines.ts
 *   NoteActions  stores what actAcross and actOnLines give, as one step            store, acting/note-actions.ts
 *   useAct       asks NoteActions, says what was done, and what may follow         features, session/acting/use-act.ts
 */

/**
 * What an intention does to the text of one note: the smallest changes, or the reason why it does nothing.
 *
 * @example act(text, { line: 3, expected: '- [ ] Book the lift' }, { do: 'status', status: 'done' }, context)
 */
export function act(text: string, ref: NamedLine, intention: Intention, context: ActionContext): Outcome {
  const opened = openNote(ref.path ?? '', text, context.settings);
  const refusal = actOn(opened, ref, intention, context);
  return refusal ?? { changes: opened.edits.changes() };
}

/** Does an intention to several lines of one note, whole or not at all. */
export function actOnMany(text: string, refs: readonly NamedLine[], intention: Intention, context: ActionContext): Outcome {
  // From the foot upwards, so that the lines still to come stay where they were.
  const ordered = [...refs].sort((a, b) => b.line - a.line);
  if (isOfLine(intention)) {
    const opened = openNote(refs[0]?.path ?? '', text, context.settings);
    for (const ref of ordered) {
      const refusal = actOn(opened, ref, intention, context);
      if (refusal) return refusal;
    }
    return { changes: opened.edits.changes() };
  }
  let next = text;
  for (const ref of ordered) {
    const outcome = act(next, ref, intention, context);
    if ('refused' in outcome) return outcome;
    next = applyChanges(next, outcome.changes);
  }
  const change = differenceOf(text, next);
  return { changes: change ? [change] : [] };
}

/** What an intention does to each of several lines that takes it; the others stay. */
export function actOnEach(text: string, refs: readonly Omit<LineRef, 'path'>[], intention: Intention, context: ActionContext): Change[] {
  const opened = openNote('', text, context.settings);
  for (const ref of [...refs].sort((a, b) => b.line - a.line)) actOn(opened, ref, intention, context);
  return opened.edits.changes();
}

const OF_LINE: ReadonlySet<WideIntention['do']> = new Set<WideIntention['do']>([
  'status',
  'cycle',
  'end',
  'set',
  'unset',
  'priority',
  'raise',
  'lower',
  'push',
  'carry',
  'shift',
  'rest',
  'tag',
  'untag',
  'reword',
  'ref',
]);

/**
 * Whether an intention leaves the lines around where they are, but for what it puts in: many such can be done, from the foot upwards, in
 * one reading of the note.
 */
export const isOfLine = (intention: WideIntention): boolean =>
  OF_LINE.has(intention.do) && !(intention.do === 'status' && intention.steps === 'out');

/** Does an intention to an opened note; what becomes of its lines stands in its edits. */
export function actOn(opened: OpenNote, ref: Omit<LineRef, 'path'>, intention: Intention, context: ActionContext): Refusal | null {
  switch (intention.do) {
    case 'convert': {
      const place = locateLine(opened.lines, ref);
      return 'refused' in place ? place : convert(opened, place.line);
    }
    case 'duplicate':
    case 'delete':
    case 'sink':
    case 'reset': {
      const item = itemAt(opened, ref);
      if ('refused' in item) return item;
      if (intention.do === 'duplicate') return duplicate(opened, item);
      if (intention.do === 'delete') return remove(opened, item);
      return intention.do === 'sink' ? sink(opened, item) : reset(opened, item, intention.dates ?? 'keep');
    }
    case 'sweep': {
      const place = locateLine(opened.lines, ref);
      return 'refused' in place ? place : sweep(opened, context);
    }
  }
  const task = taskAt(opened, ref);
  if ('refused' in task) return task;
  switch (intention.do) {
    case 'status':
      return setStatus(opened, task, intention, context);
    case 'cycle':
      return setStatus(opened, task, nextStatus(task, context.settings), context);
    case 'end':
      return setStatus(opened, task, { status: 'cancelled', remark: intention.remark, ends: true }, context);
    case 'set':
      return setClause(opened, task, intention.clause, context);
    case 'unset':
      return unsetClause(opened, task, intention.clause);
    case 'priority':
      return setPriority(opened, task, intention.priority);
    case 'raise':
      return shiftPriority(opened, task, 1, intention.wraps === true);
    case 'lower':
      return shiftPriority(opened, task, -1);
    case 'push':
      return push(opened, task, intention.to, context);
    case 'carry':
      return carry(opened, task, intention, context);
    case 'shift':
      return shift(opened, task, intention.days);
    case 'rest':
      return rest(opened, task, intention.until, context);
    case 'tag':
      return addName(opened, task, intention.name);
    case 'untag':
      return removeName(opened, task, intention.name);
    case 'reword':
      return reword(opened, task, intention.text);
    case 'ref':
      ensureRef(opened, task, context);
      return null;
  }
}
