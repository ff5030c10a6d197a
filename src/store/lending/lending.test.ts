import fc from 'fast-check';
import * as Y from 'yjs';
import { desk, until } from '../test-desk';
import { TYPING } from '../notes/origin';
import { Borrower, MemoryLending, keeperOf, lendPart } from './test-lending';
import { writeInto } from './write-into';
import { runs } from '../../core/testing/test-runs';

const NOTE = '# Loan\n- [ ] Lens {ref l3ns00; needs p4p3rs}\n  - [ ] Pack it\n- [ ] Papers {ref p4p3rs}\n# Secret\nWords\n';
const PATH = 'Loans.md';

async function setUp(kind: 'item' | 'section' | 'note' = 'item') {
  const { store } = desk();
  await store.commit(TYPING, [{ path: PATH, expect: null, content: { text: NOTE } }]);
  const lending = new MemoryLending();
  const line = kind === 'item' ? 1 : 0;
  await lendPart(store, 'lens', PATH, line, kind, kind === 'item' ? 'l3ns00' : null);
  const kept = keeperOf(store, lending);
  await kept.keeper.look();
  await kept.settle();
  const lars = new Borrower(lending, 'lens', 'Lars').come();
  const text = async () => (await store.text(PATH)) ?? '';
  const write = async (change: (text: string) => string, path = PATH) => {
    const before = (await store.text(path)) ?? '';
    await store.commit(TYPING, [{ path, expect: { text: before }, content: { text: change(before) } }]);
    await kept.settle();
  };
  return { store, lending, kept, lars, text, write };
}

