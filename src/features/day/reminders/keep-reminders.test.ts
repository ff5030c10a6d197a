import 'fake-indexeddb/auto';
import type { Services } from '../../session/state/services';
import { desk } from '../../../store/test-desk';
import { lookOnce } from './keep-reminders';
import { RINGING, readRings } from './ringing';

const at = (minute: number, day = 100) => ({ day, minute });
const PLAIN = { remindStarts: false, notify: false };

/** A store, and an engine that says which ranges it was asked about and finds one reminder at each 09:00. */
async function ringing() {
  const { store, ready } = desk();
  await ready;
  const asked: [number, number][] = [];
  const engine = {
    ask: async (_name: string, { after, until }: { after: { day: number; minute: number }; until: { day: number; minute: number } }) => {
      asked.push([after.day * 1440 + after.minute, until.day * 1440 + until.minute]);
      const nine = at(540, until.day);
      const isIn = after.day < nine.day || after.minute < 540;
      return isIn && until.minute >= 540
        ? [{ at: nine, why: 'remind', path: 'A.md', line: 0, text: `day ${until.day}`, raw: '- [ ] a' }]
        : [];
    },
  } as unknown as Services['engine'];
  const rings = async (): Promise<string[]> => readRings(await store.value(RINGING), at(0)).rings.map(({ text }) => text);
  return { services: { store, engine }, asked, rings };
}

it('rings once for all tabs, and again only for what comes', async () => {
  const { services, rings, asked } = await ringing();
  await lookOnce(services, at(530), PLAIN);
  expect(await rings()).toEqual([]);
  await lookOnce(services, at(541), PLAIN);
  // Another tab takes over in the same minute.
  await lookOnce(services, at(541), PLAIN);
  expect(await rings()).toEqual(['day 100']);
  expect(asked.map(([after, until]) => until - after)).toEqual([0, 11, 0]);
});

it('tells what was missed while no page was open', async () => {
  const { services, rings } = await ringing();
  await lookOnce(services, at(530), PLAIN);
  await lookOnce(services, at(700, 102), PLAIN);
  expect(await rings()).toEqual(['day 102']);
});

it('is quiet when the clock is put back an hour, and goes on from a clock that was wrong by days', async () => {
  const { services, rings, asked } = await ringing();
  await lookOnce(services, at(600), PLAIN);
  await lookOnce(services, at(545), PLAIN);
  expect(asked.length).toBe(1);
  await lookOnce(services, at(600, 500), PLAIN);
  await lookOnce(services, at(600), PLAIN);
  await lookOnce(services, at(545, 101), PLAIN);
  expect(await rings()).toEqual(['day 500', 'day 101']);
});

it('passes over nothing while the engine cannot say it', async () => {
  const { services, rings } = await ringing();
  await lookOnce(services, at(530), PLAIN);
  const silent = { ...services, engine: { ask: async () => null } as unknown as Services['engine'] };
  await lookOnce(silent, at(545), PLAIN);
  expect(await rings()).toEqual([]);
  await lookOnce(services, at(546), PLAIN);
  expect(await rings()).toEqual(['day 100']);
});
