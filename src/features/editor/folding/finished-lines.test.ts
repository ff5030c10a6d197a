import type { EditorView } from '@codemirror/view';
import { finishedLines, hideFinished } from './finished-lines';
import { testView } from '../test-view';

/** The lines that are out of sight, and what stands in their place. */
function hidden(view: EditorView): string[] {
  const { doc } = view.state;
  const found: string[] = [];
  view.state.field(finishedLines).between(0, doc.length, (from, to, { spec }) => {
    const { count } = (spec as { widget: { count: number } }).widget;
    found.push(`${count}: ${doc.sliceString(from, to)}`);
  });
  return found;
}

const shown = (text: string, hides = true): EditorView => testView(text, hideFinished.of(hides), finishedLines);

describe('finished lines out of sight', () => {
  it('go with what is under them, next to one another as one', () => {
    expect(hidden(shown('|- [ ] a\n- [x] b\n  words\n- [x] c\n- [ ] d\n- [-] e\n'))).toEqual([
      '2: - [x] b\n  words\n- [x] c',
      '1: - [-] e',
    ]);
  });

  it('stay while something under them is open', () => {
    expect(hidden(shown('|top\n\n- [x] a\n  - [ ] b\n  - [x] c\n'))).toEqual(['1:   - [x] c']);
  });

  it('stay while the cursor is in them', () => {
    expect(hidden(shown('- [ ] a\n- [x] |b\n- [x] c\n'))).toEqual(['1: - [x] c']);
    const view = shown('|- [ ] a\n- [x] b\n');
    expect(hidden(view)).toEqual(['1: - [x] b']);
    view.dispatch({ selection: { anchor: 10 } });
    expect(hidden(view)).toEqual([]);
  });

  it('follow what is written', () => {
    const view = shown('|- [ ] a\n- [ ] b\n');
    expect(hidden(view)).toEqual([]);
    view.dispatch({ changes: { from: 11, to: 12, insert: 'x' } });
    expect(hidden(view)).toEqual(['1: - [x] b']);
  });

  it('are all in sight without the switch', () => {
    expect(hidden(shown('|- [ ] a\n- [x] b\n', false))).toEqual([]);
  });
});
