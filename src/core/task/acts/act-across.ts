import { lineText } from '../../note/blocks/lines';
import { actOn } from './act';
import type { ActionContext } from './action-context';
import { swapDays } from './clause-actions';
import { echoText } from '../../sharing/seal/out-of-seal';
import { echoRefOf, echoWords } from '../line/echo';
import { type Change, type LineRef, locateLine } from '../writing/edit';
import type { Intention, WideIntention } from './intention';
import { ensureRef } from './list-actions';
import { type OpenNote, type Refusal, taskAt } from '../reading/open-note';
import { OpenNotes, type Shelf } from '../reading/open-notes';
import { type HeadingStep, placeUnder } from '../writing/place-lines';
import { type Going, type Pause, type Relocated, type Relocation, readPlace, relocate, relocateTogether } from './relocate';
import { signOf } from '../line/status';
import { clauseOf, readTail } from '../line/tail';
import type { Task } from '../line/task';
import { withClause } from '../writing/write-tail';

/** What an action does to the notes; changes stand in the order of the text. */
export type WideOutcome = { files: { path: string; changes: Change[]; text: string }[] } | Refusal;

/**
 * What an intention does, in every note that it touches: also the echoes of a task, whose boxes follow it.
 *
 * @param ref the line that is meant, in the note at its `path`
 */
export function actAcross(shelf: Shelf, ref: LineRef, intention: WideIntention, context: ActionContext): WideOutcome {
  const notes = new OpenNotes(shelf, context);
  const opened = notes.open(ref.path);
  if (!opened) return NO_NOTE;
  const refusal = wide(notes, opened, ref, intention, context);
  return refusal ?? notes.outcome();
}

/** Several actions in one reading of each note. */
export interface ActsTogether {
  /** Does an intention to a line of a note as it was; a refusal changes nothing. */
  act: (ref: LineRef, intention: WideIntention) => Refusal | null;
  /** The words of a line of a note as it was, and where it stands now. */
  standing: (ref: LineRef) => LineRef;
  outcome: () => Extract<WideOutcome, { files: unknown }>;
}

/**
 * Does what can be done line by line (`isOfLine`) to many lines, each note read once. Lines of one note must be given from the foot
 * upwards.
 */
export function actTogether(shelf: Shelf, context: ActionContext): ActsTogether {
  const notes = new OpenNotes(shelf, context);
  const places = new Map<OpenNote, (line: number) => number>();
  return {
    act: (ref, intention) => {
      const opened = notes.open(ref.path);
      return opened ? wide(notes, opened, ref, intention, context) : NO_NOTE;
    },
    standing: (ref) => {
      const opened = notes.open(ref.path);
      const place = opened && locateLine(opened.lines, ref);
      if (!opened || !place || 'refused' in place) return ref;
      let placed = places.get(opened);
      if (!placed) places.set(opened, (placed = opened.edits.places()));
      return { path: ref.path, line: placed(place.line), expected: opened.edits.wordsOf(place.line) };
    },
    outcome: () => notes.outcome(),
  };
}

/** Moves or archives many items to their places; null where that must be done one after the other. */
export function moveTogether(
  shelf: Shelf,
  goings: readonly Going[],
  how: Relocation,
  context: ActionContext,
  pause?: Pause,
): Promise<Relocated | null> {
  return relocateTogether(shelf, new OpenNotes(shelf, context), goings, how, context, pause);
}

const NO_NOTE: Refusal = { refused: 'That note is not there, so nothing was changed.' };

function wide(notes: OpenNotes, opened: OpenNote, ref: LineRef, intention: WideIntention, context: ActionContext): Refusal | null {
  switch (intention.do) {
    case 'swap':
      return swap(notes, opened, ref, intention.with);
    case 'need':
      return need(notes, opened, ref, intention.other, context);
    case 'move':
      return relocate(notes, opened, ref, intention.to, 'move', context);
    case 'archive':
      return relocate(notes, opened, ref, intention.to, 'archive', context);
    case 'echo':
      return makeEcho(notes, opened, ref, intention.in, context);
    case 'status':
    case 'cycle':
    case 'end':
    case 'carry':
      return withEchoes(notes, opened, ref, intention, context);
    default:
      return actOn(opened, ref, intention, context);
  }
}

