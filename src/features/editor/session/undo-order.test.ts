import 'fake-indexeddb/auto';
import { history, isolateHistory, redo, undo } from '@codemirror/commands';
import fc from 'fast-check';
import { tabOn } from '../../../store/test-desk';
import { writeNote } from '../../../store/notes/write-note';
import { EditorSurface } from './editor-surface';
import { watchedView } from '../test-view';
import { UndoOrder } from './undo-order';
import { TYPING } from '../../../store/notes/origin';

const HERE = 'Journal/2026-11-23.md';
const THERE = 'Crates.md';
let count = 0;

/** A note in an editor, beside another note. */
async function desk(text: string, there = '- [ ] there') {
  const { store, actions, openTexts } = tabOn(`order-${count++}`);
  await store.commit(TYPING, [
    { path: HERE, expect: null, content: { text } },
    { path: THERE, expect: null, content: { text: there } },
  ]);
  const told: string[] = [];
  const parts: { order?: UndoOrder } = {};
  const view = watchedView(
    text,
    (transaction) => {
      parts.order?.watch(transaction);
      const { docChanged, changes } = transaction;
      if (surface.watch({ docChanged, changes, transactions: [transaction] })) session.typed();
    },
    history(),
  );
  const surface = new EditorSurface(view);
  const session = writeNote(openTexts, HERE, text, surface, () => told.push('removed'));
  const order = new UndoOrder(
    () => session.path,
    view,
    store,
    () => session.settle(),
    {
      undone: (label) => told.push(`undone ${label}`),
      redone: (label) => told.push(`redone ${label}`),
      refused: (reason) => told.push(reason),
    },
  );
  parts.order = order;
  const act = async (path: string, expected: string, label: string) => {
    const at = ((await store.text(path)) ?? '').split('\n').indexOf(expected);
    await actions.act({ path, line: at, expected }, { do: 'raise' }, label);
    await Promise.resolve();
  };
  return {
    store,
    actions,
    view,
    session,
    order,
    told,
    act,
    /** Types words at the end of the text, a while after what was typed before. */
    type: (words: string) => {
      view.dispatch({
        changes: { from: view.state.doc.length, insert: words },
        userEvent: 'input.type',
        annotations: isolateHistory.of('before'),
      });
    },
    undo: async () => {
      const did = order.undo();
      await order.settled();
      return did;
    },
    redo: async () => {
      const did = order.redo();
      await order.settled();
      return did;
    },
    text: () => view.state.doc.toString(),
    stored: async () => {
      await session.save();
      return [(await store.text(HERE)) ?? '', (await store.text(THERE)) ?? ''];
    },
  };
}