describe('a branch that is lent', () => {
  it('shows its lines without what ties them to others, and takes in what is written there', async () => {
    const { lars, kept, text } = await setUp();
    expect(lars.text).toBe('- [ ] Lens\n  - [ ] Pack it');
    lars.write((words) => words.replace('[ ] Pack', '[x] Pack').concat('\n  - [ ] Insure it'));
    await kept.settle();
    expect(await text()).toBe(NOTE.replace('[ ] Pack it', '[x] Pack it\n  - [ ] Insure it'));
    kept.end();
  });

  it('has what both sides write at once, also in one line', async () => {
    const { lars, kept, text, write } = await setUp();
    kept.away();
    lars.write((words) => words.replace('Pack it', 'Pack it well'));
    await write((words) => words.replace('Pack it', 'Soon pack it').replace('# Loan', '# Loans'));
    kept.back();
    await kept.settle();
    expect(lars.text).toBe('- [ ] Lens\n  - [ ] Soon pack it well');
    expect(await text()).toBe(NOTE.replace('Pack it', 'Soon pack it well').replace('# Loan', '# Loans'));
    kept.end();
  });

  it('is merged at the next opening as one step, that says who and when, and can be taken back', async () => {
    const { lars, kept, text, lending, store } = await setUp();
    kept.end();
    lars.write((words) => words.replace('Pack it', 'Pack it well'), Date.parse('2026-11-29T10:02:00'));
    const next = keeperOf(store, lending);
    await next.keeper.look();
    await next.settle();
    expect(next.problems).toEqual([]);
    expect(await text()).toBe(NOTE.replace('Pack it', 'Pack it well'));
    expect(next.arrived).toEqual([{ who: 'Lars 2026-11-29 10:02', step: expect.any(Number) as number }]);
    expect(await store.steps.undo()).toEqual({ undone: 'Lars 2026-11-29 10:02 in “Lens”' });
    await next.settle();
    expect(lars.text).toBe('- [ ] Lens\n  - [ ] Pack it');
    next.end();
  });

  it('is written once, whenever the page of its owner goes in between', async () => {
    const { lars, kept, text, lending, store, write } = await setUp();
    // The words are stored and on their way, and the answer never comes here.
    kept.away();
    await write((words) => words.replace('Pack it', 'Pack it today'));
    kept.end();
    const next = keeperOf(store, lending);
    await next.keeper.look();
    await next.settle();
    next.end();
    const last = keeperOf(store, lending);
    await last.keeper.look();
    await last.settle();
    expect(lars.text).toBe('- [ ] Lens\n  - [ ] Pack it today');
    expect(await text()).toBe(NOTE.replace('Pack it', 'Pack it today'));
    last.end();
  });

  it('follows its item to another note, and says where it is gone', async () => {
    const { lars, kept, store, write } = await setUp();
    const lines = '- [ ] Lens {ref l3ns00; needs p4p3rs}\n  - [ ] Pack it\n';
    const before = await store.text(PATH);
    await store.commit(TYPING, [
      { path: PATH, expect: { text: before ?? '' }, content: { text: NOTE.replace(lines, '') } },
      { path: 'Other.md', expect: null, content: { text: `Before\n\n${lines}` } },
    ]);
    await kept.settle();
    lars.write((words) => words.replace('Pack', 'Wrap'));
    await kept.settle();
    expect(await store.text('Other.md')).toBe(`Before\n\n${lines.replace('Pack', 'Wrap')}`);
    await write(() => 'Before', 'Other.md');
    expect((await store.db.lent.get('lens'))?.trouble).toBe('gone');
    lars.write((words) => words.replace('Wrap', 'Box'));
    await kept.settle();
    await write(() => `Before\n\n${lines}`, 'Other.md');
    expect(await store.db.lent.get('lens')).toMatchObject({ trouble: null, what: { path: 'Other.md' } });
    kept.end();
  });

  it('stays where only its ref was taken off, as by Undo of what marked it; never another item is taken for it', async () => {
    const { lars, kept, store, text, write } = await setUp();
    await write((words) => words.replace('{ref l3ns00; needs p4p3rs}', '{needs p4p3rs}'));
    expect((await store.db.lent.get('lens'))?.trouble).toBeNull();
    lars.write((words) => words.replace('Pack it', 'Pack it well'));
    await kept.settle();
    expect(await text()).toContain('Pack it well');
    await write((words) => words.replace(/- \[ \] Lens.*\n.*\n/, '- [ ] Another\n  - [ ] Secret step\n'));
    expect((await store.db.lent.get('lens'))?.trouble).toBe('gone');
    expect(lars.text).toBe('- [ ] Lens\n  - [ ] Pack it well');
    kept.end();
  });

  it('of a heading is asked about where it is gone and others came', async () => {
    const { kept, store, write } = await setUp('section');
    await write(() => '# A\nnew\n# B\n');
    expect((await store.db.lent.get('lens'))?.trouble).toBe('asks');
    kept.end();
  });

  it('never shows what stood outside of it, while its owner types a fence', async () => {
    const { lars, kept, write } = await setUp('section');
    const seen: string[] = [];
    lars.doc.on('update', () => seen.push(lars.text));
    await write((words) => words.replace('- [ ] Papers', '```\n- [ ] Papers'));
    await write((words) => words.replace('- [ ] Papers {ref p4p3rs}', '- [ ] Papers {ref p4p3rs}\n```'));
    expect(seen.length).toBeGreaterThan(0);
    expect(seen.join('\n')).not.toMatch(/Secret|Words/);
    kept.end();
  });

  it('is called back: what was written last is taken in, then nothing is left there', async () => {
    const { lars, kept, store, lending, text } = await setUp();
    lars.write((words) => words.replace('Pack it', 'Pack it last'));
    await store.db.lent.update('lens', { ended: true });
    await kept.keeper.look();
    expect(await text()).toBe(NOTE.replace('Pack it', 'Pack it last'));
    expect([lending.ended.has('lens'), lending.dropped.has('lens'), await store.db.lent.count()]).toEqual([true, true, 0]);
    kept.end();
  });

  it('that is called back while a last word is on its way has that word', async () => {
    const { lars, kept, store, text, lending } = await setUp();
    kept.away();
    lars.write((words) => words.replace('Pack it', 'Pack it last'));
    await store.db.lent.update('lens', { ended: true });
    await kept.keeper.look();
    expect(await text()).toBe(NOTE.replace('Pack it', 'Pack it last'));
    expect(lending.dropped.has('lens')).toBe(true);
    kept.end();
  });

  it('that has no place any more when it is called back becomes a note, with all that was written there', async () => {
    const { lars, kept, store, write } = await setUp();
    await write(() => 'Nothing of it is left.');
    lars.write((words) => words.replace('Pack it', 'Pack it all the same'));
    await kept.settle();
    await store.db.lent.update('lens', { ended: true });
    await kept.keeper.look();
    expect(kept.beside).toEqual(['Lens (lent).md']);
    expect(await store.text('Lens (lent).md')).toBe('- [ ] Lens\n  - [ ] Pack it all the same');
    expect(await store.db.lent.count()).toBe(0);
    kept.end();
  });

  it('that cannot be taken in now is not let go of by the server', async () => {
    const { lars, kept, store, lending, text } = await setUp();
    lars.write((words) => words.replace('Pack it', 'Pack it last'));
    await store.db.lent.update('lens', { ended: true });
    const commit = jest.spyOn(store, 'commit').mockRejectedValue(new DOMException('full', 'QuotaExceededError'));
    await kept.keeper.look();
    expect([lending.ended.has('lens'), lending.dropped.has('lens')]).toEqual([true, false]);
    commit.mockRestore();
    await kept.keeper.look();
    expect(await text()).toBe(NOTE.replace('Pack it', 'Pack it last'));
    expect(lending.dropped.has('lens')).toBe(true);
    kept.end();
  });

  it('of which the server knows nothing any more is said so, and goes when it is called back', async () => {
    const { store } = desk();
    await store.commit(TYPING, [{ path: PATH, expect: null, content: { text: NOTE } }]);
    await lendPart(store, 'lens', PATH, 1, 'item', 'l3ns00');
    const kept = keeperOf(store, new MemoryLending(), {
      connect: (_branch, _doc, told) => {
        queueMicrotask(told.refused);
        return { leave: () => undefined };
      },
    });
    await kept.keeper.look();
    await until(async () => (await store.db.lent.get('lens'))?.trouble === 'lost', 'lost');
    await store.db.lent.update('lens', { ended: true });
    await kept.keeper.look();
    expect(await store.db.lent.count()).toBe(0);
    expect(await store.text(PATH)).toBe(NOTE);
    kept.end();
  });

  it('brings what a borrower puts beside it into it, and both sides come to rest', async () => {
    const { lars, kept, text } = await setUp();
    lars.write((words) => `${words}\n- [ ] Beside {ref p4p3rs}\n\n`);
    await kept.settle();
    expect(await text()).toBe(NOTE.replace('Pack it\n', 'Pack it\n  - [ ] Beside\n'));
    expect(lars.text.trimEnd()).toBe('- [ ] Lens\n  - [ ] Pack it\n  - [ ] Beside');
    expect(kept.problems).toEqual([]);
    kept.end();
  });
});

