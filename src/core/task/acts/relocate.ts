import { cleanPath, baseNameOf, foldPath, withoutEnding } from '../../note/names/path';
import { leavesSeal } from '../../sharing/seal/out-of-seal';
import type { Item } from '../../note/blocks/structure';
import type { ActionContext } from './action-context';
import { type LineRef, applyChanges } from '../writing/edit';
import { linesAt } from '../writing/move-lines';
import { type OpenNote, type Refusal, itemAt, openNote, sharesLine } from '../reading/open-note';
import type { OpenNotes, Shelf } from '../reading/open-notes';
import { fromLine } from '../../keep/archive/from-line';
import { type HeadingStep, firstMissing, placeUnder, wordsAboveLast } from '../writing/place-lines';
import { readFrame } from '../../note/facts/note-frame';

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
  if (readsOtherwise(opened, item, lines)) return OTHERWISE;
  const before = target.structure.items.length;
  const moved = target === opened ? 0 : itemsIn(lines.join('\n'));
  opened.edits.remove(item.line, item.lastLine);
  const placed = placeOne(target, path, lines, how === 'archive' ? opened : null, context);
  if (placed) return placed;
  const after = itemsIn(applyChanges(target.lines.text, target.edits.changes()));
  // An open comment or code block at the end of the place would take the lines in as its own.
  return after === before + moved ? null : SWALLOWED;
}

/** What becomes of many items that go to one place: the notes as they are to be, and which stay and why. */
export interface Relocated {
  texts: Map<string, { path: string; text: string }>;
  /** For each line that was given; null where it went. */
  refused: (string | null)[];
}

/** A line, and where its item goes. */
export interface Going {
  ref: LineRef;
  to: string;
}

/** Called with how many items were looked at; what it gives is awaited, so that the page can draw; true stops, and nothing is moved. */
export type Pause = (done: number) => Promise<boolean>;

/** After so many items the page may draw, where it wants to. */
const PORTION = 8;

/**
 * Moves many items to their places, in the order of their lines; each note is read once, a target once for each path of headings. Null
 * where a place lies in a note that something is moved out of: such moves must be done one after the other.
 */