describe('undo over typing and actions', () => {
  it('takes back the newest first, wherever it happened, and goes forward again', async () => {
    const { type, act, undo: back, redo: again, stored, told } = await desk('words');
    type(' one');
    await act(THERE, '- [ ] there', 'High: there');
    type(' two');
    expect(await stored()).toEqual(['words one two', '- [ ] there {high}']);
    await back();
    expect(await stored()).toEqual(['words one', '- [ ] there {high}']);
    await back();
    expect(await stored()).toEqual(['words one', '- [ ] there']);
    await back();
    expect(await stored()).toEqual(['words', '- [ ] there']);
    expect(await back()).toBe(false);
    await again();
    await again();
    expect(await stored()).toEqual(['words one', '- [ ] there {high}']);
    await again();
    expect(await stored()).toEqual(['words one two', '- [ ] there {high}']);
    expect(await again()).toBe(false);
    expect(told).toEqual(['undone High: there', 'redone High: there']);
  });

  it('takes an action on several notes back whole', async () => {
    const { actions, undo: back, redo: again, stored } = await desk('- [ ] here\n- [ ] stays', '# Crates\n');
    await actions.act({ path: HERE, line: 0, expected: '- [ ] here' }, { do: 'move', to: 'Crates' }, 'Moved: here');
    const moved = await stored();
    expect(moved[0]).toBe('- [ ] stays');
    expect(moved[1]).toContain('- [ ] here');
    await back();
    expect(await stored()).toEqual(['- [ ] here\n- [ ] stays', '# Crates\n']);
    await again();
    expect(await stored()).toEqual(moved);
  });

  it('knows what the editor did itself and saved as a step', async () => {
    const { view, session, order, store, undo: back, stored, told } = await desk('- [ ] here');
    view.dispatch({ changes: { from: 3, to: 4, insert: 'x' } });
    order.savesStep();
    await session.save('Done: here');
    await back();
    expect(await stored()).toEqual(['- [ ] here', '- [ ] there']);
    expect(told).toEqual(['undone Done: here']);
    expect(await store.steps.undo()).toBeNull();
  });

  it('passes over a step that was taken back by another way', async () => {
    const { act, type, store, undo: back, stored } = await desk('words');
    type(' one');
    await act(THERE, '- [ ] there', 'High: there');
    await store.steps.undo();
    await back();
    await back();
    expect(await stored()).toEqual(['words', '- [ ] there']);
  });

  it('says why a step stays, and leaves both notes as they are', async () => {
    const { actions, store, undo: back, stored, told } = await desk('- [ ] here\n- [ ] stays', '# Crates\n');
    await actions.act({ path: HERE, line: 0, expected: '- [ ] here' }, { do: 'move', to: 'Crates' }, 'Moved: here');
    const moved = (await store.text(THERE)) ?? '';
    await store.commit(TYPING, [{ path: THERE, expect: { text: moved }, content: { text: moved.replace('[ ] here', '[x] here') } }]);
    const before = await stored();
    await back();
    expect(told).toEqual(['“Moved: here” cannot be undone: “Crates” was changed at the same place since.']);
    expect(await stored()).toEqual(before);
    expect(before[0]).toBe('- [ ] stays');
  });

  it('what is typed anew ends what could be done again', async () => {
    const { act, type, undo: back, redo: again, stored } = await desk('words');
    await act(THERE, '- [ ] there', 'High: there');
    await back();
    type(' new');
    expect(await again()).toBe(false);
    expect(await stored()).toEqual(['words new', '- [ ] there']);
  });

  it('follows the editor’s own undo, as a menu of the system calls it', async () => {
    const { view, type, act, undo: back, stored } = await desk('words');
    type(' one');
    type(' two');
    undo(view);
    redo(view);
    await act(THERE, '- [ ] there', 'High: there');
    undo(view);
    await back();
    expect(await stored()).toEqual(['words one', '- [ ] there']);
    await back();
    expect(await stored()).toEqual(['words', '- [ ] there']);
    expect(await back()).toBe(false);
  });

  it('any sequence, taken back, gives the bytes of the beginning, and done again those of the end', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(fc.constantFrom('type', 'here', 'there', 'save', 'move'), { maxLength: 8 }), async (happenings) => {
        const begin = ['- [ ] one\n- [ ] two\nwords', '- [ ] there'];
        const all = await desk(begin[0] ?? '', begin[1]);
        for (const one of happenings) {
          if (one === 'type') all.type(` w${all.text().length}`);
          else if (one === 'save') await all.session.save();
          else {
            const path = one === 'there' ? THERE : HERE;
            const lines = ((await all.store.text(path)) ?? '').split('\n');
            const expected = lines.find((line) => line.startsWith('- [ ] '));
            if (expected === undefined) continue;
            await all.session.save();
            const ref = { path, line: lines.indexOf(expected), expected };
            if (one === 'move') await all.actions.act(ref, { do: 'move', to: 'Crates' }, 'move');
            else await all.actions.act(ref, { do: 'raise' }, one);
            await Promise.resolve();
          }
        }
        const end = await all.stored();
        let steps = 0;
        while (steps < 20 && (await all.undo())) steps++;
        expect(all.told.filter((words) => !/^(?:un|re)done /.test(words))).toEqual([]);
        expect(await all.stored()).toEqual(begin);
        while (steps > -20 && (await all.redo())) steps--;
        expect(await all.stored()).toEqual(end);
        expect(steps).toBe(0);
        await all.session.end();
        all.order.destroy();
      }),
      { numRuns: 40, seed: 20261126, endOnFailure: true },
    );
  }, 60_000);
});
