import { lineText } from '../note/lines';
import { baseNameOf, foldPath } from '../note/path';
import { actOn } from './act';
import type { ActionContext } from './action-context';
import { swapDays } from './clause-actions';
import { echoRefOf, echoWords } from './echo';
import { type Change, type LineRef, applyChanges, locateLine } from './edit';
import type { Intention, WideIntention } from './intention';
import { ensureRef } from './list-actions';
import { linesAt } from './move-lines';
import { type Page, type Refusal, itemAt, openPage, sharesLine, taskAt } from './page';
import { type HeadingStep, placeUnder } from './place-lines';
import { readNote } from './read-note';
import { signOf } from './status';
import type { Task } from './task';

/** The notes that an action may look into. */
export interface Shelf {
  /** Null when there is no such note, or it holds no text. */
  text(path: string): string | null;
  /** The path of the note that a title, alias or path means, seen from another note; null when there is none. */
  find(name: string, from: string): string | null;
  /** Paths of the notes whose text holds some words. */
  holding(words: string): Iterable<string>;
}

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

const NO_NOTE: Refusal = { refused: 'That note is not there, so nothing was changed.' };

/** The notes that one action has opened. */
class Pages {
  private readonly opened = new Map<string, Page>();
  private readonly made = new Set<Page>();

  constructor(
    readonly shelf: Shelf,
    private readonly context: ActionContext,
  ) {}

  open(path: string): Page | null {
    const key = foldPath(path);
    const known = this.opened.get(key);
    if (known) return known;
    const text = this.shelf.text(path);
    if (text === null) return null;
    const page = openPage(path, text, this.context.settings);
    this.opened.set(key, page);
    return page;
  }

  /** A note that does not exist yet. */
  make(path: string, text: string): Page {
    const page = openPage(path, text, this.context.settings);
    this.opened.set(foldPath(path), page);
    this.made.add(page);
    return page;
  }

  outcome(): Extract<WideOutcome, { files: unknown }> {
    const files = [...this.opened.values()].flatMap((page) => {
      const changes = page.edits.changes();
      if (changes.length === 0) return [];
      const text = applyChanges(page.lines.text, changes);
      return [{ path: page.path, text, changes: this.made.has(page) ? [{ from: 0, to: 0, insert: text }] : changes }];
    });
    return { files };
  }
}

