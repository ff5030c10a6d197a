import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { Lending } from './lending';
import { LevelStore } from './level-store';
import { lendingServer, until } from './test-lending';

test('while the disk is full nothing is called kept, and all of it is once there is room', async () => {
  const data = mkdtempSync(path.join(tmpdir(), 'recado-full-'));
  const store = await LevelStore.open(path.join(data, 'lent'));
  const lending = new Lending(store);
  const here = await lendingServer(() => Promise.resolve(lending), data);
  const lent = await here.lend();
  const owner = here.join(lent, { key: lent.key });
  await owner.synced;
  const full = Object.assign(new Error('ENOSPC: no space left on device'), { code: 'ENOSPC' });
  const said = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  const append = jest.spyOn(store, 'append').mockRejectedValueOnce(full).mockRejectedValueOnce(full);
  const save = jest.spyOn(store, 'save').mockRejectedValueOnce(full);
  owner.text.insert(0, 'a word');
  owner.provider.sendStateless('{"mark":1}');
  await until(() => append.mock.calls.length > 0);
  expect(owner.told).toEqual([]);
  await until(() => owner.told.includes('{"kept":1}'));
  expect(append.mock.calls.length).toBeGreaterThan(2);
  await until(() => save.mock.calls.length > 0);
  // Of what was written nothing is said, nor of the address.
  expect(said.mock.calls.flat().join(' ')).not.toMatch(new RegExp(`a word|${lent.address}`));
  said.mockRestore();
  await here.close();
  const again = await LevelStore.open(path.join(data, 'lent'));
  expect((await again.load(lent.name)).length).toBeGreaterThan(0);
  await again.close();
}, 30_000);
