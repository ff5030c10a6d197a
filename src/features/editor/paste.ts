import { EditorView } from '@codemirror/view';

/** Longer pastes come as plain text: turning them into Markdown would hold the page up. */
const LONGEST_RICH = 400_000;

/** Rich text that is pasted arrives as Markdown, its bullets as items; plain text as it is. */
export const pasteRich = EditorView.domEventHandlers({
  paste(event, view) {
    const html = event.clipboardData?.getData('text/html') ?? '';
    const plain = event.clipboardData?.getData('text/plain') ?? '';
    if (html === '' || html.length > LONGEST_RICH || !/<(?:b|strong|i|em|a|h[1-6]|ul|ol|li|table|blockquote|pre|code)\b/i.test(html))
      return false;
    event.preventDefault();
    void import('./rich-to-markdown').then(({ richToMarkdown }) => {
      const words = richToMarkdown(html) || plain;
      view.dispatch(view.state.replaceSelection(words), { userEvent: 'input.paste', scrollIntoView: true });
    });
    return true;
  },
});
