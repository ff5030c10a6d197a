import type { Browser, BrowserContext, Page } from '@playwright/test';
import { ageSealer } from '../../src/store/desk/age-sealer';
import { nextHead, packFile } from '../../src/store/desk/sealed-file';
import { makeLibrary } from '../library';
import { type BenchRow, row } from '../measure';
import { ADDRESS, openWith } from './desk';

const ROUNDS = 5;
/** The processor of a phone, as so many times slower than this one. */
const SLOWED = 4;

/** The least time from a cold start at the icon for a slip until its first letter stands there, in milliseconds. */
async function untilLetter(page: Page): Promise<number> {
  const session = await page.context().newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWED });
  let best = Infinity;
  for (let round = 0; round < ROUNDS; round++) {
    await page.goto('about:blank');
    await page.goto(`${ADDRESS}/slip`, { waitUntil: 'commit' });
    const words = page.getByRole('textbox', { name: 'Words of the slip' });
    await words.waitFor();
    await page.keyboard.type('x');
    await page.waitForFunction(() => document.querySelector('textarea')?.value.includes('x'));
    best = Math.min(best, await page.evaluate(() => performance.now()));
    await words.fill('');
    await page.waitForTimeout(1500);
  }
  await session.send('Emulation.setCPUThrottlingRate', { rate: 1 });
  await session.detach();
  return best;
}

/** The least time until Today shows its rows, with a network or without; in milliseconds. */
async function untilToday(page: Page): Promise<number> {
  let best = Infinity;
  for (let round = 0; round < ROUNDS; round++) {
    await page.goto(`${ADDRESS}/note/Agenda/Today.md`);
    await page.locator('#page li[data-row]').first().waitFor({ timeout: 120_000 });
    best = Math.min(best, await page.evaluate(() => performance.now()));
    await page.waitForTimeout(500);
  }
  return best;
}

async function demo(context: BrowserContext): Promise<Page> {
  const page = await context.newPage();
  await page.goto(ADDRESS);
  await page.getByRole('button', { name: /demo/ }).click();
  await page.getByText(/lines indexed/).waitFor({ state: 'attached' });
  return page;
}

/** How long it takes to seal notes, and nothing else; in milliseconds. */
async function sealingAlone(notes: readonly { path: string; text: string }[]): Promise<number> {
  const { identity } = await ageSealer.newIdentity();
  const began = performance.now();
  for (const { path, text } of notes)
    await ageSealer.seal(packFile({ head: nextHead(null, path, false), bytes: new TextEncoder().encode(text) }), identity);
  return performance.now() - began;
}

/** What it costs to have Recado on every device: without a network, at its icon, and on a desk of 10,000 notes. */
export async function deviceRows(browser: Browser): Promise<BenchRow[]> {
  const online = await browser.newContext({ serviceWorkers: 'block' });
  const loaded = await untilToday(await demo(online));
  await online.close();
  const offline = await browser.newContext();
  const kept = await demo(offline);
  await kept.evaluate(() => navigator.serviceWorker.ready);
  await kept.reload();
  await offline.setOffline(true);
  const without = await untilToday(kept);
  await offline.setOffline(false);
  const small = await untilLetter(kept);
  await offline.close();

  const notes = makeLibrary(10_000);
  const page = await openWith(browser, notes);
  await page.evaluate(() => navigator.serviceWorker.ready);
  const large = await untilLetter(page);
  await page.goto(`${ADDRESS}/keep`);
  await page.getByText(/lines indexed/).waitFor({ timeout: 120_000 });
  await page.waitForTimeout(8000);
  const part = page.getByRole('region', { name: 'A desk on the server' });
  const began = Date.now();
  await part.getByRole('button', { name: 'Begin a desk on the server' }).click();
  await part.getByText('is in step').waitFor({ timeout: 900_000 });
  const first = Date.now() - began;
  const alone = await sealingAlone(notes);
  // As long as it rests, and one change.
  let puts = 0;
  page.on('request', (request) => {
    if (request.method() === 'PUT') puts += 1;
  });
  await page.goto(`${ADDRESS}/slip?text=one change`);
  await page.getByRole('button', { name: 'Store' }).click();
  await page.waitForTimeout(25_000);
  await page.close();
  if (process.env['RECADO_BENCH_TIMES']) console.error({ loaded, without, small, large, first, alone, puts });
  return [
    row('opening Today without a network', 'times the same by the network', without / loaded, { atMost: 1.1 }),
    row('from the icon to the first letter of a slip, “large” stored, slowed four times', 'times the same with the demo', large / small, {
      atMost: 1.5,
    }),
    row('a desk of 10,000 notes the first time', 'times sealing them alone', first / alone, { atMost: 3 }),
    row('one change in it', 'files sent', puts, { atMost: 2 }),
  ];
}