export async function relocateTogether(
  shelf: Shelf,
  notes: OpenNotes,
  goings: readonly Going[],
  how: Relocation,
  context: ActionContext,
  pause: Pause = () => Promise.resolve(false),
): Promise<Relocated | null> {
  const refs = goings.map(({ ref }) => ref);
  const result: Relocated = { texts: new Map(), refused: refs.map(() => null) };
  const sources = new Set(refs.map(({ path }) => foldPath(path)));
  const groups = new Map<
    string,
    { place: Place; target: string; path: HeadingStep[]; going: { index: number; opened: OpenNote; item: Item }[] }
  >();
  /** The last item of each note that goes; in the order of lines, what is inside another one is inside that. */
  const moved = new Map<OpenNote, Item>();
  const order = refs.map((_, index) => index).sort((a, b) => (refs[a]?.line ?? 0) - (refs[b]?.line ?? 0));
  for (const [count, index] of order.entries()) {
    if (count % PORTION === PORTION - 1 && (await pause(count + 1))) return { texts: new Map(), refused: refs.map(() => STOPPED) };
    const { ref, to } = goings[index] as Going;
    const opened = notes.open(ref.path);
    if (!opened) {
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
    if (readsOtherwise(opened, item, linesAt(opened, item, ''))) {
      result.refused[index] = OTHERWISE.refused;
      continue;
    }
    const path = stepsTo(opened, item, place, how);
    const key = JSON.stringify([target.path, path, how === 'archive' ? opened.path : null]);
    const group = groups.get(key) ?? { place, target: target.path, path, going: [] };
    group.going.push({ index, opened, item });
    groups.set(key, group);
    moved.set(opened, item);
  }
  const byTarget = new Map<string, Parcel[]>();
  for (const { target, path, going } of groups.values()) {
    await pause(refs.length);
    const lines = going.flatMap(({ opened, item }) => linesAt(opened, item, ''));
    const from = how === 'archive' ? (going[0]?.opened ?? null) : null;
    byTarget.set(target, [...(byTarget.get(target) ?? []), { path, lines, items: itemsIn(lines.join('\n')), from, going }]);
  }
  for (const [target, parcels] of byTarget) {
    const refuse = ({ going }: Parcel, reason: string): void => {
      for (const { index } of going) result.refused[index] = reason;
    };
    const text = await withParcels(target, notes.open(target)?.lines.text ?? '', parcels, refuse, context, () => pause(refs.length));
    const arrived = parcels.some(({ going }) => going.some(({ index }) => result.refused[index] === null));
    if (arrived) result.texts.set(foldPath(target), { path: target, text });
    for (const { going } of parcels)
      for (const { index, opened, item } of going) if (result.refused[index] === null) opened.edits.remove(item.line, item.lastLine);
  }
  for (const opened of moved.keys()) {
    await pause(refs.length);
    const changes = opened.edits.changes();
    if (changes.length > 0) result.texts.set(foldPath(opened.path), { path: opened.path, text: applyChanges(opened.lines.text, changes) });
  }
  return result;
}

/** What goes under one path of headings; `from` names the note that it comes from where that is to be said. */
interface Parcel {
  path: HeadingStep[];
  lines: readonly string[];
  /** How many items they are, those inside others too. */
  items: number;
  from: OpenNote | null;
  going: readonly { index: number; opened: OpenNote; item: Item }[];
}

/**
 * A text with all that goes into it. What needs no heading that another of them makes is put there in one reading; so there are about as many
 * readings as headings lie in each other.
 *
 * @param refuse told of each that cannot be put there, with the reason
 */
async function withParcels(
  target: string,
  before: string,
  parcels: readonly Parcel[],
  refuse: (parcel: Parcel, reason: string) => void,
  context: ActionContext,
  pause: () => Promise<unknown>,
): Promise<string> {
  let text = before;
  // What stands higher goes first, so that nothing comes under a heading that is made for another.
  let waiting = parcels.toSorted((a, b) => a.path.length - b.path.length);
  while (waiting.length > 0) {
    const opened = openNote(target, text, context.settings);
    const made = new Set<string>();
    const placed: Parcel[] = [];
    const later: Parcel[] = [];
    for (const [count, parcel] of waiting.entries()) {
      if (count % PORTION === PORTION - 1) await pause();
      const missing = firstMissing(opened, parcel.path);
      if (missing !== null && made.has(missing)) {
        later.push(parcel);
        continue;
      }
      const refusal = placeOne(opened, parcel.path, parcel.lines, parcel.from, context);
      if (refusal) refuse(parcel, refusal.refused);
      else placed.push(parcel);
      if (missing !== null) made.add(missing);
    }
    await pause();
    const next = applyChanges(text, opened.edits.changes());
    const arrived = itemsIn(next) - opened.structure.items.length;
    const due = placed.reduce((sum, { items }) => sum + items, 0);
    text = arrived === due ? next : oneAfterTheOther(target, text, placed, refuse, context);
    waiting = later;
  }
  return text;
}

/** The same one by one, where something at the place swallows lines: what is swallowed is refused. */
function oneAfterTheOther(
  target: string,
  before: string,
  parcels: readonly Parcel[],
  refuse: (parcel: Parcel, reason: string) => void,
  context: ActionContext,
): string {
  let text = before;
  for (const parcel of parcels) {
    const opened = openNote(target, text, context.settings);
    const refusal = placeOne(opened, parcel.path, parcel.lines, parcel.from, context);
    const next = refusal ? text : applyChanges(text, opened.edits.changes());
    const isWhole = itemsIn(next) - opened.structure.items.length === parcel.items;
    if (refusal || !isWhole) refuse(parcel, (refusal ?? SWALLOWED).refused);
    else text = next;
  }
  return text;
}

const itemsIn = (text: string): number => readFrame(text).structure.items.length;

/** Puts lines under their headings; what goes to an archive without headings stands before the first of others. */
const placeOne = (
  opened: OpenNote,
  path: readonly HeadingStep[],
  lines: readonly string[],
  from: OpenNote | null,
  context: ActionContext,
): Refusal | null =>
  from ? placeUnder(opened, path, withOrigin(opened, path, from, lines, context), 'own') : placeUnder(opened, path, lines);

/** Lines that go to an archive, under one that says where they came from, unless the last there says the same. */
function withOrigin(
  archive: OpenNote,
  path: readonly HeadingStep[],
  from: OpenNote,
  lines: readonly string[],
  { now }: ActionContext,
): readonly string[] {
  if (archive.path === from.path) return lines;
  const origin = fromLine(from.path, now.day);
  const above = wordsAboveLast(archive, path);
  return above !== null && archive.edits.wordsOf(above).trim() === origin ? lines : [origin, '', ...lines];
}

const STOPPED = 'It was stopped, so nothing was changed.';
const IN_NOTE = 'It stands in that note already; name a heading to move it under.';
const SWALLOWED: Refusal = { refused: 'What stands at the end of that place would swallow the task, so nothing was changed.' };

const OTHERWISE: Refusal = { refused: 'Its lines would mean something else where they go, so nothing was changed.' };

/** Whether the lines of an item, moved to the margin, would hold other items, as where a line that only went on with words begins one then. */
function readsOtherwise(opened: OpenNote, item: Item, lines: readonly string[]): boolean {
  if (lines.length === 1) return false;
  const inside = opened.structure.items.filter(({ line }) => line >= item.line && line <= item.lastLine);
  return itemsIn(lines.join('\n')) !== inside.length;
}

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
  if (how === 'archive' && leavesSeal(opened.path, target.path))
    return { refused: 'It stands in a sealed note, and its archive is none: it would be read by everybody. Nothing was changed.' };
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
