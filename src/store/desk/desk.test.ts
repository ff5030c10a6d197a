import { mkdtempSync, readFileSync, readdirSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { makeApp } from '../../../server/app';
import { FolderSync } from '../folder/folder-sync';
import { keptFiles } from '../pictures/kept-files';
import { addPicture, shownPicture } from '../pictures/picture-store';
import { sealsOf } from '../seal/test-seals';
import { InSteps } from '../folder/in-step';
import { desk } from '../test-desk';
import { ageSealer } from './age-sealer';
import { DeskFailure } from './desk-failure';
import { DeskFolder } from './desk-folder';
import { digestOf, secret } from './desk-keys';
import { deskMemory } from './desk-memory';
import { beginDesk, httpRemote } from './desk-remote';
import { beginKeys, fetchKeys, leaveDevices, letOldKeysGo, unlinkDevice } from './device-list';
import { acceptInvitation, invite, withdrawInvitation } from './invitation';
import type { LinkedDesk } from './linked-desk';
import type { Sealer } from './sealer';

const data = mkdtempSync(path.join(tmpdir(), 'recado-desks-'));
const server = makeApp(data, data).listen(0);
// Sealing holds this thread, the server's too; a connection that rested meanwhile must not end as it is taken up again.
server.keepAliveTimeout = 0;
const origin = `http://localhost:${(server.address() as AddressInfo).port}`;
afterAll(() => {
  server.closeAllConnections();
  return new Promise((resolve) => server.close(resolve));
});

/** As devices seal, with next to no work for whoever tries words: in tests each try would take seconds. */
const sealer: Sealer = { ...ageSealer, sealByWords: (bytes, words) => ageSealer.sealByWords(bytes, words, 4) };

/** A device with a store of its own, linked to a desk by real HTTP and real seals. */
async function device(linked: LinkedDesk) {
  const tab = desk();
  const { store, actions, db, ready } = tab;
  await ready;
  const steps = await InSteps.load(db, 'desk');
  const remote = httpRemote(linked);
  const read = () => fetchKeys(remote, ageSealer, linked);
  const memory = deskMemory(
    db,
    steps,
    () => Promise.resolve(null),
    (one) => sync.touched(one),
  );
  const folder = await DeskFolder.open(remote, ageSealer, memory, read);
  const sync = new FolderSync(keptFiles(store), folder, steps, () => store.opener);
  store.listen({ changed: (changes) => changes.forEach((one) => sync.touched(one.path)) });
  return { tab, store, actions, folder, linked, remote, look: () => sync.pass(true), read };
}

async function firstDevice() {
  const access = { server: origin, id: secret(), key: secret() };
  const made = await ageSealer.newIdentity();
  await beginDesk(access);
  await beginKeys(httpRemote(access), ageSealer, { id: await digestOf(access.key), name: 'Computer', recipient: made.recipient, since: 1 });
  return device({ ...access, ...made, name: 'Computer' });
}

async function linkedTo(other: Awaited<ReturnType<typeof firstDevice>>, name = 'Phone') {
  const { words } = await invite(other.remote, sealer, other.linked);
  const linked = await acceptInvitation(origin, words, name, 2, sealer);
  if ('refused' in linked) throw new Error(linked.refused);
  return device(linked);
}

/** Every byte that the server keeps, as one text. */
const onDisk = (): string =>
  readdirSync(data, { recursive: true, withFileTypes: true })
    .map((entry) => entry.name + (entry.isFile() ? readFileSync(path.join(entry.parentPath, entry.name), 'latin1') : ''))
    .join('\n');

test('two devices share a desk whose server knows no word of it: notes, titles, folders, names of devices', async () => {
  const one = await firstDevice();
  await one.actions.replace('Lighthouse/Lamp room.md', '# Fresnel\n\n- [ ] Polish the lens @lars\n', 'Written');
  await one.look();
  const two = await linkedTo(one, 'Pocketphone');
  await two.look();
  expect(await two.store.text('Lighthouse/Lamp room.md')).toBe('# Fresnel\n\n- [ ] Polish the lens @lars\n');
  await two.actions.replace('Lighthouse/Lamp room.md', '# Fresnel\n\n- [x] Polish the lens @lars\n', 'Done');
  await two.look();
  await one.look();
  expect(await one.store.text('Lighthouse/Lamp room.md')).toContain('[x] Polish');
  const lies = onDisk();
  for (const word of [
    'Fresnel',
    'Lighthouse',
    'Lamp room',
    'Polish',
    'lars',
    'Pocketphone',
    'Computer',
    '.md',
    one.linked.id,
    one.linked.key,
  ])
    expect([word, lies.includes(word)]).toEqual([word, false]);
  const { keys } = await one.read();
  expect(keys.devices.map(({ name }) => name)).toEqual(['Computer', 'Pocketphone']);
});

test('what did not change is neither sealed nor sent again', async () => {
  const one = await firstDevice();
  for (let count = 0; count < 20; count++) await one.actions.replace(`N${count}.md`, `note ${count}`, 'Written');
  await one.look();
  const asked: string[] = [];
  const present = globalThis.fetch;
  globalThis.fetch = (input, init) => {
    asked.push(`${init?.method ?? 'GET'} ${(input as string).replace(/^.*\/desks\/[^/]+/, '')}`);
    return present(input, init);
  };
  try {
    const other = await device(one.linked);
    asked.length = 0;
    await other.look();
    asked.length = 0;
    await other.actions.replace('N3.md', 'changed', 'Changed');
    await other.look();
    expect(asked.filter((each) => each.startsWith('PUT'))).toHaveLength(1);
    expect(asked.filter((each) => each.startsWith('GET /files'))).toHaveLength(0);
  } finally {
    globalThis.fetch = present;
  }
});

test('a device that was lost is let in no more, and can open nothing that lies there', async () => {
  const one = await firstDevice();
  await one.actions.replace('A.md', 'one', 'Written');
  await one.look();
  const lost = await linkedTo(one, 'Lost');
  const two = await linkedTo(one, 'Other');
  await lost.look();
  await two.look();
  const before = (await one.read()).keys;
  await unlinkDevice(one.remote, ageSealer, one.linked, await digestOf(lost.linked.key));
  await expect(lost.look()).rejects.toMatchObject({ trouble: 'unlinked' });
  // Another device, which knows the new keys by itself, seals what is left.
  await two.look();
  expect(await two.folder.sealAnew()).toBe(0);
  await letOldKeysGo(two.remote, ageSealer, two.linked);
  const { keys } = await one.read();
  expect(keys.identities).toHaveLength(1);
  expect(keys.identities).not.toContain(before.identities[0]);
  for (const { name } of (await one.remote.changes(null)).files) {
    const { bytes } = (await one.remote.get(name)) ?? { bytes: new Uint8Array() };
    await expect(ageSealer.open(bytes, [...before.identities, lost.linked.identity])).rejects.toThrow();
  }
  await one.look();
  await two.actions.replace('A.md', 'two', 'Changed');
  await two.look();
  await one.look();
  expect(await one.store.text('A.md')).toBe('two');
});

test('the last device takes the desk with it, an earlier one only itself', async () => {
  const one = await firstDevice();
  const two = await linkedTo(one);
  expect(await leaveDevices(one.remote, ageSealer, one.linked)).toBe(false);
  await expect(one.read()).rejects.toMatchObject({ trouble: 'unlinked' });
  await two.look();
  expect(await leaveDevices(two.remote, ageSealer, two.linked)).toBe(true);
  await expect(two.remote.changes(null)).rejects.toBeInstanceOf(DeskFailure);
});

describe('an invitation', () => {
  test('that is old, used, wrong or withdrawn links nothing, with a plain word', async () => {
    const one = await firstDevice();
    const accept = (words: string) => acceptInvitation(origin, words, 'Phone', 3, sealer);
    expect(await accept('too few words')).toEqual({ refused: expect.stringContaining('none of the words') as string });
    const made = await invite(one.remote, sealer, one.linked);
    await linkedTo(one);
    // Another device came meanwhile: the keys are others.
    expect(await accept(made.words)).toEqual({ refused: expect.stringContaining('Ask for new words') as string });
    expect(await accept(made.words)).toEqual({ refused: expect.stringContaining('No invitation waits there') as string });
    const other = await invite(one.remote, sealer, one.linked);
    const [first = '', second = ''] = other.words.split(' ');
    expect(await accept(`${first} ${second} zoo zoo zoo zoo zoo zoo`)).toEqual({
      refused: expect.stringContaining('do not open') as string,
    });
    const third = await invite(one.remote, sealer, one.linked);
    await withdrawInvitation(one.remote, sealer, one.linked, third);
    expect(await accept(third.words)).toEqual({ refused: expect.stringContaining('No invitation waits there') as string });
  }, 60_000);

  test('is accepted although answers of the server are lost on their way, and says plainly where all are', async () => {
    const one = await firstDevice();
    const made = await invite(one.remote, sealer, one.linked);
    const real = globalThis.fetch;
    /** So many writes of keys come to the server, and their answers do not come back. */
    const losing = (count: number): void => {
      let left = count;
      globalThis.fetch = async (...asked) => {
        const response = await real(...asked);
        if (asked[1]?.method !== 'PUT' || left-- <= 0) return response;
        throw new TypeError('Failed to fetch');
      };
    };
    try {
      losing(1);
      expect(await acceptInvitation(origin, made.words, 'Phone', 2, sealer)).toMatchObject({ name: 'Phone' });
      expect((await one.read()).keys.devices.map(({ name }) => name)).toEqual(['Computer', 'Phone']);
      globalThis.fetch = real;
      const other = await invite(one.remote, sealer, one.linked);
      losing(99);
      expect(await acceptInvitation(origin, other.words, 'Tablet', 2, sealer)).toEqual({
        refused: expect.stringContaining('ask for new words') as string,
      });
      globalThis.fetch = () => Promise.reject(new TypeError('Failed to fetch'));
      await expect(acceptInvitation(origin, other.words, 'Tablet', 2, sealer)).rejects.toThrow('Nothing was changed; try it again');
    } finally {
      globalThis.fetch = real;
    }
  }, 60_000);

  test('whose device has a name that is taken gets another', async () => {
    const one = await firstDevice();
    await linkedTo(one, 'Computer');
    expect((await one.read()).keys.devices.map(({ name }) => name)).toEqual(['Computer', 'Computer 2']);
  });
});

test('a server that gives one file in the place of another, or half of one, is noticed, and it is put back', async () => {
  const one = await firstDevice();
  await one.actions.replace('A.md', 'text of a', 'Written');
  await one.actions.replace('B.md', 'text of b', 'Written');
  await one.look();
  const [first, second] = (await one.remote.changes(null)).files.filter(({ name }) => name !== 'keys');
  const other = await one.remote.get(second?.name ?? '');
  expect(await one.remote.put(first?.name ?? '', other?.bytes ?? new Uint8Array(), first?.tag ?? '')).not.toBeNull();
  const report = await one.look();
  expect(report.warned).toHaveLength(1);
  expect(report.warned[0]?.why).toContain('put back');
  expect([await one.store.text('A.md'), await one.store.text('B.md')]).toEqual(['text of a', 'text of b']);
  const two = await linkedTo(one);
  await two.look();
  expect([await two.store.text('A.md'), await two.store.text('B.md')]).toEqual(['text of a', 'text of b']);
});

test('sealed notes and pictures go over a desk: closed they wait, open they are merged by their lines', async () => {
  const one = await firstDevice();
  const [here, path] = [sealsOf(one.tab), 'Private/Diary.md.age'];
  await one.actions.replace('Private/Diary.md', 'first\n\nmiddle\n\nlast', 'Written');
  const seal = await here.make('Private', 'salt and oak', { titles: 'shown', folders: [] });
  await here.seal(seal, ['Private/Diary.md']);
  const picture = Uint8Array.from('GIF89a plover', (letter) => letter.charCodeAt(0));
  const bed = await addPicture(one.store, path, 'bed', 'image/gif', picture);
  const wreck = await addPicture(one.store, 'A.md', 'wreck', 'image/gif', picture);
  await one.look();
  const two = await linkedTo(one);
  await two.look();
  const there = sealsOf(two.tab);
  expect(await two.store.text(path)).toBeNull();
  expect(await shownPicture(two.store, 'A.md', wreck)).toMatchObject({ is: 'there', bytes: picture });
  expect(await shownPicture(two.store, path, `../${bed}`)).toEqual({ is: 'closed' });
  const [known] = await there.all();
  if (!known) throw new Error('the seal did not come');
  await there.open(known, 'salt and oak');
  expect(await shownPicture(two.store, path, `../${bed}`)).toMatchObject({ is: 'there', bytes: picture });
  await one.actions.replace(path, 'first plover\n\nmiddle\n\nlast', 'Changed');
  await two.actions.replace(path, 'first\n\nmiddle\n\nlast curlew', 'Changed');
  await one.look();
  await there.close();
  expect((await two.look()).failed).toMatchObject([{ path }]);
  await there.open(known, 'salt and oak');
  await two.look();
  await one.look();
  for (const { store } of [one, two]) expect(await store.text(path)).toBe('first plover\n\nmiddle\n\nlast curlew');
});
