import fc from 'fast-check';
import { FolderSync } from '../folder/folder-sync';
import { InSteps } from '../folder/in-step';
import { ModelWords, movedTo, textsOf } from '../folder/model-words';
import { desk } from '../test-desk';
import { DeskFolder } from './desk-folder';
import { KEYS_FILE } from './desk-keys';
import { deskMemory } from './desk-memory';
import { beginKeys, changeKeys, fetchKeys, letOldKeysGo, unlinkDevice } from './device-list';
import { MemoryServer } from './memory-remote';
import { plainSealer } from './plain-sealer';

const PATHS = ['A.md', 'B.md', 'In/C.md', 'In/D.md'] as const;
const DEVICES = [0, 1, 2] as const;

/** What happens on a device, or to the server. */
type Deed =
  | { do: 'line'; at: number; path: number; line: number }
  | { do: 'remove'; at: number; path: number }
  | { do: 'rename'; at: number; path: number; to: number }
  | { do: 'look'; at: number }
  /** Without a network, or with one again. */
  | { do: 'away'; at: number }
  | { do: 'back'; at: number }
  /** The page dies, and begins again from what its database holds. */
  | { do: 'kill'; at: number }
  /** The answer to its next write is lost. */
  | { do: 'unheard'; at: number }
  | { do: 'copy' }
  | { do: 'restore' }
  | { do: 'restart' }
  | { do: 'seal anew' }
  | { do: 'lose'; file: number }
  | { do: 'cut'; file: number }
  /** One file is given in the place of another. */
  | { do: 'swap'; file: number; other: number };

const at = fc.constantFrom(...DEVICES);
const path = fc.nat(PATHS.length - 1);
const a = <T extends string>(word: T) => fc.constant(word);
const deed: fc.Arbitrary<Deed> = fc.oneof(
  { weight: 8, arbitrary: fc.record({ do: a('line'), at, path, line: fc.nat(4) }) },
  { weight: 6, arbitrary: fc.record({ do: a('look'), at }) },
  { weight: 1, arbitrary: fc.record({ do: a('remove'), at, path }) },
  { weight: 1, arbitrary: fc.record({ do: a('rename'), at, path, to: path }) },
  { weight: 1, arbitrary: fc.record({ do: a('away'), at }) },
  { weight: 1, arbitrary: fc.record({ do: a('back'), at }) },
  { weight: 1, arbitrary: fc.record({ do: a('kill'), at }) },
  { weight: 1, arbitrary: fc.record({ do: a('unheard'), at }) },
  ...(['copy', 'restore', 'restart', 'seal anew'] as const).map((word) => ({ weight: 1, arbitrary: fc.record({ do: a(word) }) })),
  ...(['lose', 'cut'] as const).map((word) => ({ weight: 1, arbitrary: fc.record({ do: a(word), file: fc.nat(6) }) })),
  { weight: 1, arbitrary: fc.record({ do: a('swap'), file: fc.nat(6), other: fc.nat(6) }) },
);

export const threeDeeds = (most: number): fc.Arbitrary<Deed[]> => fc.array(deed, { maxLength: most, size: 'max' });

/**
 * Three devices and a server, each edited, renamed and removed from, away and back, killed, and the server put back to old copies, robbed of
 * files and given broken ones: in the end all devices hold the same, and no word is lost that nobody removed.
 */
