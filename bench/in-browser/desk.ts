import { type ChildProcess, spawn } from 'node:child_process';
import path from 'node:path';
import { type Browser, type Page, chromium } from '@playwright/test';
import { store } from '../../e2e/store-notes';

const PORT = 4189;
export const ADDRESS = `http://localhost:${PORT}`;
export const root = path.resolve(process.cwd());

export interface StoredBench {
  path: string;
  text: string;
}

export async function launch(): Promise<Browser> {
  return chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: [
      ...(process.getuid?.() === 0 ? ['--no-sandbox'] : []),
      ...'--disable-gpu --disable-quic --no-first-run --disable-background-networking --disable-component-update --disable-sync'.split(' '),
    ],
  });
}

/** The day on which the library stands. Only dates are fixed: a simulated clock would count whole milliseconds, and take time itself. */
const FIXED_DAY = `{
  const Real = Date;
  const shift = new Real('2026-11-23T09:20:00').getTime() - Real.now();
  window.Date = class extends Real {
    constructor(...given) { super(...(given.length === 0 ? [Real.now() + shift] : given)); }
    static now() { return Real.now() + shift; }
  };
}`;

/** Opens Recado with notes stored, as an empty desk that has been used. */
export async function openWith(browser: Browser, notes: readonly StoredBench[]): Promise<Page> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.addInitScript(FIXED_DAY);
  await page.goto(ADDRESS);
  await page.getByRole('button', { name: 'Begin with an empty desk' }).click();
  await page.getByText(/lines indexed/).waitFor({ state: 'attached' });
  for (let at = 0; at < notes.length; at += 500) {
    const portion = notes.slice(at, at + 500);
    await store(page, Object.fromEntries(portion.map(({ path: notePath, text }) => [notePath, text])));
  }
  return page;
}

/** Watches for tasks of the main thread that hold it up for more than 50 milliseconds. */
export const WATCH = `window.longTasks = []; new PerformanceObserver((list) => { for (const entry of list.getEntries()) window.longTasks.push(entry.duration); }).observe({ type: 'longtask' });`;
export const longTasks = (page: Page): Promise<number[]> =>
  page.evaluate(() => (window as unknown as { longTasks: number[] }).longTasks.splice(0));

/**
 * The longest task of the main thread while the page is scrolled, in milliseconds. It is scrolled down, up and down again, and the
 * least of the three counts, as the least of several rounds does everywhere: what the machine does beside only adds.
 */
export async function longestWhileScrolling(page: Page, steps: number, by: number): Promise<number> {
  const scroller = page.locator('#page');
  let least = Infinity;
  for (const way of [by, -by, by]) {
    await longTasks(page);
    for (let step = 0; step < steps; step++) {
      await scroller.evaluate((element, distance) => element.scrollBy(0, distance), way);
      await page.waitForTimeout(30);
    }
    least = Math.min(least, Math.max(0, ...(await longTasks(page))));
  }
  return least;
}

/** Serves the application. */
export function serve(): ChildProcess {
  const tsx = path.join(root, 'node_modules/tsx/dist/cli.mjs');
  return spawn(process.execPath, [tsx, path.join(root, 'server/main.ts')], {
    env: { ...process.env, PORT: String(PORT) },
    stdio: 'ignore',
  });
}
