import { spawnSync } from 'node:child_process';
import { type BrowserContext, type Page, chromium, expect } from '@playwright/test';
import { NOW } from '../desk';
import { everythingStored, randomFrom } from './stored';

/** How a page is left: by its address, by a reload, closed, or torn down as by a crash of its process. */
type Leaving = 'reload' | 'close' | 'elsewhere' | 'crash';

const field = (page: Page) => page.getByRole('textbox', { name: 'Text of the note' });

/**
 * Types, and leaves the page at a random moment up to 250 ms after a key; what was typed before must be there when the page comes again.
 *
 * @returns how often it was left
 */
export async function runLeavingModel(context: BrowserContext, rounds: number, seed: number): Promise<number> {
  const random = randomFrom(seed);
  let page = await begun(context);
  const typed: string[] = [];
  const ways: Leaving[] = ['reload', 'close', 'elsewhere', 'crash'];
  for (let round = 0; round < rounds; round++) {
    const leaving = ways[round % ways.length] as Leaving;
    await field(page).click();
    await page.keyboard.press('Control+End');
    const word = `w${round}.`;
    await page.keyboard.type(` ${word}`, { delay: 5 });
    typed.push(word);
    await page.waitForTimeout(random() * 250);
    page = await left(context, page, leaving);
    await expect(field(page), `left by ${leaving}`).toContainText(word);
    const missing = async (): Promise<string[]> => {
      const all = Object.values((await everythingStored(page)).notes).join('\n');
      return typed.filter((one) => !all.includes(one));
    };
    await expect.poll(missing, `left by ${leaving}`).toEqual([]);
  }
  return rounds;
}

async function begun(context: BrowserContext): Promise<Page> {
  const page = await context.newPage();
  await page.clock.setFixedTime(NOW);
  await page.goto('/');
  await page.getByRole('button', { name: 'Begin with an empty desk' }).click();
  await expect(page.getByText(/lines indexed/)).toBeAttached();
  return page;
}

async function left(context: BrowserContext, page: Page, leaving: Leaving): Promise<Page> {
  if (leaving === 'reload') {
    await page.reload();
    return page;
  }
  if (leaving === 'elsewhere') {
    await page.goto('/healthz');
    await page.goto('/day/2026-11-23');
    return page;
  }
  if (leaving === 'crash') {
    const session = await context.newCDPSession(page);
    await Promise.race([session.send('Page.crash').catch(() => undefined), new Promise((resolve) => setTimeout(resolve, 500))]);
  }
  await page.close();
  const next = await context.newPage();
  await next.clock.setFixedTime(NOW);
  await next.goto('/day/2026-11-23');
  return next;
}

export interface KillRun {
  folder: string;
  baseURL: string;
  launch: Parameters<typeof chromium.launchPersistentContext>[1];
  rounds: number;
  seed: number;
}

/**
 * Types, and kills the whole browser at a random moment; nothing that was said to be saved may be missing when it comes again.
 *
 * @returns how many words were said to be saved
 */
export async function runKillModel({ folder, baseURL, launch, rounds, seed }: KillRun): Promise<number> {
  const random = randomFrom(seed);
  const safe: string[] = [];
  for (let round = 0; round < rounds; round++) {
    const context = await chromium.launchPersistentContext(folder, { ...launch, baseURL, serviceWorkers: 'block' });
    const page = context.pages()[0] ?? (await context.newPage());
    await page.clock.setFixedTime(NOW);
    await page.goto('/day/2026-11-23');
    if (round === 0) {
      await page.getByRole('button', { name: 'Begin with an empty desk' }).click();
      await page.goto('/day/2026-11-23');
    }
    await field(page).waitFor();
    const { notes } = await everythingStored(page);
    const all = Object.values(notes).join('\n');
    expect(safe.filter((word) => !all.includes(word))).toEqual([]);
    await field(page).click();
    await page.keyboard.press('Control+End');
    const typed: string[] = [];
    const end = Date.now() + 300 + random() * 1500;
    for (let count = 0; Date.now() < end; count++) {
      typed.push(`r${round}n${count}.`);
      await page.keyboard.type(` ${typed.at(-1)}`);
      if (random() < 0.4) await page.waitForTimeout(random() * 700);
      // It is said after the words were typed: they must be durable.
      if ((await page.getByTestId('save-state').textContent()) === 'Saved') safe.push(...typed.splice(0));
    }
    await killed(context, folder);
  }
  return safe.length;
}

/** Kills every process of the browser that has this folder, as a crash of the machine would. */
export async function killed(context: BrowserContext, folder: string): Promise<void> {
  const closed = new Promise((resolve) => context.once('close', resolve));
  spawnSync('pkill', ['-9', '-f', folder]);
  await closed;
}
