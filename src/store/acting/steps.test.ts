import 'fake-indexeddb/auto';
import { RecadoDatabase, type Step } from '../notes/database';
import { NoteStore } from '../notes/note-store';
import { command } from '../notes/origin';

const DAY = 24 * 60 * 60 * 1000;

let time = 0;
const tab = (name: string): NoteStore => new NoteStore(new RecadoDatabase('steps of many tabs'), name, () => time);

const record = (store: NoteStore, count: number): Promise<unknown> =>
  Array.from({ length: count }).reduce<Promise<unknown>>(
    (before, _, index) =>
      before.then(() => store.steps.record(command(`step ${index}`), [{ path: 'A.md', before: null, after: { text: 'a' }, demo: null }])),
    Promise.resolve(),
  );

it('steps of closed tabs are let go of by age and by number, and each tab keeps what it can take back', async () => {
  const first = tab('first');
  await record(first, 205);
  expect(await first.db.steps.where('tab').equals('first').count()).toBe(200);
  // What a tab left a month ago goes as others go on.
  time = 31 * DAY;
  const second = tab('second');
  await record(second, 20);
  expect(await first.db.steps.where('tab').equals('first').count()).toBe(0);
  // Many tabs of today share what is kept.
  for (let index = 0; index < 6; index++) {
    const left = { tab: `other ${index}`, label: 'step', at: time, changes: [], by: 'command' } satisfies Step;
    await second.db.steps.bulkAdd(Array.from({ length: 200 }, () => ({ ...left })));
  }
  await record(second, 20);
  expect(await second.db.steps.count()).toBeLessThanOrEqual(1020);
  expect(await second.db.steps.where('tab').equals('other 5').count()).toBe(200);
  await second.steps.prune();
  expect(await second.db.steps.count()).toBe(1000);
  first.close();
  second.close();
});

it('what else belongs to a step is done when it is taken back, once, and not when it is refused', async () => {
  const store = tab('belongs');
  await store.commit(command('made'), [{ path: 'B.md', expect: null, content: { text: 'b' } }]);
  const made = await store.steps.last();
  const back = jest.fn();
  store.steps.whenTakenBack(made?.id ?? -1, back);
  expect(back).not.toHaveBeenCalled();
  await store.steps.undo();
  expect(back).toHaveBeenCalledTimes(1);
  await store.steps.redo();
  await store.steps.undo();
  expect(back).toHaveBeenCalledTimes(1);
  store.close();
});
