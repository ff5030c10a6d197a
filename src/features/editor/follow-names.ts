import { EditorView } from '@codemirror/view';
import { editorContext } from './editor-context';

/** Ctrl+click (⌘ on a Mac) on a tag, person or link goes there. */
export const followNames = EditorView.domEventHandlers({
  mousedown(event, view) {
    if (!(event.ctrlKey || event.metaKey) || !(event.target instanceof HTMLElement)) return false;
    const url = event.target.closest<HTMLElement>('.cm-url')?.dataset['url'];
    if (url !== undefined) {
      event.preventDefault();
      // The other page learns neither who opened it nor from where.
      window.open(url, '_blank', 'noopener,noreferrer');
      return true;
    }
    const name = event.target.closest<HTMLElement>('.cm-name');
    const { name: words, kind } = name?.dataset ?? {};
    if (words === undefined || (kind !== 'note' && kind !== 'tag' && kind !== 'person')) return false;
    event.preventDefault();
    view.state.facet(editorContext).follow({ is: kind, name: words });
    return true;
  },
});
