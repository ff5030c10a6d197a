import type { EditorView } from '@codemirror/view';
import { keysOf } from '../../commands/definitions';
import { commandKeys, shiftItem, writingKeys } from './task-keys';
import { markedText, testView } from '../test-view';

/** What Enter makes of a text; null when it leaves the key to the editor. */
function enter(marked: string): string | null {
  const view = testView(marked);
  const key = writingKeys.find((one) => one.key === 'Enter');
  return key?.run?.(view) ? markedText(view) : null;
}

describe('Enter in a list', () => {
  it.each([
    ['begins the next task', '- [ ] Crates|', '- [ ] Crates\n- [ ] |'],
    ['of a numbered list with the next number', '9) [x] Crates|', '9) [x] Crates\n10) [ ] |'],
    ['under a task of its depth', '- [ ] a\n  - [ ] b|', '- [ ] a\n  - [ ] b\n  - [ ] |'],
    ['in a quote', '> - [ ] a|', '> - [ ] a\n> - [ ] |'],
    ['takes the words behind the cursor along', '- [ ] Crates| and riders', '- [ ] Crates\n- [ ] |and riders'],
    ['leaves the tail with the words before it', '- [ ] Crates| {due 2026-11-27}', '- [ ] Crates {due 2026-11-27}\n- [ ] |'],
    ['ends the list on an empty task', '- [ ] a\n- [ ] |', '- [ ] a\n|'],
    ['ends the list within its quote', '> - [ ] a\n> - [ ] |', '> - [ ] a\n>|'],
    ['a finished task is followed by an open one', '- [x] Crates {done 2026-11-20}|', '- [x] Crates {done 2026-11-20}\n- [ ] |'],
  ])('%s', (_, before, after) => expect(enter(before)).toBe(after));

  it.each([
    ['in plain words', 'Crates|'],
    ['before the box', '|- [ ] Crates'],
    ['in code', '```\n- [ ] Crates|\n```'],
    ['over a selection', '- [ ] |Crates|'],
  ])('is left to the editor %s', (_, before) => {
    const after = enter(before);
    expect(after === null || !after.includes('\n- [ ] |')).toBe(true);
  });
});

describe('Backspace before the words of an item', () => {
  const back = (marked: string): string | null => {
    const view = testView(marked);
    return writingKeys.find((one) => one.key === 'Backspace')?.run?.(view) ? markedText(view) : null;
  };
  it.each([
    ['  - [ ] |words', '  - |words'],
    ['  - |words', '  |words'],
    ['- [x] |', '- |'],
    ['1. [ ] |words', '1. |words'],
    ['- a\n  |words', '- a\n|words'],
  ])('%j → %j', (before, after) => expect(back(before)).toBe(after));

  it.each(['- [ ] w|ords', '|- [ ] words', 'words|', '```\n- [ ] |code\n```', '- [ ]| words', '- [ ] |a|b'])(
    'leaves %j to the editor',
    (marked) => expect(back(marked)).toBeNull(),
  );
});

describe('the level of an item', () => {
  it('goes in and out with what is under it, and elsewhere the key is let go', () => {
    const view = testView('- [ ] a\n- [ ] |b\n  - c');
    expect(shiftItem(view, 'in')).toBe(true);
    expect(view.state.doc.toString()).toBe('- [ ] a\n  - [ ] b\n    - c');
    expect(shiftItem(view, 'out')).toBe(true);
    expect(view.state.doc.toString()).toBe('- [ ] a\n- [ ] b\n  - c');
    // At the margin it stays, and so does the focus.
    expect(shiftItem(view, 'out')).toBe(true);
    expect(view.state.doc.toString()).toBe('- [ ] a\n- [ ] b\n  - c');
    expect(shiftItem(testView('plain|'), 'in')).toBe(false);
  });
});

describe('the keys of the commands of texts', () => {
  const run: string[] = [];
  const bound = (given: Record<string, string>) =>
    new Map(commandKeys(keysOf(given), (_view, id) => run.push(id) > 0).map(({ key, run: act }) => [key, () => act?.({} as EditorView)]));

  it('are those of the settings, with Undo and Redo among them', () => {
    const keys = bound({ 'text-in': 'Alt+ArrowRight', undo: 'F10' });
    expect(keys.has('Tab')).toBe(false);
    keys.get('Alt-ArrowRight')?.();
    keys.get('F10')?.();
    keys.get('Mod-Shift-z')?.();
    expect(run).toEqual(['text-in', 'undo', 'redo']);
    expect(keys.has('Mod-k')).toBe(false);
  });

  it('leave a second key of Redo to the command that has it', () => {
    run.length = 0;
    bound({ 'text-fold-all': 'Mod+Shift+z' }).get('Mod-Shift-z')?.();
    expect(run).toEqual(['text-fold-all']);
  });

  it('never fall through to what the editor or the page would make of them', () => {
    const bindings = commandKeys(keysOf({}), () => false);
    const fallen = bindings.filter(({ run: act }) => !act?.({} as EditorView)).map(({ key }) => key);
    expect(bindings.length).toBeGreaterThan(20);
    expect(fallen).toEqual([]);
  });

  it('a command without a key has none', () => {
    expect(bound({ 'text-fold': '' }).has('Mod-Shift-f')).toBe(false);
  });
});
