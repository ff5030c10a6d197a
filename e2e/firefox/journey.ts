// One whole journey in Debian's Firefox, which the other end-to-end tests do not see: it is driven over WebDriver BiDi.
import assert from 'node:assert/strict';
import { mkdirSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
import path from 'node:path';
import puppeteer, { type Page } from 'puppeteer-core';
import { makeApp } from '../../server/app';

const [, , executablePath = '/usr/bin/firefox-esr', results] = process.argv;
/** Milliseconds that something may take to show. */
const PATIENCE = 20_000;

type Step = [name: string, take: (page: Page) => Promise<void>];

const text = '[aria-label="Text of the note"]';

const steps: Step[] = [
  [
    'an empty desk opens, with today’s page to write in',
    async (page) => {
      await press(page, 'Begin with an empty desk');
      await page.waitForSelector(text);
      await page.click(text);
    },
  ],
  [
    'tasks are written; words at their end are stored as a date by one key',
    async (page) => {
      await page.keyboard.type('- [ ] Weigh the crate tomorrow 15:00');
      await page.waitForSelector('.cm-offer');
      await chord(page, ['Control', 'Shift'], 'k');
      await page.keyboard.press('Enter');
      await page.keyboard.type('Sign the rider {due today}');
      await page.keyboard.press('Enter');
      await until(page, async () => /plan \d{4}-\d\d-\d\d 15:00.*\n.*due \d{4}/.test(await stored(page)));
    },
  ],
  [
    'Today gathers what is due, and a tick there changes the one line',
    async (page) => {
      await page.keyboard.press('F4');
      // The words alone stand in the text of the journal too, which is in sight until Today is there.
      const row = await page.waitForSelector('main [data-row]:has(.task-mark) ::-p-text(Sign the rider)', { timeout: PATIENCE });
      await row?.evaluate((words) => words.closest('[data-row]')?.querySelector<HTMLElement>('.task-mark')?.click());
      await until(page, async () => /- \[x\] Sign the rider/.test(await stored(page)));
      await chord(page, ['Control'], 'z');
      await until(page, async () => /- \[ \] Sign the rider/.test(await stored(page)));
    },
  ],
  [
    'all of Today is carried to tomorrow as a plan, and its due day stays',
    async (page) => {
      await press(page, 'All to tomorrow');
      await until(page, async () => /Sign the rider \{due \d{4}-\d\d-\d\d; plan \d{4}-\d\d-\d\d; pushed/.test(await stored(page)));
      await until(page, async () => /1 task due by now, but planned later/.test(await words(page, 'main')));
    },
  ],
  [
    'everything is there after a reload',
    async (page) => {
      await page.reload();
      await until(page, async () => /1 task due by now, but planned later/.test(await words(page, 'main')));
    },
  ],
  [
    'what scrolls has a bar on the colour of its own ground',
    async (page) => {
      const bars = await page.evaluate(() =>
        ['nav[aria-label=Rack] [data-scrolls]', 'main', 'aside'].map((place) => {
          const element = document.querySelector(place);
          return element ? getComputedStyle(element).scrollbarColor : 'missing';
        }),
      );
      for (const bar of bars) assert.match(bar, /rgba\(0, 0, 0, 0\)|transparent/);
    },
  ],
];

async function press(page: Page, name: string): Promise<void> {
  const button = await page.waitForSelector(`::-p-aria([name="${name}"][role="button"])`, { timeout: PATIENCE });
  await button?.click();
}

async function chord(page: Page, held: readonly ('Control' | 'Shift')[], key: 'k' | 'z'): Promise<void> {
  for (const one of held) await page.keyboard.down(one);
  await page.keyboard.press(key);
  for (const one of held.toReversed()) await page.keyboard.up(one);
}

const words = (page: Page, place: string): Promise<string> =>
  page.evaluate((at) => document.querySelector<HTMLElement>(at)?.innerText ?? '', place);

/** All journal pages as the store holds them. */
function stored(page: Page): Promise<string> {
  return page.evaluate(async () => {
    const db = await new Promise<IDBDatabase>((resolve, reject) => {
      const request = indexedDB.open('recado');
      request.onsuccess = () => resolve(request.result);
      request.onerror = () => reject(new Error('the database does not open'));
    });
    const notes = await new Promise<{ path: string; text: string }[]>((resolve) => {
      const request = db.transaction('notes').objectStore('notes').getAll() as IDBRequest<{ path: string; text: string }[]>;
      request.onsuccess = () => resolve(request.result);
    });
    db.close();
    return notes
      .filter(({ path: at }) => at.startsWith('Journal/'))
      .map((note) => note.text)
      .join('\n');
  });
}

async function until(page: Page, holds: () => Promise<boolean>): Promise<void> {
  const end = Date.now() + PATIENCE;
  while (!(await holds())) {
    if (Date.now() > end) throw new Error(`It did not come to hold. The page says: ${(await words(page, 'body')).slice(0, 600)}`);
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
}

function listen(): Promise<{ server: Server; address: string }> {
  return new Promise((resolve) => {
    const server: Server = makeApp(
      path.resolve(import.meta.dirname, '../../dist/web'),
      path.resolve(import.meta.dirname, '../../.cache/firefox-data'),
    ).listen(0, '127.0.0.1', () => {
      const place = server.address();
      resolve({ server, address: `http://localhost:${typeof place === 'object' && place ? place.port : 0}/` });
    });
  });
}

const { server, address } = await listen();
const browser = await puppeteer.launch({ browser: 'firefox', executablePath, headless: true });
let passed = 0;
let failed = 0;
try {
  const page = await browser.newPage();
  await page.setViewport({ width: 1280, height: 800 });
  const wrong: string[] = [];
  page.on('pageerror', (error) => wrong.push(String(error)));
  page.on('console', (message) => {
    if (message.type() === 'error' || /Content-Security-Policy/i.test(message.text())) wrong.push(message.text());
  });
  await page.goto(address);
  for (const [name, take] of [...steps, ['nothing was reported on the way', async () => assert.deepEqual(wrong, [])] satisfies Step]) {
    try {
      await take(page);
      passed++;
      console.log(`  ✓ ${name}`);
    } catch (error) {
      failed++;
      console.log(`  ✗ ${name}\n    ${error instanceof Error ? error.message : String(error)}`);
      // What follows builds on it.
      break;
    }
  }
} finally {
  await browser.close();
  server.close();
  server.closeAllConnections();
}
if (results !== undefined) {
  mkdirSync(path.dirname(results), { recursive: true });
  writeFileSync(results, JSON.stringify({ passed, failed }));
}
process.exit(failed === 0 ? 0 : 1);
