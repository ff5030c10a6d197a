import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { recoverDrafts } from './texts/recover-drafts';
import { Faults } from './test-faults';
import { type TestEditor, madeUpTime, memoryStorage, tabOn, text, texts, until } from './test-desk';
import { TYPING, command } from './notes/origin';

const PATH = 'Loans.md';
let count = 0;
/** What a page that is gone waits for. */
const never = (): Promise<never> => new Promise(() => undefined);

/** A desk of one note on which things go wrong; its tab can close without a word, and be opened again. */
async function faultyDesk(first: string) {
  const faults = new Faults();
  const name = `faults-${process.pid}-${count++}`;
  const storage = memoryStorage();
  let tabNumber = 0;
  let tab = tabOn(name, 'tab-0', storage, faults);
  await tab.store.commit(TYPING, [{ path: PATH, expect: null, content: text(first) }]);
  let editing: TestEditor = await tab.edit(PATH);
  /** Nothing of a page that is gone goes on, not even what it would try again. */
  const close = (): void => {
    Object.assign(tab.store, { commit: never, get: never, reopen: never });
    tab.store.close();
  };
  return {
    faults,
    tab: () => tab,
    editing: () => editing,
    close,
    /** The tab closes in the middle of everything, and the program is started anew. */
    crash: async () => {
      close();
      tabNumber++;
      tab = tabOn(name, `tab-${tabNumber}`, storage, faults);
      await recoverDrafts(tab.openTexts, (one) => one === `tab-${tabNumber}`);
      editing = await tab.edit(PATH);
    },
  };
}

const words = async (store: Parameters<typeof texts>[0]): Promise<string> => Object.values(await texts(store)).join('\n');

madeUpTime();

describe('a desk on which things go wrong', () => {
  it('a write that fails leaves all notes of its step as they were, and no step', async () => {
    const { faults, tab } = await faultyDesk('one');
    const { store } = tab();
    for (const which of [1, 2, 3]) {
      // The first write of the transaction fails, the second, or the step itself.
      faults.failing = 0;
      const before = await store.db.steps.toArray();
      const writes = [
        { path: PATH, expect: text('one'), content: text('two') },
        { path: `New ${which}.md`, expect: null, content: text('new') },
      ];
      const mutate = jest.spyOn(faults as unknown as { takesWrite: () => boolean }, 'takesWrite');
      let writesSeen = 0;
      mutate.mockImplementation(() => ++writesSeen === which);
      await expect(store.commit(command('Two'), writes)).rejects.toMatchObject({
        name: expect.stringMatching(/Quota|Abort|Bulk/) as string,
      });
      mutate.mockRestore();
      expect(await texts(store)).toEqual({ [PATH]: 'one' });
      expect(await store.db.steps.toArray()).toEqual(before);
    }
  });

  it('a value that cannot be stored stays what it was', async () => {
    const { faults, tab } = await faultyDesk('one');
    await tab().store.setValue('settings', 'before');
    faults.failing = 1;
    await expect(tab().store.setValue('settings', 'after')).rejects.toThrow();
    expect(await tab().store.value('settings')).toBe('before');
  });

  const ACT = fc.constantFrom('type', 'type', 'save', 'tick', 'full', 'room', 'listener', 'crash' as const);

  it('whatever goes wrong in whatever order, no typed word is lost, and all is saved when there is room again', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(ACT, { minLength: 4, maxLength: 24 }), async (acts) => {
        const here = await faultyDesk('- [ ] crate\n- [ ] lamp\nwords');
        const typed: string[] = [];
        for (const [index, one] of acts.entries()) {
          const { actions, store } = here.tab();
          switch (one) {
            case 'type': {
              const word = `w${index}x`;
              here.editing().type(` ${word}`, 2);
              typed.push(word);
              break;
            }
            case 'save':
              await here.editing().text.save();
              break;
            case 'tick':
              await actions.act({ path: PATH, line: 1, expected: '- [ ] lamp' }, { do: 'status', status: 'done' }, 'Done');
              break;
            case 'full':
              here.faults.failing += 3;
              break;
            case 'room':
              here.faults.failing = 0;
              break;
            case 'listener':
              here.faults.breakListener(store);
              break;
            case 'crash':
              await here.crash();
              break;
          }
        }
        here.faults.failing = 0;
        const { openTexts, store, states } = here.tab();
        await here.editing().leave();
        await openTexts.saveAll();
        await until(() => states.length === 0 || states.at(-1)?.is === 'saved', 'saved in the end');
        const stored = await words(store);
        expect(typed.filter((word) => !stored.includes(word))).toEqual([]);
        here.close();
      }),
      { numRuns: 60, seed: 20261127 },
    );
  }, 60_000);
});
