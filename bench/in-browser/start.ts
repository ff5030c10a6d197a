import { gzipSync } from 'node:zlib';
import type { Browser, Page } from '@playwright/test';
import { ADDRESS, openWith } from './desk';
import { makeLibrary } from '../library';
import { type BenchRow, row } from '../measure';

const TODAY = `${ADDRESS}/note/Agenda/Today.md`;
const ROUNDS = 5;

/** The least time from the start of the page until Today shows its rows, in milliseconds. */
async function untilToday(page: Page): Promise<number> {
  let best = Infinity;
  for (let round = 0; round < ROUNDS; round++) {
    await page.goto(TODAY);
    await page.locator('#page li[data-row]').first().waitFor({ timeout: 120_000 });
    best = Math.min(best, await page.evaluate(() => performance.now()));
    await page.waitForTimeout(500);
  }
  return best;
}

async function demoPage(browser: Browser): Promise<Page> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(ADDRESS);
  await page.getByRole('button', { name: /demo/ }).click();
  await page.getByText(/lines indexed/).waitFor({ state: 'attached' });
  return page;
}

/** Compressed script that a first visit to Today loads, the worker's included, in KB. */
async function firstLoad(browser: Browser): Promise<number> {
  const page = await demoPage(browser);
  const state = await page.context().storageState({ indexedDB: true });
  await page.close();
  const context = await browser.newContext({ storageState: state });
  const scripts = new Set<string>();
  context.on('request', (request) => {
    if (/\.js$/.test(new URL(request.url()).pathname)) scripts.add(request.url());
  });
  const fresh = await context.newPage();
  await fresh.goto(TODAY);
  await fresh.locator('#page li[data-row]').first().waitFor();
  await context.close();
  const sizes = await Promise.all([...scripts].map(async (url) => gzipSync(await (await fetch(url)).text()).length));
  return sizes.reduce((sum, size) => sum + size, 0) / 1000;
}

/** What the start costs. */
export async function startRows(browser: Browser): Promise<BenchRow[]> {
  const size = await firstLoad(browser);
  const demo = await demoPage(browser);
  const small = await untilToday(demo);
  await demo.close();
  const page = await openWith(browser, makeLibrary(10_000));
  const large = await untilToday(page);
  await page.close();
  if (process.env['RECADO_BENCH_TIMES']) console.error({ size, small, large });
  return [
    row('the first load of Today', 'KB of compressed script', size, { atMost: 320 }),
    row('opening with “large” stored, until Today shows its rows', 'times the same with the demo', large / small, { atMost: 4 }),
  ];
}
