import { cleanPath, baseNameOf, foldPath, withoutEnding } from '../../note/names/path';
import type { Item } from '../../note/blocks/structure';
import type { ActionContext } from './action-context';
import { type LineRef, applyChanges } from '../writing/edit';
import { linesAt } from '../writing/move-lines';
import { type OpenNote, type Refusal, itemAt, openNote, sharesLine } from '../reading/open-note';
import type { OpenNotes, Shelf } from '../reading/open-notes';
import { type HeadingStep, placeUnder } from '../writing/place-lines';
import { readNote } from '../reading/read-note';

/** How items go to another place: moved, or archived with the headings that they stood under. */
export type Relocation = 'move' | 'archive';

/** `Title`, `Title#Heading`, `#Heading` of the same note. */
export interface Place {
  path: string | null;
  name: string;
  heading: string | null;
}

/** The place that words mean, seen from a note; its path is null where there is no such note. */
export function readPlace(shelf: Pick<Shelf, 'find'>, from: string, to: string): Place {
  const bare = to.trim().replace(/^\[\[|\]\]$/g, '');
  const whole = shelf.find(bare, from);
  if (whole !== null) return { path: whole, name: bare, heading: null };
  const hash = bare.indexOf('#');
  const name = hash === -1 ? bare : bare.slice(0, hash).trim();
  const heading = hash === -1 ? null : bare.slice(hash + 1).trim() || null;
  return { path: name === '' ? from : shelf.find(name, from), name, heading };
}

/** Moves an item with what is under it to the end of another note, or under a heading. */
export function relocate(
  notes: OpenNotes,
  opened: OpenNote,
  ref: LineRef,
  to: string,
  how: Relocation,
  context: ActionContext,
): Refusal | null {
  const item = movable(opened, ref);
  if ('refused' in item) return item;
  const place = readPlace(notes.shelf, opened.path, to);
  const target = place.path === null ? newArchive(notes, place.name, how) : openTarget(notes, place);
  if ('refused' in target) return target;
  const refusal = unfit(opened, item, target, place, how);
  if (refusal) return refusal;
  const path = stepsTo(opened, item, place, how);
  const lines = linesAt(opened, item, '');
  const before = target.structure.items.length;
  const moved = target === opened ? 0 : readNote('', lines.join('\n'), context.settings).structure.items.length;
  opened.edits.remove(item.line, item.lastLine);
  const placed = placeUnder(target, path, lines);
  if (placed) return placed;
  const after = readNote(target.path, applyChanges(target.lines.text, target.edits.changes()), context.settings);
  // An open comment or code block at the end of the place would take the lines in as its own.
  return after.structure.items.length === before + moved ? null : SWALLOWED;
}

/** What becomes of many items that go to one place: the notes as they are to be, and which stay and why. */
export interface Relocated {
  texts: Map<string, { path: string; text: string }>;
  /** For each line that was given; null where it went. */
  refused: (string | null)[];
}

/**
 * Moves many items to one place, in the order of their lines; each note is read once, the target once for each path of headings. Null where
 * the place lies in a note that something is moved out of: such moves must be done one after the other.
 */
export function relocateTogether(
  shelf: Shelf,
  notes: OpenNotes,
  refs: readonly LineRef[],
  to: string,
  how: Relocation,
  context: ActionContext,
): Relocated | null {
  const result: Relocated = { texts: new Map(), refused: refs.map(() => null) };
  const sources = new Set(refs.map(({ path }) => foldPath(path)));
  const groups = new Map<
    string,
    { place: Place; target: string; path: HeadingStep[]; going: { index: number; opened: OpenNote; item: Item }[] }
  >();
  /** The last item of each note that goes; in the order of lines, what is inside another one is inside that. */
  const moved = new Map<OpenNote, Item>();
  const order = refs.map((_, index) => index).sort((a, b) => (refs[a]?.line ?? 0) - (refs[b]?.line ?? 0));
  for (const index of order) {
    const ref = refs[index];
    const opened = ref && notes.open(ref.path);
    if (!ref || !opened) {
      result.refused[index] = 'That note is not there, so nothing was changed.';
      continue;
    }
    const item = movable(opened, ref);
    if ('refused' in item) {
      result.refused[index] = item.refused;
      continue;
    }
    // What is under an item goes along with it.
    if (item.lastLine <= (moved.get(opened)?.lastLine ?? -1)) continue;
    const place = readPlace(shelf, opened.path, to);
    const target = place.path === null ? newArchive(notes, place.name, how) : openTarget(notes, place);
    if (!('refused' in target) && sources.has(foldPath(target.path))) return null;
    const refusal = 'refused' in target ? target : unfit(opened, item, target, place, how);
    if (refusal || 'refused' in target) {
      result.refused[index] = refusal?.refused ?? '';
      continue;
    }
    const path = stepsTo(opened, item, place, how);
    const key = JSON.stringify([target.path, path]);
    const group = groups.get(key) ?? { place, target: target.path, path, going: [] };
    group.going.push({ index, opened, item });
    groups.set(key, group);
    moved.set(opened, item);
  }
  for (const { target, path, going } of groups.values()) {
    const text = result.texts.get(foldPath(target))?.text ?? notes.open(target)?.lines.text ?? '';
    const placed = withLines(
      target,
      text,
      path,
      going.flatMap(({ opened, item }) => linesAt(opened, item, '')),
      context,
    );
    if ('refused' in placed) for (const { index } of going) result.refused[index] = placed.refused;
    else {
      result.texts.set(foldPath(target), { path: target, text: placed.text });
      for (const { opened, item } of going) opened.edits.remove(item.line, item.lastLine);
    }
  }
  for (const opened of moved.keys()) {
    const changes = opened.edits.changes();
    if (changes.length > 0) result.texts.set(foldPath(opened.path), { path: opened.path, text: applyChanges(opened.lines.text, changes) });
  }
  return result;
}

