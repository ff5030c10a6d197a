import 'fake-indexeddb/auto';
import { madeUpTime, pass, tabs, text, texts, until } from '../test-desk';
import { TYPING } from '../notes/origin';

const PATH = 'Journal/2026-11-23.md';
const OTHER = 'Journal/2026-11-23 (other text).md';

describe('two who write one note', () => {
  madeUpTime();
  const pause = () => pass(2300);

  it('on different lines come to one text with all that was typed in either', async () => {
    const [a, b] = await tabs({ [PATH]: 'one\ntwo\nthree\nfour' }, 'a', 'b');
    if (!a || !b) throw new Error('two tabs');
    const [here, there] = [await a.edit(PATH), await b.edit(PATH)];
    for (let round = 0; round < 6; round++) {
      here.type(String(round), 0);
      there.type(String(round), 3);
      await Promise.all([here.text.save(), there.text.save()]);
    }
    await until(() => here.surface.text() === there.surface.text(), 'equal editors');
    expect(here.surface.text()).toBe('one012345\ntwo\nthree\nfour012345');
    await Promise.all([here.leave(), there.leave()]);
    expect(await texts(a.store)).toEqual({ [PATH]: 'one012345\ntwo\nthree\nfour012345' });
  });

  it('in one line: the note keeps who was first, the other text has the other, and both editors come to be equal', async () => {
    const [a, b] = await tabs({ [PATH]: 'one\ntwo' }, 'a', 'b');
    if (!a || !b) throw new Error('two tabs');
    const [here, there] = [await a.edit(PATH), await b.edit(PATH)];
    const typed: string[] = [];
    for (let round = 0; round < 5; round++) {
      here.type(` a${round}.`, 0);
      there.type(` b${round}.`, 0);
      typed.push(`a${round}.`, `b${round}.`);
      await Promise.all([here.text.save(), there.text.save()]);
    }
    await pause();
    await until(() => here.surface.text() === there.surface.text(), 'equal editors');
    const all = await texts(a.store);
    expect(Object.keys(all).sort()).toEqual([OTHER, PATH].sort());
    const words = Object.values(all).join(' ');
    for (const word of typed) expect(words).toContain(word);
    expect(a.apart.length + b.apart.length).toBe(1);
  });

  it('three of them share one other text, and no word is lost', async () => {
    const all = await tabs({ [PATH]: 'one\ntwo' }, 'a', 'b', 'c');
    const editing = await Promise.all(all.map((tab) => tab.edit(PATH)));
    const typed: string[] = [];
    for (let round = 0; round < 8; round++) {
      for (const [index, one] of editing.entries()) {
        const word = ` ${'abc'[index]}${round}.`;
        one.type(word, round % 2);
        typed.push(word.trim());
        if ((round + index) % 3 === 0) await one.text.save();
      }
    }
    await Promise.all(editing.map((one) => one.text.save()));
    await pause();
    await until(() => new Set(editing.map((one) => one.surface.text())).size === 1, 'equal editors');
    const notes = await texts(all[0]!.store);
    expect(Object.keys(notes)).toHaveLength(2);
    const words = Object.values(notes).join(' ');
    expect(typed.filter((word) => !words.includes(word))).toEqual([]);
  });

  it('nobody’s text changes under the writing hands', async () => {
    const [a, b] = await tabs({ [PATH]: 'one' }, 'a', 'b');
    if (!a || !b) throw new Error('two tabs');
    const [here, there] = [await a.edit(PATH), await b.edit(PATH)];
    here.type(' mine', 0);
    there.type(' theirs', 0);
    await here.text.save();
    await there.text.save();
    expect(there.surface.text()).toBe('one theirs');
    there.type(', still', 0);
    await there.text.save();
    expect(there.surface.text()).toBe('one theirs, still');
    expect(await texts(a.store)).toEqual({ [PATH]: 'one mine', [OTHER]: 'one theirs, still' });
  });

  it('a note moved in one tab is followed by the other with its words', async () => {
    const [a, b] = await tabs({ [PATH]: 'one' }, 'a', 'b');
    if (!a || !b) throw new Error('two tabs');
    const there = await b.edit(PATH);
    there.type(' two');
    await a.actions.rename(PATH, 'Minutes');
    there.type(' three');
    await there.text.save();
    there.type(' four');
    await there.leave();
    expect(await texts(a.store)).toEqual({ 'Journal/Minutes.md': 'one two three four' });
  });

  it('a note deleted in one tab leaves the other’s words in a second text', async () => {
    const [a, b] = await tabs({ [PATH]: 'one' }, 'a', 'b');
    if (!a || !b) throw new Error('two tabs');
    const there = await b.edit(PATH);
    there.type(' two');
    await a.actions.remove([PATH], 'Deleted');
    await there.leave();
    expect(await texts(a.store)).toEqual({ [OTHER]: 'one two' });
  });

  it('what is written between the reading of a note and its opening is shown, and grows on', async () => {
    const [a, b] = await tabs({ [PATH]: 'one\ntwo' }, 'a', 'b');
    if (!a || !b) throw new Error('two tabs');
    const change = () => a.store.commit(TYPING, [{ path: PATH, expect: text('one\ntwo'), content: text('one, elsewhere\ntwo') }]);
    const there = await b.edit(PATH, change);
    await until(() => there.surface.text() === 'one, elsewhere\ntwo', 'shown');
    there.type(' more');
    await there.leave();
    expect(await texts(a.store)).toEqual({ [PATH]: 'one, elsewhere\ntwo more' });
  });

  it('what this tab does while it looks for what another did is not taken back', async () => {
    const [a, b] = await tabs({ [PATH]: 'one\n\ntwo\n\nthree' }, 'a', 'b');
    if (!a || !b) throw new Error('two tabs');
    const there = await b.edit(PATH);
    await there.text.save();
    const commit = b.store.commit.bind(b.store);
    const elsewhere = jest.spyOn(b.store, 'commit').mockImplementationOnce(async (origin, writes) => {
      const result = await commit(origin, writes);
      const present = await a.store.text(PATH);
      await commit(TYPING, [{ path: PATH, expect: text(present ?? ''), content: text(`${present}, heard`) }]);
      return result;
    });
    const read = b.store.text.bind(b.store);
    // An action of this tab falls between the reading and its being taken in.
    const act = async (present: string | null): Promise<void> => {
      const next = (present ?? '').replace('two', 'two, acted');
      if (next !== present) await commit(TYPING, [{ path: PATH, expect: text(present ?? ''), content: text(next) }]);
    };
    jest.spyOn(b.store, 'text').mockImplementation(async (path) => {
      const present = await read(path);
      await act(present);
      return present;
    });
    const get = b.store.get.bind(b.store);
    let reads = 0;
    jest.spyOn(b.store, 'get').mockImplementation(async (path) => {
      const note = await get(path);
      if (elsewhere.mock.calls.length > 0 && reads++ === 0) await act(note?.text ?? null);
      return note;
    });
    there.type(' mine', 0);
    await there.text.save();
    const stored = 'one mine\n\ntwo, acted\n\nthree, heard';
    await until(() => there.surface.text() === stored, 'all of it shown');
    await there.leave();
    expect(await texts(a.store)).toEqual({ [PATH]: stored });
  });
});