describe('writing into a text that others write in', () => {
  it.each([
    ['', 'a'],
    ['a', ''],
    ['a\nb\nc', 'a\nc'],
    ['a\nb\nc', 'a\nb\nx\nc'],
    ['a\nb', 'a\nb\n'],
    ['a\n', 'a'],
    ['a 😀 b\nc', 'a 😁 b\nc'],
    ['x\nx\nx', 'x\nx'],
    ['\n\n', '\n'],
  ])('%j becomes %j', (before, after) => {
    const doc = new Y.Doc();
    const text = doc.getText('text');
    text.insert(0, before);
    writeInto(text, after, null);
    expect(text.toString()).toBe(after);
  });

  it('whatever both are', () => {
    const words = fc
      .array(fc.constantFrom('- [ ] a', '- [x] a', '- [ ] a b', 'b', '', '  - [ ] c'), { maxLength: 6 })
      .map((lines) => lines.join('\n'));
    fc.assert(
      fc.property(words, words, (before, after) => {
        const text = new Y.Doc().getText('text');
        text.insert(0, before);
        writeInto(text, after, null);
        expect(text.toString()).toBe(after);
      }),
      { numRuns: runs(2000) },
    );
  });

  it('leaves what others write in other places', () => {
    const [one, other] = [new Y.Doc(), new Y.Doc()];
    one.getText('text').insert(0, 'alpha\nbeta\ngamma');
    Y.applyUpdate(other, Y.encodeStateAsUpdate(one));
    writeInto(one.getText('text'), 'alpha one\nbeta\ngamma', null);
    writeInto(other.getText('text'), 'alpha\nbeta\ngamma two\nmore', null);
    Y.applyUpdate(one, Y.encodeStateAsUpdate(other));
    expect(one.getText('text').toString()).toBe('alpha one\nbeta\ngamma two\nmore');
  });
});