function withLines(
  target: string,
  text: string,
  path: readonly HeadingStep[],
  lines: readonly string[],
  context: ActionContext,
): { text: string } | Refusal {
  const opened = openNote(target, text, context.settings);
  const refusal = placeUnder(opened, path, lines);
  if (refusal) return refusal;
  const next = applyChanges(text, opened.edits.changes());
  const arrived = readNote(target, next, context.settings).structure.items.length - opened.structure.items.length;
  return arrived === readNote('', lines.join('\n'), context.settings).structure.items.length ? { text: next } : SWALLOWED;
}

const IN_NOTE = 'It stands in that note already; name a heading to move it under.';
const SWALLOWED: Refusal = { refused: 'What stands at the end of that place would swallow the task, so nothing was changed.' };

function movable(opened: OpenNote, ref: LineRef): Item | Refusal {
  const item = itemAt(opened, ref);
  if ('refused' in item || !sharesLine(opened, item)) return item;
  return { refused: 'This item shares its line with the one around it and cannot be moved; nothing was changed.' };
}

function openTarget(notes: OpenNotes, { path, name }: Place): OpenNote | Refusal {
  return notes.open(path ?? '') ?? { refused: `“${name}” is no text that Recado can read, so nothing was changed.` };
}

/** Why an item cannot go there; null when it can. */
function unfit(opened: OpenNote, item: Item, target: OpenNote, place: Place, how: Relocation): Refusal | null {
  if (place.heading !== null && how === 'move' && !hasHeading(target, place.heading))
    return { refused: `“${place.name || baseNameOf(opened.path)}” has no heading “${place.heading}”, so nothing was changed.` };
  if (target === opened && standsUnder(opened, item.line, place.heading, how))
    return { refused: place.heading === null ? IN_NOTE : 'It stands there already, so nothing was changed.' };
  return null;
}

function stepsTo(opened: OpenNote, item: Item, place: Place, how: Relocation): HeadingStep[] {
  const path: HeadingStep[] = place.heading === null ? [] : [{ words: place.heading, level: 2 }];
  if (how === 'archive') path.push(...headingPath(opened, item.line, path.length));
  return path;
}

/** An archive that is not there yet is made, but never in the place of something, nor outside. */
function newArchive(notes: OpenNotes, name: string, how: Relocation): OpenNote | Refusal {
  const path = /[<>:"\\|?*]/.test(name) ? null : cleanPath(`${withoutEnding(name)}.md`);
  if (how !== 'archive' || name === '' || path === null) return { refused: `There is no note “${name}”, so nothing was changed.` };
  if (notes.shelf.isTaken(path)) return { refused: `There is something at ${path} that is no text, so nothing was changed.` };
  return notes.open(path) ?? notes.make(path, '---\nkind: archive\n---\n');
}

function hasHeading(opened: OpenNote, words: string): boolean {
  return opened.structure.headings.some((heading) => heading.topLevel && foldPath(heading.words) === foldPath(words));
}

/** The headings that a line stands under, with their levels, pushed down where they come to stand under another. */
function headingPath(opened: OpenNote, line: number, deeper: number): HeadingStep[] {
  const open: HeadingStep[] = [];
  for (const heading of opened.structure.headings) {
    if (heading.line > line) break;
    if (!heading.topLevel) continue;
    while ((open.at(-1)?.level ?? 0) >= heading.level) open.pop();
    open.push({ words: heading.words, level: heading.level });
  }
  return open.map(({ words, level }) => ({ words, level: Math.min(6, level + deeper) }));
}

/** Whether a line stands already where it is to go: for a move right under that heading, for archiving anywhere below it. */
function standsUnder(opened: OpenNote, line: number, heading: string | null, how: Relocation): boolean {
  if (heading === null) return true;
  const around = headingPath(opened, line, 0);
  const counting = how === 'move' ? around.slice(-1) : around;
  return counting.some((one) => foldPath(one.words) === foldPath(heading));
}
