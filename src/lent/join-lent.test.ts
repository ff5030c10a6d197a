import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { Lending } from '../../server/lending/lending';
import { LevelStore } from '../../server/lending/level-store';
import { type LendingServer, lendingServer, socketFrom, until } from '../../server/lending/test-lending';
import { JoinedLent } from './join-lent';

let here: LendingServer;
let lending: Lending;
let store: LevelStore;
beforeAll(async () => {
  const data = mkdtempSync(path.join(tmpdir(), 'recado-joined-'));
  store = await LevelStore.open(path.join(data, 'lent'));
  lending = new Lending(store);
  here = await lendingServer(() => Promise.resolve(lending), data);
  Object.assign(globalThis, { location: { origin: here.base }, WebSocket: socketFrom(here.base) });
});
afterAll(() => here.close());

describe('a text whose connection is closed by the server', () => {
  it('stays in sight while it cannot be joined again, and what was written meanwhile arrives', async () => {
    const lent = await here.lend();
    const owner = here.join(lent, { key: lent.key });
    await owner.synced;
    const joined = new JoinedLent(lent.address, null, 'Lars');
    const shown: string[] = [];
    joined.listen(() => void shown.push(joined.present().access));
    await until(() => joined.present().access === 'open');
    joined.text.insert(0, 'Glass');
    await until(() => joined.present().isKept);
    const record = jest.spyOn(store, 'record').mockRejectedValue(new Error('the disk is away'));
    // Refused on its old socket and on a new one, it is let in on the next.
    let sockets = 0;
    here.server.on('upgrade', () => ++sockets === 2 && record.mockRestore());
    for (const connection of lending.hub.documents.get(lent.name)?.getConnections() ?? [])
      if ((connection.context as { role: string }).role === 'borrower') connection.close({ code: 4205, reason: 'Reset Connection' });
    await until(() => !joined.present().isThere);
    joined.text.insert(5, ' on loan');
    await until(
      () => joined.present().isThere && joined.present().isKept,
      () => joined.present(),
      15_000,
    );
    expect(owner.text.toString()).toBe('Glass on loan');
    expect(sockets).toBe(2);
    expect(new Set(shown.slice(shown.indexOf('open')))).toEqual(new Set(['open']));
    joined.leave();
  });

  it('is gone from sight once it is called back', async () => {
    const lent = await here.lend();
    const joined = new JoinedLent(lent.address, null, 'Lars');
    await until(() => joined.present().access === 'open');
    await here.lend({ ended: true }, lent);
    await until(() => joined.present().access === 'nothing');
  });
});
