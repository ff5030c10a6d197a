import { lineText } from '../../note/blocks/lines';
import { actOn } from './act';
import type { ActionContext } from './action-context';
import { swapDays } from './clause-actions';
import { echoRefOf, echoWords } from '../line/echo';
import { type Change, type LineRef, locateLine } from '../writing/edit';
import type { Intention, WideIntention } from './intention';
import { ensureRef } from './list-actions';
import { type Page, type Refusal, taskAt } from '../reading/page';
import { Pages, type Shelf } from '../reading/pages';
import { type HeadingStep, placeUnder } from '../writing/place-lines';
import { type Relocated, readPlace, relocate, relocateTogether } from './relocate';
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
  const pages = new Pages(shelf, context);
  const page = pages.open(ref.path);
  if (!page) return NO_NOTE;
  const refusal = wide(pages, page, ref, intention, context);
  return refusal ?? pages.outcome();
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
  const pages = new Pages(shelf, context);
  const places = new Map<Page, (line: number) => number>();
  return {
    act: (ref, intention) => {
      const page = pages.open(ref.path);
      return page ? wide(pages, page, ref, intention, context) : NO_NOTE;
    },
    standing: (ref) => {
      const page = pages.open(ref.path);
      const place = page && locateLine(page.lines, ref);
      if (!page || !place || 'refused' in place) return ref;
      let placed = places.get(page);
      if (!placed) places.set(page, (placed = page.edits.places()));
      return { path: ref.path, line: placed(place.line), expected: page.edits.wordsOf(place.line) };
    },
    outcome: () => pages.outcome(),
  };
}

/** Moves or archives many items to one place; null where that must be done one after the other. */
export function moveTogether(
  shelf: Shelf,
  refs: readonly LineRef[],
  intention: Extract<WideIntention, { do: 'move' | 'archive' }>,
  context: ActionContext,
): Relocated | null {
  return relocateTogether(shelf, new Pages(shelf, context), refs, intention.to, intention.do, context);
}

const NO_NOTE: Refusal = { refused: 'That note is not there, so nothing was changed.' };

function wide(pages: Pages, page: Page, ref: LineRef, intention: WideIntention, context: ActionContext): Refusal | null {
  switch (intention.do) {
    case 'swap':
      return swap(pages, page, ref, intention.with);
    case 'need':
      return need(pages, page, ref, intention.other, context);
    case 'move':
      return relocate(pages, page, ref, intention.to, 'move', context);
    case 'archive':
      return relocate(pages, page, ref, intention.to, 'archive', context);
    case 'echo':
      return makeEcho(pages, page, ref, intention.in, context);
    case 'status':
    case 'cycle':
    case 'end':
    case 'carry':
      return withEchoes(pages, page, ref, intention, context);
    default:
      return actOn(page, ref, intention, context);
  }
}

function swap(pages: Pages, page: Page, ref: LineRef, other: LineRef): Refusal | null {
  const task = taskAt(page, ref);
  if ('refused' in task) return task;
  const otherPage = pages.open(other.path);
  if (!otherPage) return { refused: 'The other note is not there, so nothing was changed.' };
  const otherTask = taskAt(otherPage, other);
  if ('refused' in otherTask) return otherTask;
  return swapDays(page, task, otherPage, otherTask);
}

function need(pages: Pages, page: Page, ref: LineRef, other: LineRef, context: ActionContext): Refusal | null {
  const task = taskAt(page, ref);
  if ('refused' in task) return task;
  const otherPage = pages.open(other.path);
  if (!otherPage) return { refused: 'The other note is not there, so nothing was changed.' };
  const otherTask = taskAt(otherPage, other);
  if ('refused' in otherTask) return otherTask;
  if (otherTask === task) return { refused: 'A task cannot need itself, so nothing was changed.' };
  const key = ensureRef(otherPage, otherTask, context);
  const line = page.edits.wordsOf(task.line);
  const present = clauseOf(readTail(line, task.boxFrom), 'needs')?.value;
  const needs = present === undefined ? [] : present.split(',').map((one) => one.trim());
  if (!needs.includes(key)) page.edits.set(task.line, withClause(line, task.boxFrom, 'needs', `needs ${[...needs, key].join(', ')}`));
  return null;
}

/** A change of status, carried from an echo to its source and from a source to its echoes. */
function withEchoes(pages: Pages, page: Page, ref: LineRef, intention: Intention, context: ActionContext): Refusal | null {
  const named = taskAt(page, ref);
  if ('refused' in named) return named;
  const echoed = echoRefOf(named.text);
  const source = echoed === null ? { page, task: named } : findRef(pages, echoed);
  const target = source ?? { page, task: named };
  const refusal = actOn(
    target.page,
    { line: target.task.line, expected: lineText(target.page.lines, target.task.line) },
    intention,
    context,
  );
  if (refusal) return refusal;
  const key = target.task.ref ?? (source ? echoed : null);
  if (key === null) return null;
  const sign = target.page.edits.wordsOf(target.task.line).charAt(target.task.boxFrom + 1);
  for (const path of pages.shelf.holding(`recado:${key}`)) {
    const holder = pages.open(path);
    for (const echo of holder?.note.tasks ?? []) {
      if (!holder || echoRefOf(echo.text) !== key) continue;
      const line = holder.edits.wordsOf(echo.line);
      holder.edits.set(echo.line, line.slice(0, echo.boxFrom + 1) + sign + line.slice(echo.boxFrom + 1 + echo.sign.length));
    }
  }
  return null;
}

/** The task that bears a ref; the first by path where several do is followed by nothing. */
function findRef(pages: Pages, ref: string): { page: Page; task: Task } | null {
  const found: { page: Page; task: Task }[] = [];
  for (const path of pages.shelf.holding(`ref ${ref}`)) {
    const page = pages.open(path);
    for (const task of page?.note.tasks ?? []) if (page && task.ref === ref) found.push({ page, task });
  }
  return found.length === 1 ? (found[0] ?? null) : null;
}

/** Writes a line into another note that stands for this task and shares its box. */
function makeEcho(pages: Pages, page: Page, ref: LineRef, name: string, context: ActionContext): Refusal | null {
  const task = taskAt(page, ref);
  if ('refused' in task) return task;
  if (echoRefOf(task.text) !== null)
    return { refused: 'This line is an echo itself; make one of the task it stands for. Nothing was changed.' };
  const place = readPlace(pages.shelf, page.path, name);
  const target = place.path === null ? null : pages.open(place.path);
  if (!target) return { refused: `There is no note “${place.name}”, so nothing was changed.` };
  const key = ensureRef(page, task, context);
  const sign = task.sign === '' ? signOf(task.status) : task.sign;
  const path: HeadingStep[] = place.heading === null ? [] : [{ words: place.heading, level: 2 }];
  return placeUnder(target, path, [`- [${sign}] ${echoWords(task.text, key)}`]);
}
