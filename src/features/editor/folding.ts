import { codeFolding, foldEffect, foldedRanges, unfoldEffect } from '@codemirror/language';
import type { EditorState, Extension, StateEffect } from '@codemirror/state';
import type { EditorView } from '@codemirror/view';
import { blockAt, sectionEnd } from '../../core/note/outline-edits';
import type { ReadNote } from '../../core/task/read-note';
import { noteNow, shownNote } from './note-field';

/** What a fold hides, from the end of the line that stays. */
interface Fold {
  from: number;
  to: number;
}

/** The fold of some lines (from 0, both included) under the first of them; null when nothing stands there. */
function foldOf({ doc }: EditorState, first: number, last: number): Fold | null {
  return last > first && last < doc.lines ? { from: doc.line(first + 1).to, to: doc.line(last + 1).to } : null;
}

/** The fold of the item or section that holds a line; null when nothing stands under it. */
function foldAt(state: EditorState, note: ReadNote, line: number): Fold | null {
  const block = blockAt(note, line);
  return block && foldOf(state, block.first, block.last);
}

/** Whether it is folded; a description that is folded alone begins at the same place and does not count. */
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

/** Folds or unfolds the item or section at a line (from 0); whether there was one. */
export function toggleFold(view: EditorView, line: number): boolean {
  const { state } = view;
  const fold = foldAt(state, noteNow(state), line);
  if (!fold) return false;
  view.dispatch({ effects: (isShut(state, fold) ? unfoldEffect : foldEffect).of(fold) });
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

/** The plain text under an item: shown as one line with a sign until it is opened. */
function descriptionFolds(state: EditorState, { structure: { items } }: ReadNote): Fold[] {
  return items.flatMap((item, index) => {
    const inner = items[index + 1];
    const end = inner && inner.line <= item.lastLine ? inner.line - 1 : item.lastLine;
    const fold = item.wordsFrom < 0 ? null : foldOf(state, item.line, end);
    return fold ? [fold] : [];
  });
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
    [...descriptionFolds(state, note), ...keptFolds(state, note, path)].map((fold) => [`${fold.from} ${fold.to}`, fold]),
  );
  return [...found.values()]
    .filter(({ from, to }) => to < end && !(from < head && head <= to))
    .sort((a, b) => a.from - b.from)
    .map((fold) => foldEffect.of(fold));
}

const KEY = 'recado folds';
const MOST_NOTES = 200;

/** Folds are kept per note on this device, by the words of the lines that stay: they move along with them. */
export function keepFolds(state: EditorState, path: string): void {
  // A note that is left before it was read whole was not folded whole either.
  if (isPart(state)) return;
  const lines: string[] = [];
  const note = noteNow(state);
  const ends = new Map(foldables(state, note).map(({ fold }) => [fold.from, fold.to]));
  const { items } = note.structure;
  const withItems = new Set(items.map((item) => item.parent).map((parent) => items[parent]?.line));
  foldedRanges(state).between(0, state.doc.length, (from, to) => {
    const line = state.doc.lineAt(from);
    // A description is folded anyway.
    const bare = items.length > 0 && ends.get(from) === to && !line.text.startsWith('#') && !withItems.has(line.number - 1);
    if (ends.get(from) === to && !bare) lines.push(line.text);
  });
  const kept = readKept();
  delete kept[path];
  if (lines.length > 0) kept[path] = lines;
  localStorage.setItem(KEY, JSON.stringify(Object.fromEntries(Object.entries(kept).slice(-MOST_NOTES))));
}

function keptFolds(state: EditorState, note: ReadNote, path: string): Fold[] {
  const lines = new Set(readKept()[path] ?? []);
  if (lines.size === 0) return [];
  return foldables(state, note)
    .map(({ fold }) => fold)
    .filter((fold) => lines.has(state.doc.lineAt(fold.from).text));
}

function readKept(): Record<string, string[]> {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? '{}') as Record<string, string[]>;
  } catch {
    return {};
  }
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
