import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import * as Y from 'yjs';
import { Lending } from './lending';
import { LevelStore } from './level-store';
import { type LendingServer, lendingServer, until } from './test-lending';

let here: LendingServer;
beforeAll(async () => {
  const data = mkdtempSync(path.join(tmpdir(), 'recado-many-'));
  const lending = new Lending(await LevelStore.open(path.join(data, 'lent')));
  here = await lendingServer(() => Promise.resolve(lending), data);
});
afterAll(() => here.close());

test('forty people with names and cursors see each other in one text, and none is put out', async () => {
  const lent = await here.lend();
  const people = Array.from({ length: 40 }, (_, at) => here.join(lent, { address: lent.address, name: `Person ${at}` }));
  await Promise.all(people.map(({ synced }) => synced));
  people.forEach(({ provider, text }, at) => {
    text.insert(0, 'a');
    const place: unknown = Y.relativePositionToJSON(Y.createRelativePositionFromTypeIndex(text, 0));
    provider.setAwarenessField('borrower', true);
    provider.setAwarenessField('user', { name: `Person ${at}`, color: '#0f766e', colorLight: '#0f766e33' });
    provider.setAwarenessField('cursor', { anchor: place, head: place });
  });
  const late = here.join(lent, { address: lent.address, name: 'Late' });
  await late.synced;
  late.provider.setAwarenessField('user', { name: 'Late' });
  await until(
    () => late.provider.awareness?.getStates().size === 41,
    () => [late.provider.awareness?.getStates().size, late.refused],
  );
  await new Promise((resolve) => setTimeout(resolve, 1500));
  expect([late, ...people].flatMap(({ refused }) => refused)).toEqual([]);
});