function swap(notes: OpenNotes, opened: OpenNote, ref: LineRef, other: LineRef): Refusal | null {
  const task = taskAt(opened, ref);
  if ('refused' in task) return task;
  const otherNote = notes.open(other.path);
  if (!otherNote) return { refused: 'The other note is not there, so nothing was changed.' };
  const otherTask = taskAt(otherNote, other);
  if ('refused' in otherTask) return otherTask;
  return swapDays(opened, task, otherNote, otherTask);
}

function need(notes: OpenNotes, opened: OpenNote, ref: LineRef, other: LineRef, context: ActionContext): Refusal | null {
  const task = taskAt(opened, ref);
  if ('refused' in task) return task;
  const otherNote = notes.open(other.path);
  if (!otherNote) return { refused: 'The other note is not there, so nothing was changed.' };
  const otherTask = taskAt(otherNote, other);
  if ('refused' in otherTask) return otherTask;
  if (otherTask === task) return { refused: 'A task cannot need itself, so nothing was changed.' };
  const key = ensureRef(otherNote, otherTask, context);
  const line = opened.edits.wordsOf(task.line);
  const present = clauseOf(readTail(line, task.boxFrom), 'needs')?.value;
  const needs = present === undefined ? [] : present.split(',').map((one) => one.trim());
  if (!needs.includes(key)) opened.edits.set(task.line, withClause(line, task.boxFrom, 'needs', `needs ${[...needs, key].join(', ')}`));
  return null;
}

/** A change of status, carried from an echo to its source and from a source to its echoes. */
function withEchoes(notes: OpenNotes, opened: OpenNote, ref: LineRef, intention: Intention, context: ActionContext): Refusal | null {
  const named = taskAt(opened, ref);
  if ('refused' in named) return named;
  const echoed = echoRefOf(named.text);
  const source = echoed === null ? { opened, task: named } : findRef(notes, echoed);
  const target = source ?? { opened, task: named };
  const refusal = actOn(
    target.opened,
    { line: target.task.line, expected: lineText(target.opened.lines, target.task.line) },
    intention,
    context,
  );
  if (refusal) return refusal;
  const key = target.task.ref ?? (source ? echoed : null);
  if (key === null) return null;
  const sign = target.opened.edits.wordsOf(target.task.line).charAt(target.task.boxFrom + 1);
  for (const path of notes.shelf.holding(`recado:${key}`)) {
    const holder = notes.open(path);
    for (const echo of holder?.note.tasks ?? []) {
      if (!holder || echoRefOf(echo.text) !== key) continue;
      const line = holder.edits.wordsOf(echo.line);
      holder.edits.set(echo.line, line.slice(0, echo.boxFrom + 1) + sign + line.slice(echo.boxFrom + 1 + echo.sign.length));
    }
  }
  return null;
}

/** The task that bears a ref; the first by path where several do is followed by nothing. */
function findRef(notes: OpenNotes, ref: string): { opened: OpenNote; task: Task } | null {
  const found: { opened: OpenNote; task: Task }[] = [];
  for (const path of notes.shelf.holding(`ref ${ref}`)) {
    const opened = notes.open(path);
    for (const task of opened?.note.tasks ?? []) if (opened && task.ref === ref) found.push({ opened, task });
  }
  return found.length === 1 ? (found[0] ?? null) : null;
}

/** Writes a line into another note that stands for this task and shares its box. */
function makeEcho(notes: OpenNotes, opened: OpenNote, ref: LineRef, name: string, context: ActionContext): Refusal | null {
  const task = taskAt(opened, ref);
  if ('refused' in task) return task;
  if (echoRefOf(task.text) !== null)
    return { refused: 'This line is an echo itself; make one of the task it stands for. Nothing was changed.' };
  const place = readPlace(notes.shelf, opened.path, name);
  const target = place.path === null ? null : notes.open(place.path);
  if (!target) return { refused: `There is no note “${place.name}”, so nothing was changed.` };
  const key = ensureRef(opened, task, context);
  const sign = task.sign === '' ? signOf(task.status) : task.sign;
  const path: HeadingStep[] = place.heading === null ? [] : [{ words: place.heading, level: 2 }];
  return placeUnder(target, path, [`- [${sign}] ${echoWords(echoText(target.path, opened.path, task.text), key)}`]);
}
