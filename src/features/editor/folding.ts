import { codeFolding, foldEffect, foldedRanges, unfoldEffect } from '@codemirror/language';
import type { EditorState, Extension, StateEffect } from '@codemirror/state';
import type { EditorView } from '@codemirror/view';
import { blockAt, readOutline } from '../../core/note/outline-edits';
import type { ReadNote } from '../../core/task/read-note';
import { noteNow } from './note-field';

/** What a fold hides, from the end of the line that stays. */
interface Fold {
  from: number;
  to: number;
}

/** Whether what stands under the line that ends here is folded. */
export function isFolded(state: EditorState, lineEnd: number): boolean {
  let found = false;
  foldedRanges(state).between(lineEnd, lineEnd, (from) => {
    if (from === lineEnd) found = true;
  });
  return found;
}

/** What folding the item or section at a line (from 0) hides; null when nothing stands under it. */
function foldAt(state: EditorState, line: number): Fold | null {
  const block = blockAt(readOutline(state.doc.toString()), line);
  if (!block || block.last === block.first || block.last >= state.doc.lines) return null;
  return { from: state.doc.line(block.first + 1).to, to: state.doc.line(block.last + 1).to };
}

/** Folds or unfolds the item or section at a line (from 0); whether there was one. */
export function toggleFold(view: EditorView, line: number): boolean {
  const fold = foldAt(view.state, line);
  if (!fold) return false;
  const effect = isFolded(view.state, fold.from) ? unfoldEffect : foldEffect;
  view.dispatch({ effects: effect.of(fold) });
  return true;
}

/** Folds every item and section that holds something, or unfolds everything. */
export function foldAll(view: EditorView, shut: boolean): boolean {
  const { state } = view;
  const effects: StateEffect<Fold>[] = [];
  if (shut) for (const fold of foldsOf(state, noteNow(state))) effects.push(foldEffect.of(fold));
  else foldedRanges(state).between(0, state.doc.length, (from, to) => void effects.push(unfoldEffect.of({ from, to })));
  if (effects.length > 0) view.dispatch({ effects });
  return true;
}

/** Opens the levels of an outline down to one (1 shows the outermost items alone) and folds what is below it; headings stay open. */
export function foldToLevel(view: EditorView, level: number): boolean {
  const { state } = view;
  const effects: StateEffect<Fold>[] = [];
  foldedRanges(state).between(0, state.doc.length, (from, to) => void effects.push(unfoldEffect.of({ from, to })));
  for (const item of noteNow(state).structure.items) {
    if (item.depth !== level - 1 || item.lastLine <= item.line || item.lastLine >= state.doc.lines) continue;
    effects.push(foldEffect.of({ from: state.doc.line(item.line + 1).to, to: state.doc.line(item.lastLine + 1).to }));
  }
  view.dispatch({ effects });
  return true;
}

function foldsOf(state: EditorState, note: ReadNote): Fold[] {
  const ends = [
    ...note.structure.items.filter((item) => item.depth === 0).map((item) => [item.line, item.lastLine] as const),
    ...note.structure.headings
      .filter((heading) => heading.topLevel)
      .map((heading) => [heading.line, sectionEnd(note, heading.line, heading.level)] as const),
  ];
  return ends
    .filter(([first, last]) => last > first && last < state.doc.lines)
    .map(([first, last]) => ({ from: state.doc.line(first + 1).to, to: state.doc.line(last + 1).to }));
}

function sectionEnd(note: ReadNote, line: number, level: number): number {
  const next = note.structure.headings.find((one) => one.topLevel && one.line > line && one.level <= level);
  return (next?.line ?? note.lines.starts.length) - 1;
}

/** The plain text under an item: shown as one line with a sign until it is opened. */
export function foldDescriptions(view: EditorView): void {
  const { state } = view;
  const { items } = noteNow(state).structure;
  const effects: StateEffect<Fold>[] = [];
  for (const [index, item] of items.entries()) {
    const inner = items[index + 1];
    const end = inner && inner.line <= item.lastLine ? inner.line - 1 : item.lastLine;
    if (end <= item.line || end >= state.doc.lines || item.wordsFrom < 0) continue;
    effects.push(foldEffect.of({ from: state.doc.line(item.line + 1).to, to: state.doc.line(end + 1).to }));
  }
  if (effects.length > 0) view.dispatch({ effects });
}

/** What can be folded in a note: for the end of each line that stays, where its fold ends. */
function foldEnds(state: EditorState): Map<number, number> {
  const note = noteNow(state);
  const ends = new Map<number, number>();
  const add = (first: number, last: number): void => {
    if (last > first && last < state.doc.lines) ends.set(state.doc.line(first + 1).to, state.doc.line(last + 1).to);
  };
  for (const heading of note.structure.headings) if (heading.topLevel) add(heading.line, sectionEnd(note, heading.line, heading.level));
  for (const item of note.structure.items) add(item.line, item.lastLine);
  return ends;
}

const KEY = 'recado folds';
const MOST_NOTES = 200;

/** Folds are kept per note on this device, by the words of the lines that stay: they move along with them. */
export function keepFolds(state: EditorState, path: string): void {
  const lines: string[] = [];
  const ends = foldEnds(state);
  const { items } = noteNow(state).structure;
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

export function restoreFolds(view: EditorView, path: string): void {
  const lines = new Set(readKept()[path] ?? []);
  if (lines.size === 0) return;
  const effects: StateEffect<Fold>[] = [];
  for (const [from, to] of foldEnds(view.state)) if (lines.has(view.state.doc.lineAt(from).text)) effects.push(foldEffect.of({ from, to }));
  if (effects.length > 0) view.dispatch({ effects });
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
