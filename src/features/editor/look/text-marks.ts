import { EditorSelection, type EditorState } from '@codemirror/state';
import type { EditorView } from '@codemirror/view';
import { LineKind } from '../../../core/note/blocks/structure';
import { noteNow } from '../reading/note-field';

/** Puts signs such as `**` around what is selected, or takes them away; without a selection around the word. */
export function toggleMark(view: EditorView, sign: string): boolean {
  const { state } = view;
  const change = state.changeByRange((range) => {
    const word = range.empty ? (state.wordAt(range.head) ?? range) : range;
    const { from, to } = word;
    if (stands(sign, signsAround(state, from, to, sign.charAt(0))))
      return {
        changes: [
          { from: from - sign.length, to: from },
          { from: to, to: to + sign.length },
        ],
        range: EditorSelection.range(from - sign.length, to - sign.length),
      };
    return {
      changes: [
        { from, insert: sign },
        { from: to, insert: sign },
      ],
      range: EditorSelection.range(from + sign.length, to + sign.length),
    };
  });
  view.dispatch(state.update(change, { userEvent: 'input.mark', scrollIntoView: true }));
  return true;
}

/** How many of a sign stand on both sides of a range. */
function signsAround(state: EditorState, from: number, to: number, sign: string): number {
  let count = 0;
  while (from > count && state.sliceDoc(from - count - 1, from - count) === sign && state.sliceDoc(to + count, to + count + 1) === sign)
    count++;
  return count;
}

/** Whether a mark is among the signs around words: of three stars one says italic and two say bold. */
function stands(sign: string, count: number): boolean {
  return sign === '*' ? count % 2 === 1 : count >= sign.length;
}

/** Makes the line a heading, each time one level deeper; behind the fourth it is plain again. False where none can stand. */
export function nextHeading(view: EditorView): boolean {
  const { state } = view;
  const line = state.doc.lineAt(state.selection.main.head);
  const { kinds, items } = noteNow(state).structure;
  const at = line.number - 1;
  const kind = kinds[at];
  if (kind !== LineKind.blank && kind !== LineKind.text && kind !== LineKind.heading) return false;
  if (/^\s*>/.test(line.text) || items.some((item) => item.line <= at && at <= item.lastLine)) return false;
  const present = /^(#{1,6})\s+/.exec(line.text);
  const level = present?.[1]?.length ?? 0;
  const insert = level >= 4 ? '' : `${'#'.repeat(level + 1)} `;
  view.dispatch({ changes: { from: line.from, to: line.from + (present?.[0].length ?? 0), insert }, userEvent: 'input.mark' });
  return true;
}

/** A piece of text that is put in; the cursor comes to stand between its two parts. */
export interface Piece {
  before: string;
  behind?: string;
  /** Whether it goes into the line itself, not onto one of its own. */
  isInline?: boolean;
}

/** Puts a piece of text at the cursor, or in the place of what is selected. */
export function insertPiece(view: EditorView, { before, behind = '', isInline = false }: Piece): void {
  const { state } = view;
  const { from, to } = state.selection.main;
  const line = state.doc.lineAt(from);
  const start = (!isInline && line.text.slice(0, from - line.from).trim() !== '' ? '\n' : '') + before;
  view.dispatch({
    changes: { from, to, insert: start + behind },
    selection: { anchor: from + start.length },
    userEvent: 'input.insert',
    scrollIntoView: true,
  });
  view.focus();
}
