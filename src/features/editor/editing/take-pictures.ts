import { EditorView } from '@codemirror/view';
import { editorContext } from '../reading/editor-context';

/** Whether files that come to the page are pictures, by what they claim before they can be read. */
const holdsPictures = (transfer: DataTransfer | null): boolean =>
  transfer !== null &&
  transfer.items.length > 0 &&
  [...transfer.items].some(({ kind, type }) => kind === 'file' && type.startsWith('image/'));

/** Puts pictures into the text, where they are kept: each on a line of its own, unless the line they come to is empty. */
export async function putPictures(view: EditorView, files: readonly File[], at: number = view.state.selection.main.from): Promise<void> {
  const { keepPictures } = view.state.facet(editorContext);
  if (!keepPictures || files.length === 0) return;
  const written = await keepPictures(files);
  if (written === '') return;
  const { doc } = view.state;
  const place = Math.min(at, doc.length);
  const line = doc.lineAt(place);
  const before = line.text.slice(0, place - line.from);
  // Beneath an item a picture belongs to it, where it stands in as its words do.
  const indent =
    /^\s*(?:[-*+]|\d+[.)])\s+(?:\[.\]\s)?/
      .exec(line.text)?.[0]
      .replace(/\[.\]\s$/, '')
      .replace(/\S/g, ' ') ?? '';
  const isAlone = before.trim() === '';
  const insert = isAlone ? `${written}\n` : `\n${written.replace(/^/gm, indent)}`;
  const from = isAlone ? place : line.to;
  view.dispatch({ changes: { from, insert }, selection: { anchor: from + insert.length }, userEvent: 'input.paste', scrollIntoView: true });
}

/** Pictures that are pasted or dropped are kept, and shown where they came. */
export const takePictures = EditorView.domEventHandlers({
  paste(event, view) {
    const { clipboardData } = event;
    const files = [...(clipboardData?.files ?? [])].filter(({ type }) => type.startsWith('image/'));
    // Rich text that brings its picture along as a file is text.
    if (files.length === 0 || clipboardData?.getData('text/plain') || !view.state.facet(editorContext).keepPictures) return false;
    event.preventDefault();
    void putPictures(view, files);
    return true;
  },
  drop(event, view) {
    if (!holdsPictures(event.dataTransfer) || !view.state.facet(editorContext).keepPictures) return false;
    event.preventDefault();
    const files = [...(event.dataTransfer?.files ?? [])];
    const at = view.posAtCoords({ x: event.clientX, y: event.clientY }) ?? view.state.selection.main.from;
    void putPictures(view, files, at);
    return true;
  },
});
