import { codeFolding, foldEffect, foldedRanges, unfoldEffect } from '@codemirror/language';
import type { EditorState, Extension, StateEffect } from '@codemirror/state';
import type { EditorView } from '@codemirror/view';
import { blockAt, sectionEnd } from '../../../core/note/outline/outline-edits';
import { LineKind } from '../../../core/note/blocks/structure';
import type { ReadNote } from '../../../core/task/reading/read-note';
import { foldLinesOf, keepFoldsOf } from './kept-folds';
import { noteNow, shownNote } from '../reading/note-field';

/** What a fold hides, from the end of the line that stays. */
interface Fold {
  from: number;
  to: number;
}

/** The fold of some lines (from 0, both included) under the first of them; null when nothing stands there. */
function foldOf({ doc }: EditorState, first: number, last: number): Fold | null {
  return last > first && last < doc.lines ? { from: doc.line(first + 1).to, to: doc.line(last + 1).to } : null;
}

/**
 * What folding at a line (from 0) hides: in a description longer than a line the lines behind its first, else what stands under
 * the item or section that holds the line; null when nothing does.
 */
function foldAt(state: EditorState, note: ReadNote, line: number): Fold | null {
  const block = blockAt(note, line);
  if (!block) return null;
  const item = line > block.first ? note.structure.items.findIndex((one) => one.line === block.first) : -1;
  return (item !== -1 && descriptionFold(state, note, item)) || foldOf(state, block.first, block.last);
}

/** Whether it is folded; others may begin at the same place. */
function isShut(state: EditorState, fold: Fold): boolean {
  let found = false;
  foldedRanges(state).between(fold.from, fold.from, (from, to) => {
    if (from === fold.from && to === fold.to) found = true;
  });
  return found;
}

/** Whether what stands under the item or heading on a line (from 0) is folded. */
export function isFolded(state: EditorState, line: number): boolean {
  const fold = foldAt(state, shownNote(state), line);
  return fold !== null && isShut(state, fold);
}

/** Folds or unfolds what stands at a line (from 0): a description, an item or a section; whether there was one. */
export function toggleFold(view: EditorView, line: number): boolean {
  const { state } = view;
  const fold = foldAt(state, noteNow(state), line);
  if (!fold) return false;
  view.dispatch({ effects: (isShut(state, fold) ? unfoldEffect : foldEffect).of(fold) });
  return true;
}

/**
 * Folds the item or section at a line (from 0) and each one in it, so that opening it shows one level at a time; unfolds all of them
 * where they are folded already. Whether there was one.
 */
export function toggleBranch(view: EditorView, line: number): boolean {
  const { state } = view;
  const note = noteNow(state);
  const block = blockAt(note, line);
  if (!block || block.last >= state.doc.lines) return false;
  const { from } = state.doc.line(block.first + 1);
  const { to } = state.doc.line(block.last + 1);
  const folds = foldables(state, note).flatMap(({ fold }) => (fold.from >= from && fold.to <= to ? [fold] : []));
  const open = folds.filter((fold) => !isShut(state, fold));
  if (folds.length === 0) return false;
  view.dispatch({ effects: open.length > 0 ? open.map((fold) => foldEffect.of(fold)) : folds.map((fold) => unfoldEffect.of(fold)) });
  return true;
}

/** Folds every item and section that holds something, or unfolds everything. */
export function foldAll(view: EditorView, shut: boolean): boolean {
  const outermost = (part: Foldable): boolean => part.is === 'heading' || part.depth === 0;
  view.dispatch({ effects: shut ? foldsOf(view.state, outermost) : unfolds(view.state) });
  return true;
}

/** Opens the levels of an outline down to one (1 shows the outermost items alone) and folds what is below it; headings stay open. */
export function foldToLevel(view: EditorView, level: number): boolean {
  const { state } = view;
  view.dispatch({ effects: [...unfolds(state), ...foldsOf(state, (part) => part.is === 'item' && part.depth === level - 1)] });
  return true;
}

function unfolds(state: EditorState): StateEffect<Fold>[] {
  const effects: StateEffect<Fold>[] = [];
  foldedRanges(state).between(0, state.doc.length, (from, to) => void effects.push(unfoldEffect.of({ from, to })));
  return effects;
}

function foldsOf(state: EditorState, wanted: (part: Foldable) => boolean): StateEffect<Fold>[] {
  return foldables(state, noteNow(state))
    .filter(wanted)
    .map(({ fold }) => foldEffect.of(fold));
}

