import fc from 'fast-check';
import { applyChanges } from '../../../core/task/writing/edit';
import { EditorSurface } from './editor-surface';
import { watchedView } from '../test-view';
import { runs } from '../../../core/testing/test-runs';

/** An editor, and what it says that is not stored. */
function editor(text: string) {
  const byHand: boolean[] = [];
  const view = watchedView(text, (transaction) => {
    const { docChanged, changes } = transaction;
    byHand.push(surface.watch({ docChanged, changes, transactions: [transaction] }));
  });
  const surface: EditorSurface = new EditorSurface(view);
  const type = (at: number, words: string): void =>
    view.dispatch({ changes: { from: Math.min(at, view.state.doc.length), insert: words } });
  const erase = (from: number, to: number): void => {
    const { length } = view.state.doc;
    view.dispatch({ changes: { from: Math.min(from, to, length), to: Math.min(Math.max(from, to), length) } });
  };
  return { view, surface, type, erase, byHand };
}

describe('an editor as the place where a note is written', () => {
  it('tells what a person changed from what the store brought', () => {
    const { surface, type, byHand } = editor('one\ntwo');
    type(3, '!');
    surface.show('one!\ntwo, elsewhere', true);
    surface.show('one!\ntwo, elsewhere', true);
    expect(byHand).toEqual([true, false]);
    expect(surface.text()).toBe('one!\ntwo, elsewhere');
  });

  it('knows at every moment what differs from the stored text, however typing, saving and news mix', () => {
    type Step = { do: 'type' | 'erase' | 'sent' | 'stored' | 'news'; at: number; to: number; words: string };
    const step = fc.record<Step>({
      do: fc.constantFrom('type', 'type', 'erase', 'sent', 'stored', 'news'),
      at: fc.nat(30),
      to: fc.nat(30),
      words: fc.string({ minLength: 1, maxLength: 4, unit: fc.constantFrom('a', 'b', ' ', '\n') }),
    });
    fc.assert(
      fc.property(fc.array(step, { maxLength: 25 }), (steps) => {
        const { surface, type, erase } = editor('one\ntwo');
        let stored = 'one\ntwo';
        let sent: string | null = null;
        for (const one of steps) {
          if (one.do === 'type') type(one.at, one.words);
          else if (one.do === 'erase') erase(one.at, one.to);
          else if (one.do === 'sent') {
            sent = surface.text();
            surface.sent();
          } else if (one.do === 'stored' && sent !== null) {
            stored = sent;
            sent = null;
            surface.stored();
          } else if (one.do === 'news' && sent === null) {
            // The store holds another text now, of which the editor shows a part.
            stored = `${one.words}${stored}`;
            surface.show(`${one.words}${surface.text()}`, true);
            const before = stored.length;
            surface.differs([{ from: 0, to: before, insert: surface.text() }]);
          }
          expect(applyChanges(stored, surface.unsaved())).toBe(surface.text());
        }
      }),
      { numRuns: runs(300), seed: 20261127 },
    );
  });
});
