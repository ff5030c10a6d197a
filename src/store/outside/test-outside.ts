import { ACTION_DEFAULTS, type ActionContext } from '../../core/task/acts/action-context';
import type { Intention } from '../../core/task/acts/intention';
import { refMaker } from '../../core/task/line/ref';
import { readNote } from '../../core/task/reading/read-note';
import { desk } from '../test-desk';
import { JoinedNotes } from './in-step/joined-notes';
import type { MemoryService } from './memory-service';
import type { OutsideList } from './outside-record';
import { OutsideSync } from './in-step/outside-sync';

/** A list that is followed, as tests have it: its address there is its name. */
export const followed = (name: string): OutsideList => ({
  ...{ name, id: name, title: name, account: { protocol: 'caldav', address: 'https://lists.museum.example/', user: 'ilse', key: 'k' } },
  ...{ token: null, at: null, trouble: null, until: null, told: [], lost: [], problems: [] },
});

/** Notes, outside lists and a service, as they work together; the clock stands where it is put. */
export async function outsideDesk(notes: Record<string, string>, service: MemoryService, clock: { ms: number }) {
  const [main, own] = [desk(notes, () => clock.ms), desk({}, () => clock.ms)];
  await Promise.all([main.ready, own.ready]);
  await own.db.outsideLists.bulkPut(['Team', 'Tasks'].map(followed));
  const makeRef = refMaker(() => false, Math.random);
  const context = (): ActionContext => {
    const minutes = Math.floor(clock.ms / 60_000);
    return { now: { day: Math.floor(minutes / 1440), minute: minutes % 1440 }, settings: ACTION_DEFAULTS, makeRef };
  };
  const begin = (): OutsideSync => {
    const joined = new JoinedNotes(main.store, () => undefined);
    main.store.listen(joined.listener);
    return new OutsideSync({
      store: main.store,
      own: own.store,
      remote: service.remote,
      joined,
      context,
      now: () => clock.ms,
      origin: 'http://localhost:4180',
    });
  };
  let sync = begin();
  const lineOf = async (store: typeof main.store, words: string) => {
    for (const { path, text } of await store.all()) {
      const task = readNote(path, text ?? '').tasks.find((one) => one.text.includes(words));
      if (task) return { path, task };
    }
    return null;
  };
  const act = async (tab: typeof main, words: string, ...intentions: Intention[]): Promise<boolean> => {
    const found = await lineOf(tab.store, words);
    if (!found) return false;
    const ref = { path: found.path, line: found.task.line, expected: found.task.raw };
    const outcome = await tab.actions.actMany([{ ref, intentions }], 'Changed');
    return !('refused' in outcome) && outcome.changed > 0;
  };
  return {
    ...{ main, own, makeRef },
    pass: (isAsked = true) => sync.pass(isAsked),
    /** The page dies, and begins again from what its databases hold. */
    begin: () => void (sync = begin()),
    text: (path: string) => main.store.text(path),
    list: async (name: string) => (await own.store.text(`/outside/${name}.md`)) ?? '',
    records: () => own.db.outsideTasks.toArray(),
    lists: () => own.db.outsideLists.toArray(),
    end: async () => {
      for (const { store, db } of [main, own]) {
        store.close();
        await db.delete();
      }
    },
    /** Does something to the line that holds some words. */
    here: (words: string, ...intentions: Intention[]) => act(main, words, ...intentions),
    inList: (words: string, ...intentions: Intention[]) => act(own, words, ...intentions),
    lineOf: (words: string) => lineOf(main.store, words),
  };
}