/** An item or section under which something stands. */
interface Foldable {
  is: 'item' | 'heading';
  /** How many items are around an item; 0 for a heading. */
  depth: number;
  fold: Fold;
}

function foldables(state: EditorState, note: ReadNote): Foldable[] {
  const { headings, items } = note.structure;
  const sections = headings.flatMap((heading): Foldable[] => {
    const fold = heading.topLevel ? foldOf(state, heading.line, sectionEnd(note, heading)) : null;
    return fold ? [{ is: 'heading', depth: 0, fold }] : [];
  });
  const branches = items.flatMap(({ line, lastLine, depth }): Foldable[] => {
    const fold = foldOf(state, line, lastLine);
    return fold ? [{ is: 'item', depth, fold }] : [];
  });
  // Folds can only be put in from the top down.
  return [...sections, ...branches].sort((a, b) => a.fold.from - b.fold.from);
}

/**
 * The plain text under an item (by its index), up to the first item in it, is shown as its first line with a sign for the rest,
 * until it is opened. Null when it is no longer than that, or begins with something else, as code.
 */
function descriptionFold(state: EditorState, { structure: { items, kinds } }: ReadNote, index: number): Fold | null {
  const item = items[index];
  if (!item || item.wordsFrom < 0) return null;
  const inner = items[index + 1];
  let last = inner && inner.line <= item.lastLine ? inner.line - 1 : item.lastLine;
  let first = item.line + 1;
  while (first < last && kinds[first] === LineKind.blank) first++;
  while (last > first && kinds[last] === LineKind.blank) last--;
  return kinds[first] === LineKind.text ? foldOf(state, first, last) : null;
}

/** Whether only the first part of a note was read yet. */
const isPart = (state: EditorState): boolean => shownNote(state).lines.starts.length < state.doc.lines;

/**
 * What is folded when a note is opened: descriptions, and what was left folded the last time. As long as only the first part
 * of a note was read these are the folds that end before it does; the rest comes with another call.
 */
export function openingFolds(state: EditorState, path: string): StateEffect<Fold>[] {
  const note = shownNote(state);
  // What reaches the last line that was read may go on behind it.
  const end = isPart(state) ? state.doc.line(note.lines.starts.length).from - 1 : Infinity;
  const { head } = state.selection.main;
  const found = new Map(
    [...note.structure.items.flatMap((_, item) => descriptionFold(state, note, item) ?? []), ...keptFolds(state, note, path)].map(
      (fold) => [`${fold.from} ${fold.to}`, fold],
    ),
  );
  return [...found.values()]
    .filter(({ from, to }) => to < end && !(from < head && head <= to))
    .sort((a, b) => a.from - b.from)
    .map((fold) => foldEffect.of(fold));
}

/** Folds are kept per note on this device, by the words of the lines that stay: they move along with them. */
export function keepFolds(state: EditorState, path: string): void {
  // A note that is left before it was read whole was not folded whole either.
  if (isPart(state)) return;
  const lines: string[] = [];
  const note = noteNow(state);
  const ends = new Map(foldables(state, note).map(({ fold }) => [fold.from, fold.to]));
  foldedRanges(state).between(0, state.doc.length, (from, to) => {
    // Descriptions are folded anyway.
    if (ends.get(from) === to) lines.push(state.doc.lineAt(from).text);
  });
  keepFoldsOf(path, lines);
}

function keptFolds(state: EditorState, note: ReadNote, path: string): Fold[] {
  const lines = new Set(foldLinesOf(path));
  if (lines.size === 0) return [];
  return foldables(state, note)
    .map(({ fold }) => fold)
    .filter((fold) => lines.has(state.doc.lineAt(fold.from).text));
}

/** Folding, with a sign that says how much is folded; a click opens it. */
export const folding: Extension = codeFolding({
  preparePlaceholder: (state, { from, to }) => state.doc.lineAt(to).number - state.doc.lineAt(from).number,
  placeholderDOM: (_view, onclick, lines: number) => {
    const sign = document.createElement('button');
    sign.type = 'button';
    sign.className = 'cm-folded';
    sign.textContent = `¶ ${lines}`;
    sign.title = 'Open';
    sign.setAttribute('aria-label', `${lines} ${lines === 1 ? 'line' : 'lines'} folded; open`);
    sign.onclick = onclick;
    return sign;
  },
});
