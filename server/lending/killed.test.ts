import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { begin, freePort, kill } from '../parts/test-server';
import { joinText, lentMade, until } from './test-lending';
import { LONG } from '../../src/core/testing/test-runs';

const ROUNDS = LONG ? 30 : 2;

test('every word that a server of lending said it had is there after it was killed in a storm', async () => {
  const [port, data] = [await freePort(), mkdtempSync(path.join(tmpdir(), 'recado-killed-'))];
  const base = `http://localhost:${port}`;
  const lent = lentMade();
  const kept = new Set<string>();
  let count = 0;
  for (let round = 0; round < ROUNDS; round++) {
    const server = await begin(port, data);
    const put = { method: 'PUT', headers: { 'recado-key': lent.key, 'content-type': 'application/json' } };
    const wish = JSON.stringify({ rights: 'write', until: null });
    if (round === 0) expect((await fetch(`${base}/lending/${lent.name}`, { ...put, body: wish })).status).toBe(204);
    const people = [0, 1, 2].map((who) =>
      joinText(base, lent.name, who === 0 ? { key: lent.key } : { address: lent.address, name: `${who}` }),
    );
    await Promise.all(people.map(({ synced }) => synced));
    const [first] = people;
    await until(() => [...kept].every((word) => first?.text.toString().includes(word)));
    let isOver = false;
    const storm = people.map(async ({ text, provider, told }, who) => {
      const sent = new Map<number, string>();
      while (!isOver) {
        const word = `w${count++}.${who}\n`;
        text.insert(0, word);
        sent.set(count, word);
        provider.sendStateless(JSON.stringify({ mark: count }));
        await new Promise((resolve) => setTimeout(resolve, 4));
      }
      for (const one of told) {
        const { kept: mark } = JSON.parse(one) as { kept: number };
        for (const [at, word] of sent) if (at <= mark) kept.add(word);
      }
    });
    await new Promise((resolve) => setTimeout(resolve, 300 + 200 * Math.random()));
    kill(server);
    isOver = true;
    await Promise.all(storm);
    for (const one of people) one.leave();
  }
  expect(kept.size).toBeGreaterThan(20);
}, 600_000);
