import { diffIndices } from 'node-diff3';
import { lineText } from '../../note/blocks/lines';
import { LineKind, type Item } from '../../note/blocks/structure';
import type { ActionContext } from '../../task/acts/action-context';
import { type OpenNote, type Refusal, itemAt, sharesLine } from '../../task/reading/open-note';
import { OpenNotes, type Shelf } from '../../task/reading/open-notes';
import type { LineRef } from '../../task/writing/edit';
import { linesAt } from '../../task/writing/move-lines';
import { type HeadingStep, placeUnder } from '../../task/writing/place-lines';
import { type CameFrom, readFromLine } from './from-line';

/** What bringing an item back makes of the archive and of the note it came from. */
export type BroughtBack = { files: { path: string; text: string }[]; to: string } | Refusal;

/** Where an item of an archive came from; null where nothing says it. */
export function originOf(archive: OpenNote, item: Item): CameFrom | null {
  const line = originLine(archive, item);
  return line === null ? null : readFromLine(lineText(archive.lines, line));
}

/**
 * Brings an item of an archive back into the note that it came from: where it stood, as far as what stood around it is there still, else
 * at the end of the headings it stood under. What said in the archive where it came from, and headings that hold nothing then, go.
 *
 * @param before what its note said before the item was archived; null where nobody knows
 */
export function bringBack(shelf: Shelf, ref: LineRef, before: string | null, context: ActionContext): BroughtBack {
  const notes = new OpenNotes(shelf, context);
  const archive = notes.open(ref.path);
  if (!archive) return { refused: 'That note is not there, so nothing was changed.' };
  const found = itemAt(archive, ref);
  if ('refused' in found) return found;
  const item = outermostItem(archive, found);
  const origin = originOf(archive, item);
  if (!origin) return { refused: 'Nothing says where this came from; move it to a note instead. Nothing was changed.' };
  const path = shelf.find(origin.path, archive.path);
  const source = path === null ? null : notes.open(path);
  if (!source || source === archive)
    return { refused: `The note “${origin.path}”, where this came from, is not there any more; move it to another. Nothing was changed.` };
  const lines = linesAt(archive, item, '');
  const standing = before === null ? null : standingIn(source, before, lines, context);
  if (standing) source.edits.insertBefore(standing.at, standing.lines);
  else {
    const refusal = placeUnder(source, headingsOver(archive, item), lines);
    if (refusal) return refusal;
  }
  archive.edits.remove(item.line, item.lastLine);
  clearOrigin(archive, item);
  const texts = notes.outcome().files.map(({ path: at, text }) => ({ path: at, text }));
  const back = texts.find((file) => file.path === source.path);
  // The same lines as before are the same bytes, also where the last one has no ending.
  if (back && before !== null && standing?.asBefore) back.text = before;
  return { files: texts, to: source.path };
}

/** The item at the top of its list, with which all of it was archived. */
function outermostItem(archive: OpenNote, item: Item): Item {
  let top = item;
  for (let up = archive.structure.items[top.parent]; up; up = archive.structure.items[up.parent]) top = up;
  return top;
}

/** The line that says where an item came from: the last that is none of a list before it, under the same heading. */
function originLine(archive: OpenNote, item: Item): number | null {
  const tops = archive.structure.items.filter(({ depth }) => depth === 0);
  for (let line = item.line - 1; line >= archive.note.front.lineCount; line--) {
    const around = tops.find((one) => one.line <= line && line <= one.lastLine);
    if (around) line = around.line;
    else if (archive.structure.kinds[line] === LineKind.heading) return null;
    else if (readFromLine(lineText(archive.lines, line))) return line;
  }
  return null;
}

/** The headings that an item of an archive stands under; an archive has no others than those that came with it. */
function headingsOver(archive: OpenNote, item: Item): HeadingStep[] {
  const open: HeadingStep[] = [];
  for (const { line, level, words, topLevel } of archive.structure.headings) {
    if (line > item.line) break;
    if (!topLevel) continue;
    while ((open.at(-1)?.level ?? 0) >= level) open.pop();
    open.push({ words, level });
  }
  return open;
}

