import fc from 'fast-check';
import { desk } from '../test-desk';
import { FolderSync } from './folder-sync';
import { InSteps } from './in-step';
import { MemoryFolder } from './memory-folder';
import { ModelWords, movedTo, textsOf } from './model-words';

const PATHS = ['A.md', 'B.md', 'In/C.md', 'In/D.md'] as const;

/** What happens at a desk, or to the folder by hand. */
type Deed =
  | { at: 0 | 1 | 'hand'; do: 'line'; path: number; line: number }
  | { at: 0 | 1 | 'hand'; do: 'remove'; path: number }
  | { at: 0 | 1 | 'hand'; do: 'rename'; path: number; to: number }
  | { at: 0 | 1; do: 'look' }
  | { at: 0 | 1; do: 'glance'; path: number };

const where = fc.constantFrom(0 as const, 1 as const, 'hand' as const);
const place = fc.nat(PATHS.length - 1);
const deed: fc.Arbitrary<Deed> = fc.oneof(
  { weight: 5, arbitrary: fc.record({ at: where, do: fc.constant('line' as const), path: place, line: fc.nat(4) }) },
  { weight: 1, arbitrary: fc.record({ at: where, do: fc.constant('remove' as const), path: place }) },
  { weight: 1, arbitrary: fc.record({ at: where, do: fc.constant('rename' as const), path: place, to: place }) },
  { weight: 3, arbitrary: fc.record({ at: fc.constantFrom(0 as const, 1 as const), do: fc.constant('look' as const) }) },
  { weight: 3, arbitrary: fc.record({ at: fc.constantFrom(0 as const, 1 as const), do: fc.constant('glance' as const), path: place }) },
);

export const deeds = (most: number): fc.Arbitrary<Deed[]> => fc.array(deed, { maxLength: most, size: 'max' });

/**
 * Two desks that share a folder, each edited, renamed and removed from, and the folder by hand: in the end all three hold the same, and no word
 * is lost that nobody removed.
 */
export async function runTwoDesks(all: readonly Deed[]): Promise<void> {
  const folder = new MemoryFolder();
  const desks = await Promise.all([0, 1].map(async () => makeDesk(folder)));
  const words = new ModelWords();
  for (const one of all) {
    if (one.do === 'look') {
      await desks[one.at]?.sync.pass(true);
      continue;
    }
    const path = PATHS[one.path] ?? 'A.md';
    if (one.do === 'glance') {
      await desks[one.at]?.sync.glance([path]);
      continue;
    }
    if (one.at === 'hand') {
      if (one.do === 'line') folder.put(path, words.added(folder.text(path), one.line));
      else if (one.do === 'remove') {
        words.forget(folder.text(path));
        folder.files.delete(path);
      } else if (folder.text(PATHS[one.to] ?? '') === null) folder.rename(path, PATHS[one.to] ?? '');
      continue;
    }
    const { store, actions } = desks[one.at] as Awaited<ReturnType<typeof makeDesk>>;
    const text = await store.text(path);
    if (one.do === 'line') await actions.replace(path, words.added(text, one.line), 'Changed');
    else if (text === null) continue;
    else if (one.do === 'remove') {
      words.forget(text);
      await actions.remove([path], 'Removed');
    } else {
      const to = PATHS[one.to] ?? '';
      if ((await store.text(to)) !== null) continue;
      await actions.step('Moved', () => Promise.resolve(movedTo(path, to, text)));
    }
  }
  // Both look in turn until neither finds anything to do.
  for (let turn = 0; turn < 12; turn++) for (const { sync } of desks) await sync.pass(true);
  const here = await Promise.all(desks.map(async ({ store }) => textsOf(await store.all())));
  const there = Object.fromEntries([...folder.files.keys()].sort().map((path) => [path, folder.text(path)]));
  expect(here[0]).toEqual(there);
  expect(here[1]).toEqual(there);
  expect(words.lostFrom(there)).toEqual([]);
}

async function makeDesk(folder: MemoryFolder) {
  const { store, actions, db, ready } = desk();
  await ready;
  const sync = new FolderSync(store.kept, folder, await InSteps.load(db));
  store.listen({ changed: (changes) => changes.forEach(({ path }) => sync.touched(path)) });
  return { store, actions, sync };
}
