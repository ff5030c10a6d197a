import { EditorView } from '@codemirror/view';
import { markedText, testView } from '../test-view';
import { besideTail } from './beside-tail';

/** The text after some words were typed; null where they are typed as ever. */
function typed(marked: string, words: string): string | null {
  const view = testView(marked, besideTail);
  const { from, to } = view.state.selection.main;
  const [handler] = view.state.facet(EditorView.inputHandler);
  const isDone = handler?.(view, from, to, words, () => view.state.update({ changes: { from, to, insert: words } }));
  return isDone ? markedText(view) : null;
}

describe('what is typed beside a tail', () => {
  it.each([
    ['behind it, at the end of the words', '- [ ] Pack it {due 2026-11-27}|', 'now', '- [ ] Pack it now| {due 2026-11-27}'],
    ['before its brace, with the space that it needs', '- [ ] Pack it |{due 2026-11-27}', 'now', '- [ ] Pack it now| {due 2026-11-27}'],
    ['of a key point too', '- Salt |{key}', 'air', '- Salt air| {key}'],
  ])('stands %s', (_, before, words, after) => expect(typed(before, words)).toBe(after));

  it.each([
    ['a space before it', '- [ ] Pack it |{due 2026-11-27}', ' '],
    ['in the words', '- [ ] Pack| it {due 2026-11-27}', 'x'],
    ['in the tail', '- [ ] Pack it {due| 2026-11-27}', 'x'],
    ['before braces that are words', '- [ ] Pack |{it}', 'x'],
    ['in a line that is no item', 'Pack it |{due 2026-11-27}', 'x'],
  ])('is typed as ever: %s', (_, before, words) => expect(typed(before, words)).toBeNull());
});
