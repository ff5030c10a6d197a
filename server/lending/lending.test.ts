import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import * as Y from 'yjs';
import { Lending } from './lending';
import { LevelStore } from './level-store';
import { type LendingServer, lendingServer, lentMade, secretMade, until } from './test-lending';

let here: LendingServer;
let lending: Lending;
let clock = 1_000_000;
beforeAll(async () => {
  const data = mkdtempSync(path.join(tmpdir(), 'recado-lent-'));
  lending = new Lending(await LevelStore.open(path.join(data, 'lent')), { now: () => clock });
  here = await lendingServer(() => Promise.resolve(lending), data);
});
afterAll(() => here.close());

const owned = async (words: string, wish = {}) => {
  const lent = await here.lend(wish);
  const owner = here.join(lent, { key: lent.key });
  await owner.synced;
  owner.text.insert(0, words);
  return { lent, owner };
};

describe('a text that is lent', () => {
  it('is written by both sides, each hears what is on the disk, and it is there again later', async () => {
    const { lent, owner } = await owned('- [ ] Glass');
    const lars = here.join(lent, { address: lent.address, name: 'Lars' });
    await lars.synced;
    await until(() => lars.text.toString() === '- [ ] Glass');
    lars.text.insert(11, ' on loan');
    lars.provider.sendStateless(JSON.stringify({ mark: 1 }));
    await until(() => owner.text.toString() === '- [ ] Glass on loan');
    await until(() => lars.told.includes('{"kept":1}'));
    const state = (await (await here.state(lent)).json()) as { hands: unknown; changes: number };
    expect(state).toMatchObject({ rights: 'write', hasWord: false, hands: [{ name: 'Lars' }], opened: clock });
    expect(state.changes).toBeGreaterThan(0);
    lars.leave();
    owner.leave();
    await until(() => !lending.hub.documents.has(lent.name));
    const again = here.join(lent, { address: lent.address });
    await until(() => again.text.toString() === '- [ ] Glass on loan');
  });

  it('to read is written by nobody but its owner, whatever is sent', async () => {
    const { lent, owner } = await owned('- [ ] Glass', { rights: 'read' });
    const reader = here.join(lent, { address: lent.address });
    await until(() => reader.text.toString() === '- [ ] Glass');
    reader.text.insert(0, 'Mine! ');
    owner.text.insert(11, ', packed');
    await until(() => reader.text.toString().endsWith(', packed'));
    const other = here.join(lent, { address: lent.address });
    await until(() => other.text.toString() === '- [ ] Glass, packed');
    expect(owner.text.toString()).toBe('- [ ] Glass, packed');
  });

  it('as a list is ticked on its rows alone', async () => {
    const { lent, owner } = await owned('- [ ] Glass', { rights: 'tick' });
    const about = owner.doc.getMap('about');
    owner.doc.transact(() => {
      for (const [key, value] of Object.entries({ form: 'list', rights: 'tick', rows: ['r1'], settings: {} })) about.set(key, value);
    });
    const reader = here.join(lent, { address: lent.address, name: 'Noor' });
    await reader.synced;
    await until(() => reader.doc.getMap('about').has('rows'));
    reader.text.insert(0, 'Mine! ');
    for (const said of [
      '{"tick":{"id":"r1","status":"done"}}',
      '{"tick":{"id":"r9","status":"done"}}',
      '{"tick":{"id":"r1","status":"x"}}',
      'x{',
    ])
      reader.provider.sendStateless(said);
    await until(() => owner.doc.getMap('ticks').has('r1'));
    expect(owner.doc.getMap('ticks').toJSON()).toEqual({ r1: { status: 'done', who: 'Noor', at: clock } });
    expect(owner.text.toString()).toBe('- [ ] Glass');
  });

  it('is dead at once when it is called back, also where it is open; its owner has what was written', async () => {
    const { lent, owner } = await owned('a');
    const lars = here.join(lent, { address: lent.address });
    await until(() => lars.text.toString() === 'a');
    lars.text.insert(1, 'b');
    await until(() => owner.text.toString() === 'ab');
    await here.lend({ ended: true }, lent);
    await until(
      () => lars.refused.includes('nothing'),
      () => lars.refused,
    );
    const late = here.join(lent, { address: lent.address });
    await until(() => late.refused.includes('nothing'));
    expect(owner.text.toString()).toBe('ab');
    expect((await here.drop(lent)).status).toBe(204);
    expect((await here.state(lent)).status).toBe(404);
    const gone = here.join(lent, { key: lent.key });
    await until(() => gone.refused.includes('nothing'));
  });

  it('is asked for again where it is lent otherwise from now on, and then it is so', async () => {
    const { lent, owner } = await owned('a', { rights: 'read' });
    const lars = here.join(lent, { address: lent.address });
    await until(() => lars.text.toString() === 'a');
    await here.lend({ rights: 'write' }, lent);
    await until(() => lars.refused.includes('again'));
    const again = here.join(lent, { address: lent.address });
    await again.synced;
    again.text.insert(1, 'b');
    await until(() => owner.text.toString() === 'ab');
    await here.lend({ rights: 'read' }, lent);
    await until(() => again.refused.includes('again'));
  });

  it('is given to its owner whole, and to nobody else', async () => {
    const { lent } = await owned('all of it');
    const lars = here.join(lent, { address: lent.address });
    await until(() => lars.text.toString() === 'all of it');
    const asked = (key: string) => fetch(`${here.base}/lending/${lent.name}/text`, { headers: { 'recado-key': key } });
    const doc = new Y.Doc();
    Y.applyUpdate(doc, new Uint8Array(await (await asked(lent.key)).arrayBuffer()));
    expect(doc.getText('text').toString()).toBe('all of it');
    expect((await asked(secretMade())).status).toBe(404);
  });

  it('of which the last day is put off stays open', async () => {
    const { lent } = await owned('a', { until: clock + 5000 });
    const lars = here.join(lent, { address: lent.address });
    await lars.synced;
    await here.lend({ until: clock + 60_000 }, lent);
    clock += 6000;
    await new Promise((resolve) => setTimeout(resolve, 1200));
    expect(lars.refused).toEqual([]);
  });

  it('ends with its last day, also where it is open', async () => {
    const { lent } = await owned('a', { until: clock + 5000 });
    const lars = here.join(lent, { address: lent.address });
    await lars.synced;
    clock += 6000;
    await until(() => lars.refused.includes('nothing'));
    const late = here.join(lent, { address: lent.address });
    await until(() => late.refused.includes('nothing'));
  });

  it('with a word is opened by it, and who guesses is stopped', async () => {
    const { lent } = await owned('a', { word: 'Fresnel' });
    const none = here.join(lent, { address: lent.address });
    await until(() => none.refused.includes('word'));
    const right = here.join(lent, { address: lent.address, word: 'Fresnel' });
    await until(() => right.text.toString() === 'a');
    const refusals = await Promise.all(
      Array.from({ length: 12 }, async (_, guess) => {
        const one = here.join(lent, { address: lent.address, word: `guess ${guess}` });
        await until(() => one.refused.length > 0);
        return one.refused[0];
      }),
    );
    expect(new Set(refusals)).toEqual(new Set(['wrong word', 'busy']));
  });

  it('is changed by its owner alone', async () => {
    const lent = await here.lend();
    expect(lent.status).toBe(204);
    const thief = { ...lent, key: secretMade() };
    expect((await here.lend({ rights: 'read' }, thief)).status).toBe(404);
    expect((await here.drop(thief)).status).toBe(404);
    expect((await here.state(thief)).status).toBe(404);
    const none = lentMade();
    expect(await (await here.state(none)).text()).toBe(await (await here.state(thief)).text());
  });
});

