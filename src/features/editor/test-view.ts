import { EditorState, type Extension, Transaction, type TransactionSpec } from '@codemirror/state';
import type { EditorView } from '@codemirror/view';
import { noteField, notePath } from './reading/note-field';

/**
 * An editor without a page, for tests of what commands do to the text.
 *
 * @param marked the text; `|` is the cursor, two of them a selection
 */
export const testView = (marked: string, ...more: Extension[]): EditorView => watchedView(marked, () => undefined, ...more);

/** The same, with a call for each transaction after it. */
export function watchedView(marked: string, watch: (transaction: Transaction) => void, ...more: Extension[]): EditorView {
  const [anchor = 0, head] = [...marked.matchAll(/\|/g)].map((found, index) => found.index - index);
  let state = EditorState.create({
    doc: marked.replaceAll('|', ''),
    selection: { anchor, head: head ?? anchor },
    extensions: [notePath.of('Test.md'), noteField, ...more],
  });
  const view = {
    get state() {
      return state;
    },
    dispatch(...specs: TransactionSpec[]) {
      const [first] = specs;
      const transaction = first instanceof Transaction ? first : state.update(...specs);
      state = transaction.state;
      watch(transaction);
    },
    focus: () => undefined,
  };
  return view as unknown as EditorView;
}

/** The text, with the cursor or the two ends of the selection as `|`. */
export function markedText({ state }: EditorView): string {
  const { from, to, empty } = state.selection.main;
  const text = state.doc.toString();
  return `${text.slice(0, from)}|${empty ? '' : `${text.slice(from, to)}|`}${text.slice(to)}`;
}