export async function runThreeDevices(deeds: readonly Deed[]): Promise<void> {
  const server = new MemoryServer();
  await beginKeys(server.remote(), plainSealer, { id: 'd0', name: 'd0', recipient: 'd0', since: 0 });
  const devices = await Promise.all(DEVICES.map((number) => makeDevice(server, `d${number}`)));
  const read = () => fetchKeys(server.remote(), plainSealer, { identity: 'd0' });
  await changeKeys(server.remote(), plainSealer, read, (keys) => ({
    ...keys,
    devices: [0, 1, 2, 3].map((number) => ({ id: `d${number}`, name: '', recipient: `d${number}`, since: 0 })),
  }));
  for (const device of devices) await device.begin();
  const words = new ModelWords();
  for (const one of deeds) {
    if (!('at' in one)) {
      if (one.do === 'copy') server.makeCopy();
      else if (one.do === 'restore') server.restore();
      else if (one.do === 'restart') server.restart();
      else if (one.do === 'seal anew') {
        const { keys } = await read();
        await unlinkDevice(
          server.remote(),
          plainSealer,
          { ...LINKED, identity: 'd0' },
          keys.devices.some(({ id }) => id === 'd3') ? 'd3' : 'none',
        );
      } else {
        const names = server.names().filter((each) => each !== KEYS_FILE);
        const name = names[one.file];
        if (name === undefined) continue;
        if (one.do === 'swap') server.swap(name, names[one.other] ?? name);
        else server[one.do](name);
      }
      continue;
    }
    const device = devices[one.at];
    if (!device) continue;
    const name = 'path' in one ? (PATHS[one.path] ?? 'A.md') : 'A.md';
    const { store, actions } = device;
    if (one.do === 'look') await device.look();
    else if (one.do === 'away' || one.do === 'back') device.isAway = one.do === 'away';
    else if (one.do === 'kill') await device.begin();
    else if (one.do === 'unheard') device.loses = true;
    else {
      const text = await store.text(name);
      if (one.do === 'line') await actions.replace(name, words.added(text, one.line), 'Changed');
      else if (text === null) continue;
      else if (one.do === 'remove') {
        words.forget(text);
        await actions.remove([name], 'Removed');
      } else {
        const to = PATHS[one.to] ?? '';
        if ((await store.text(to)) !== null) continue;
        await actions.step('Moved', () => Promise.resolve(movedTo(name, to, text)));
      }
    }
  }
  for (const device of devices) {
    device.isAway = false;
    device.loses = false;
  }
  for (let turn = 0; turn < 8; turn++) for (const device of devices) await device.look();
  const all = await devices[0]?.store.all();
  // Texts that come to stand beside each other again and again would be no end.
  expect(all?.length ?? 0).toBeLessThan(40);
  const texts = await Promise.all(devices.map(async ({ store }) => textsOf(await store.all())));
  for (const device of devices) await device.end();
  expect(texts[1]).toEqual(texts[0]);
  expect(texts[2]).toEqual(texts[0]);
  expect(words.lostFrom(texts[0] ?? {})).toEqual([]);
}

const LINKED = { server: '', id: '', key: '', recipient: '', name: '' };

async function makeDevice(server: MemoryServer, identity: string) {
  const { store, actions, db, ready } = desk();
  await ready;
  const end = async (): Promise<void> => {
    store.close();
    await db.delete();
  };
  const device = { store, actions, isAway: false, loses: false, begin, look, end };
  let sync: FolderSync | null = null;
  let folder: DeskFolder | null = null;
  const remote = server.remote(
    () => (device.isAway ? 'away' : null),
    () => {
      const { loses } = device;
      device.loses = false;
      return loses;
    },
  );
  store.listen({ changed: (changes) => changes.forEach(({ path: changed }) => sync?.touched(changed)) });
  function begin(): Promise<void> {
    sync = null;
    folder = null;
    return Promise.resolve();
  }
  async function look(): Promise<void> {
    try {
      const steps = await InSteps.load(db, 'desk');
      folder ??= await DeskFolder.open(
        remote,
        plainSealer,
        deskMemory(
          db,
          steps,
          () => Promise.resolve(null),
          (one) => sync?.touched(one),
        ),
        () => fetchKeys(remote, plainSealer, { identity }),
      );
      sync ??= new FolderSync(store.kept, folder, steps);
      await sync.pass(true);
      await folder.flush();
      if (folder.present.identities.length > 1 && (await folder.sealAnew()) === 0)
        await letOldKeysGo(remote, plainSealer, { ...LINKED, identity });
    } catch {
      // Without the server, or with half of an answer: it is tried at the next look.
    }
  }
  return device;
}