/** Where an item stood in what its note said, seen in what it says now; and its lines as they stood there. */
function standingIn(
  source: OpenNote,
  before: string,
  lines: readonly string[],
  { settings }: ActionContext,
): { at: number; lines: string[]; asBefore: boolean } | null {
  const old = openText(before, settings, source.path);
  const words = lines.join('\n');
  const oldLines = allLines(old);
  const present = allLines(source);
  // Lines that stand in both, from the old to the present place.
  const kept = new Map<number, number>();
  let [oldAt, presentAt] = [0, 0];
  const match = (to: number): void => {
    while (oldAt < to) kept.set(oldAt++, presentAt++);
  };
  for (const { buffer1, buffer2 } of diffIndices(oldLines, present)) {
    match(buffer1[0]);
    oldAt = buffer1[0] + buffer1[1];
    presentAt = buffer2[0] + buffer2[1];
  }
  match(oldLines.length);
  // A step goes with its task. Of several that were alike one that is not back yet is meant.
  const items = old.structure.items.filter(
    (one) => !sharesLine(old, one) && (old.taskOn.get(one.line)?.parent ?? -1) === -1 && linesAt(old, one, '').join('\n') === words,
  );
  const item = items.find(({ line }) => !kept.has(line)) ?? items[0];
  if (!item) return null;
  const inside = oldLines.slice(item.line, item.lastLine + 1);
  const at = placeAmong(kept, item, oldLines.length) ?? (present.every((line) => line === '') ? 0 : null);
  if (at === null) return null;
  const whole = [...present.slice(0, at), ...inside, ...present.slice(at)];
  return { at, lines: inside, asBefore: withoutLastBlank(whole) === withoutLastBlank(oldLines) };
}

/** Where lines go between those that stand in both texts: behind the nearest above them, else before the nearest below. */
function placeAmong(kept: ReadonlyMap<number, number>, { line, lastLine }: Item, count: number): number | null {
  for (let above = line - 1; above >= 0; above--) {
    const now = kept.get(above);
    if (now !== undefined) return now + 1;
  }
  for (let below = lastLine + 1; below < count; below++) {
    const now = kept.get(below);
    if (now !== undefined) return now;
  }
  return null;
}

const withoutLastBlank = (lines: readonly string[]): string => lines.join('\n').replace(/\n+$/, '');

function openText(text: string, settings: ActionContext['settings'], path: string): OpenNote {
  const opened = new OpenNotes(
    { text: () => text, find: () => null, isTaken: () => false, holding: () => [] },
    { now: { day: 0, minute: null }, settings, makeRef: () => '' },
  ).open(path);
  if (!opened) throw new Error('a text that is given can be opened');
  return opened;
}

const allLines = ({ lines }: OpenNote): string[] => lines.starts.map((_, line) => lineText(lines, line));

/** Takes away what said where an item came from, and the headings it stood under, as far as nothing else stands there. */
function clearOrigin(archive: OpenNote, item: Item): void {
  const { edits, lines, structure } = archive;
  const gone = new Set<number>();
  for (let line = item.line; line <= item.lastLine; line++) gone.add(line);
  const isEmpty = (line: number): boolean => gone.has(line) || edits.wordsOf(line).trim() === '';
  const origin = originLine(archive, item);
  const take = (line: number): void => {
    gone.add(line);
    edits.remove(line, line);
    // One blank line parted it from what is above it.
    if (line > 0 && !gone.has(line - 1) && edits.wordsOf(line - 1).trim() === '') {
      gone.add(line - 1);
      edits.remove(line - 1, line - 1);
    }
  };
  if (origin === null || !nothingUntil(nextPart(archive, origin), origin + 1, isEmpty)) return;
  for (let line = origin + 1; line < nextPart(archive, origin); line++) {
    if (gone.has(line) || line > item.line) continue;
    gone.add(line);
    edits.remove(line, line);
  }
  take(origin);
  const headings = structure.headings.filter(({ topLevel }) => topLevel);
  for (let at = headings.findLastIndex(({ line }) => line < origin); at >= 0; at--) {
    const heading = headings[at];
    const next = headings.slice(at + 1).find(({ line }) => !gone.has(line));
    if (!heading || !nothingUntil(next?.line ?? lines.starts.length, heading.lastLine + 1, isEmpty)) return;
    // A heading with others below it holds something.
    if (next && next.level > heading.level) return;
    for (let line = heading.lastLine; line > heading.line; line--) take(line);
    take(heading.line);
  }
}

/** The line where what came from one place ends: at the next that says so, at a heading, or with the text. */
function nextPart(archive: OpenNote, origin: number): number {
  for (let line = origin + 1; line < archive.lines.starts.length; line++) {
    const inList = archive.structure.items.some((one) => one.line <= line && line <= one.lastLine);
    if (inList) continue;
    if (archive.structure.kinds[line] === LineKind.heading || readFromLine(lineText(archive.lines, line))) return line;
  }
  return archive.lines.starts.length;
}

function nothingUntil(end: number, from: number, isEmpty: (line: number) => boolean): boolean {
  for (let line = from; line < end; line++) if (!isEmpty(line)) return false;
  return true;
}
