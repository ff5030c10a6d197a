import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { mergeTexts } from './merge';
import { mergeForBoth, mergeForTheirs } from './merge';
import { saveText } from './save-text';
import { desk, text, texts } from '../test-desk';
import { TYPING } from '../notes/origin';
import { runs } from '../../core/testing/test-runs';

describe('saving what an editor holds', () => {
  it('merges what changed elsewhere on other lines', async () => {
    const { store, ready } = desk({ 'A.md': 'one\n\ntwo\n' });
    await ready;
    await store.commit(TYPING, [{ path: 'A.md', expect: text('one\n\ntwo\n'), content: text('one\n\ntwo, elsewhere\n') }]);
    expect(await saveText(store, { path: 'A.md', base: 'one\n\ntwo\n', text: 'one, here\n\ntwo\n' })).toEqual({
      is: 'saved',
      text: 'one, here\n\ntwo, elsewhere\n',
      aside: null,
    });
  });

  it('keeps both texts when the same line changed', async () => {
    const { store, ready } = desk({ 'A.md': 'one\n' });
    await ready;
    await store.commit(TYPING, [{ path: 'A.md', expect: text('one\n'), content: text('theirs\n') }]);
    await saveText(store, { path: 'A.md', base: 'one\n', text: 'mine\n' });
    expect(await texts(store)).toEqual({ 'A.md': 'theirs\n', 'A (other text).md': 'mine\n' });
  });

  it('a merge keeps either side alone, and says when it cannot', () => {
    expect(mergeTexts('a\nb', 'a\nb', 'a\nc')).toBe('a\nc');
    expect(mergeTexts('a\nb', 'x\nb', 'a\nb')).toBe('x\nb');
    expect(mergeTexts('a', 'b', 'c')).toBeNull();
    expect(mergeTexts('a', 'b', 'b')).toBe('b');
  });

  it('a merge keeps changes of lines that stand next to each other', () => {
    expect(mergeTexts('a\nb\nc', 'a1\nb\nc', 'a\nb2\nc')).toBe('a1\nb2\nc');
    expect(mergeTexts('a\nb', 'a1\nb1', 'a\nb2')).toBeNull();
    expect(mergeTexts('a\nb', 'a1\nb1', 'a1\nb')).toBe('a1\nb1');
    // A line that came may belong before or behind: both are kept for a person to choose.
    expect(mergeTexts('a\nb', 'a1\nnew\nb', 'a\nb2')).toBeNull();
  });

  it('whichever lines two change, none twice, all of it is kept', () => {
    const lines = fc.uniqueArray(
      fc.string({ minLength: 1, maxLength: 3 }).filter((line) => !/[\n\r]/.test(line)),
      { minLength: 1, maxLength: 8 },
    );
    fc.assert(
      fc.property(lines, fc.array(fc.constantFrom('mine', 'theirs', 'none'), { minLength: 8, maxLength: 8 }), (base, who) => {
        const changed = (side: string): string => base.map((line, index) => (who[index] === side ? `${line} by ${side}` : line)).join('\n');
        const merged = mergeTexts(base.join('\n'), changed('mine'), changed('theirs'));
        expect(merged?.split('\n')).toEqual(base.map((line, index) => (who[index] === 'none' ? line : `${line} by ${who[index]}`)));
      }),
      { numRuns: runs(300), seed: 20261123 },
    );
  });
});

describe('where two changed the same lines', () => {
  it.each([
    ['a', 'a mine', 'a theirs', 'a theirs', true],
    ['a\nb', 'a mine\nb mine', 'a theirs\nb', 'a theirs\nb', true],
    // A page that comes again goes on with the half that it had saved.
    ['a', 'a one two', 'a one', 'a one two', false],
    // Who wrote less of the same lost nothing.
    ['a', 'a one', 'a one two', 'a one two', false],
    ['a', 'a on', 'a one two', 'a one two', false],
    // A line that one took out and the other wrote on stays, and what was left out is not gone unsaid.
    ['a\nb\nc', 'a\nc', 'a\nb more\nc', 'a\nb more\nc', true],
  ])('%j, %j against %j: theirs stand, and it is known whether mine is lost', (base, mine, theirs, text, lost) => {
    expect(mergeForTheirs(base, mine, theirs)).toEqual({ text, lost });
  });

  it.each([
    ['a', 'a mine', 'a theirs', 'a theirs\na mine'],
    ['a', 'a mine more', 'a theirs\na mine', 'a theirs\na mine more'],
    ['', 'first', 'second', 'second\nfirst'],
    ['a\nb', 'a1\nb', 'a\nb2', 'a1\nb2'],
  ])('%j, %j and %j: no word of either goes', (base, mine, theirs, text) => {
    expect(mergeForBoth(base, mine, theirs)).toBe(text);
  });

  it('whatever two write, every word of both stands in the note or its other text', () => {
    const lines = fc.array(fc.constantFrom('a', 'b', 'c', 'mine1', 'mine2'), { maxLength: 6 });
    fc.assert(
      fc.property(lines, lines, lines, (base, mine, theirs) => {
        const [o, a, b] = [base.join('\n'), mine.map((line) => `${line}m`).join('\n'), theirs.map((line) => `${line}t`).join('\n')];
        const { text, lost } = mergeForTheirs(o, a, b);
        const kept = `${text}\n${lost ? a : ''}`.split('\n');
        for (const line of [...a.split('\n'), ...b.split('\n')]) if (line !== '') expect(kept).toContain(line);
        const both = mergeForBoth(o, a, b).split('\n');
        for (const line of [...a.split('\n'), ...b.split('\n')]) if (line !== '') expect(both).toContain(line);
      }),
      { numRuns: runs(500), seed: 20261127 },
    );
  });
});

describe('two texts of a note', () => {
  const NOTES = { 'A.md': 'one\nmine', 'A (other text).md': 'one\ntheirs' };
  const COMPARED = { text: 'one\nmine', other: 'one\ntheirs' };
  const settle = async (chosen: string, compared = COMPARED) => {
    const { store, actions, ready } = desk(NOTES);
    await ready;
    const result = await actions.settle('A.md', 'A (other text).md', compared, chosen);
    return { store, result, texts: async () => [await store.text('A.md'), await store.text('A (other text).md')] };
  };

  it.each(['one\ntheirs', 'one\nmine', 'one\nmine\ntheirs'])('become the one that is chosen, in one step of Undo: %j', async (chosen) => {
    const { store, result, texts } = await settle(chosen);
    expect(result).toEqual({ done: true, step: expect.any(Number) as number });
    expect(await texts()).toEqual([chosen, null]);
    expect(await store.steps.undo()).toEqual({ undone: 'Chose between two texts: A' });
    expect(await texts()).toEqual(['one\nmine', 'one\ntheirs']);
  });

  it('stay when one of them changed since they were compared', async () => {
    const { result, texts } = await settle('one', { ...COMPARED, other: 'one' });
    expect(result).toHaveProperty('refused');
    expect(await texts()).toEqual(['one\nmine', 'one\ntheirs']);
  });
});