describe('an address that is none', () => {
  it('made up, cut, or of another text, is answered like one that was called back', async () => {
    const { lent } = await owned('secret');
    const answers = await Promise.all(
      [
        { address: secretMade() },
        { address: lent.address.slice(0, 20) },
        { address: `${lent.address.slice(0, 21)}!` },
        { key: secretMade() },
      ].map(async (token) => {
        const one = here.join(lent, token);
        await until(() => one.refused.length > 0);
        return [one.refused[0], one.text.toString()];
      }),
    );
    expect(answers).toEqual(Array.from({ length: 4 }, () => ['nothing', '']));
    const other = here.join(lentMade(), { address: lent.address });
    await until(() => other.refused.length > 0);
    expect(other.refused[0]).toBe('nothing');
  });

  it('is one page, whatever it says, which nobody keeps or lists', async () => {
    const pages = await Promise.all(['/lent/', '/lent/abc', `/lent/${secretMade()}`].map((at) => fetch(here.base + at)));
    expect(new Set(pages.map(({ status }) => status)).size).toBe(1);
    for (const { headers } of pages) {
      expect(headers.get('cache-control')).toBe('private, no-store');
      expect(headers.get('x-robots-tag')).toBe('noindex, nofollow');
      expect(headers.get('referrer-policy')).toBe('no-referrer');
    }
  });
});