function wide(pages: Pages, page: Page, ref: LineRef, intention: WideIntention, context: ActionContext): Refusal | null {
  switch (intention.do) {
    case 'swap':
      return swap(pages, page, ref, intention.with);
    case 'move':
      return relocate(pages, page, ref, intention.to, 'move', context);
    case 'archive':
      return relocate(pages, page, ref, intention.to, 'archive', context);
    case 'echo':
      return makeEcho(pages, page, ref, intention.in, context);
    case 'status':
    case 'cycle':
    case 'end':
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

/** `Title`, `Title#Heading`, `#Heading` of the same note. */
function readPlace(pages: Pages, page: Page, to: string): { path: string | null; name: string; heading: string | null } {
  const bare = to.trim().replace(/^\[\[|\]\]$/g, '');
  const whole = pages.shelf.find(bare, page.path);
  if (whole !== null) return { path: whole, name: bare, heading: null };
  const hash = bare.indexOf('#');
  const name = hash === -1 ? bare : bare.slice(0, hash).trim();
  const heading = hash === -1 ? null : bare.slice(hash + 1).trim() || null;
  return { path: name === '' ? page.path : pages.shelf.find(name, page.path), name, heading };
}

/** Moves an item with what is under it to the end of another note, or under a heading. */
function relocate(pages: Pages, page: Page, ref: LineRef, to: string, how: 'move' | 'archive', context: ActionContext): Refusal | null {
  const item = itemAt(page, ref);
  if ('refused' in item) return item;
  if (sharesLine(page, item))
    return { refused: 'This item shares its line with the one around it and cannot be moved; nothing was changed.' };
  const place = readPlace(pages, page, to);
  const target = (place.path === null ? null : pages.open(place.path)) ?? newArchive(pages, place.name, how);
  if (!target) return { refused: `There is no note “${place.name}”, so nothing was changed.` };
  const path: HeadingStep[] = place.heading === null ? [] : [{ words: place.heading, level: 2 }];
  if (place.heading !== null && how === 'move' && !hasHeading(target, place.heading))
    return { refused: `“${place.name || baseNameOf(page.path)}” has no heading “${place.heading}”, so nothing was changed.` };
  if (target === page && standsUnder(page, item.line, place.heading, how))
    return { refused: place.heading === null ? IN_NOTE : 'It stands there already, so nothing was changed.' };
  if (how === 'archive') path.push(...headingPath(page, item.line, path.length));
  const lines = linesAt(page, item, '');
  const before = target.structure.items.length;
  const moved = target === page ? 0 : readNote('', lines.join('\n'), context.settings).structure.items.length;
  page.edits.remove(item.line, item.lastLine);
  const refusal = placeUnder(target, path, lines);
  if (refusal) return refusal;
  const after = readNote(target.path, applyChanges(target.lines.text, target.edits.changes()), context.settings);
  // An open comment or code block at the end of the place would take the lines in as its own.
  return after.structure.items.length === before + moved ? null : SWALLOWED;
}

const IN_NOTE = 'It stands in that note already; name a heading to move it under.';
const SWALLOWED: Refusal = { refused: 'What stands at the end of that place would swallow the task, so nothing was changed.' };

function newArchive(pages: Pages, name: string, how: 'move' | 'archive'): Page | null {
  if (how !== 'archive' || name === '' || /[<>:"\\|?*]/.test(name)) return null;
  return pages.make(/\.md$/i.test(name) ? name : `${name}.md`, '---\nkind: archive\n---\n');
}

function hasHeading(page: Page, words: string): boolean {
  return page.structure.headings.some((heading) => heading.topLevel && foldPath(heading.words) === foldPath(words));
}

/** The headings that a line stands under, with their levels, pushed down where they come to stand under another. */
function headingPath(page: Page, line: number, deeper: number): HeadingStep[] {
  const open: HeadingStep[] = [];
  for (const heading of page.structure.headings) {
    if (!heading.topLevel || heading.line > line) continue;
    while ((open.at(-1)?.level ?? 0) >= heading.level) open.pop();
    open.push({ words: heading.words, level: heading.level });
  }
  return open.map(({ words, level }) => ({ words, level: Math.min(6, level + deeper) }));
}

/** Whether a line stands already where it is to go: for a move right under that heading, for archiving anywhere below it. */
function standsUnder(page: Page, line: number, heading: string | null, how: 'move' | 'archive'): boolean {
  if (heading === null) return true;
  const around = headingPath(page, line, 0);
  const counting = how === 'move' ? around.slice(-1) : around;
  return counting.some((one) => foldPath(one.words) === foldPath(heading));
}

/** Writes a line into another note that stands for this task and shares its box. */
function makeEcho(pages: Pages, page: Page, ref: LineRef, name: string, context: ActionContext): Refusal | null {
  const task = taskAt(page, ref);
  if ('refused' in task) return task;
  if (echoRefOf(task.text) !== null)
    return { refused: 'This line is an echo itself; make one of the task it stands for. Nothing was changed.' };
  const place = readPlace(pages, page, name);
  const target = place.path === null ? null : pages.open(place.path);
  if (!target) return { refused: `There is no note “${place.name}”, so nothing was changed.` };
  const key = ensureRef(page, task, context);
  const sign = task.sign === '' ? signOf(task.status) : task.sign;
  const path: HeadingStep[] = place.heading === null ? [] : [{ words: place.heading, level: 2 }];
  return placeUnder(target, path, [`- [${sign}] ${echoWords(task.text, key)}`]);
}
