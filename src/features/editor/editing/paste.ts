import { EditorView } from '@codemirror/view';
import { addressLink } from '../../note/links/address-link';
import { editorContext } from '../reading/editor-context';
import { textWithoutIdentity } from '../../../core/task/writing/write-tail';
import { noteNow } from '../reading/note-field';
import { pastedInto } from './pasted';

/** Longer pastes come as plain text: turning them into Markdown would hold the page up. */
const LONGEST_RICH = 400_000;

/** Rich text that is pasted arrives as Markdown, its bullets as items, an address of this desk as a link; plain text as it is. */
export const pasteRich = EditorView.domEventHandlers({
  cut(_event, view) {
    const { from, to } = view.state.selection.main;
    lastCut = from === to ? null : view.state.sliceDoc(from, to);
    return false;
  },
  paste(event, view) {
    const html = event.clipboardData?.getData('text/html') ?? '';
    const plain = event.clipboardData?.getData('text/plain') ?? '';
    const link = addressLink(plain, location.origin, view.state.facet(editorContext).sharedNames);
    if (link !== null) {
      event.preventDefault();
      view.dispatch(view.state.replaceSelection(link), { userEvent: 'input.paste', scrollIntoView: true });
      return true;
    }
    if (html === '' || html.length > LONGEST_RICH || !/<(?:b|strong|i|em|a|h[1-6]|ul|ol|li|table|blockquote|pre|code)\b/i.test(html))
      return pastePlain(view, plain, event);
    event.preventDefault();
    void import('./rich-to-markdown').then(({ richToMarkdown }) => {
      const words = richToMarkdown(html) || plain;
      view.dispatch(view.state.replaceSelection(words), { userEvent: 'input.paste', scrollIntoView: true });
    });
    return true;
  },
});

/** What was cut last in this tab: where it is pasted it is the same tasks, at another place. */
let lastCut: string | null = null;

/** Longer texts come byte for byte: nobody pastes so many tasks by hand. */
const LONGEST_PLAIN = 200_000;

/** Whether pasted text was put in here, since it had to be another than it is. */
function pastePlain(view: EditorView, plain: string, event: Event): boolean {
  const { state } = view;
  if (plain === '' || plain.length > LONGEST_PLAIN || state.selection.ranges.length > 1) return false;
  const line = state.doc.lineAt(state.selection.main.from);
  const task = noteNow(state).tasks.find((one) => one.line === line.number - 1);
  const before = line.text.slice(0, state.selection.main.from - line.from);
  const isEmpty = task !== undefined && task.text === '' && task.tailFrom >= line.length && /\][ \t]+$/.test(before);
  // What was cut comes back as what it was; what was copied is another task.
  const present = new Set(noteNow(state).tasks.map(({ ref }) => ref));
  const isMoved = lastCut !== null && lastCut === plain.replace(/\r\n?/g, '\n');
  const own = textWithoutIdentity(plain, (ref) => !isMoved || (ref !== undefined && present.has(ref)));
  const words = pastedInto(before, own, isEmpty);
  if (words === plain.replace(/\r\n?/g, '\n')) return false;
  event.preventDefault();
  view.dispatch(state.replaceSelection(words), { userEvent: 'input.paste', scrollIntoView: true });
  return true;
}
