import { type ChildProcess, spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { type Browser, type BrowserContext, type Page, chromium, expect } from '@playwright/test';
import { makeStandIn } from '../../stand-in/app';
import { Desk } from '../desk';
import { watchExchanges } from './exchanges';
import { killed } from './leaving-model';

export const PATH = 'Van week.md';
const KEY = 'key-of-the-hostile-week';
const NOTE = `# Van week
- [ ] Weigh the crate #van
- [ ] Count the labels #van
- [ ] Order glass #van

# At the lighthouse
- [ ] Crate of the lens
  - [ ] Photograph it

# Words
first words
`;

type Launch = Parameters<typeof chromium.launchPersistentContext>[1];

/** A server of its own, that can be killed as by a crash of its machine, and comes back on its port with its data. */
export class HostileServer {
  private readonly data = mkdtempSync(path.join(tmpdir(), 'recado-hostile-data-'));
  private process: ChildProcess | null = null;

  constructor(private readonly port: number) {}

  get address(): string {
    return `http://localhost:${this.port}`;
  }

  async start(): Promise<void> {
    const root = path.resolve(import.meta.dirname, '../..');
    const isThere = (): Promise<boolean> =>
      fetch(`${this.address}/healthz`).then(
        ({ ok }) => ok,
        () => false,
      );
    // One that another run left would answer in its place, with other data.
    expect(await isThere(), `another server listens at ${this.address}`).toBe(false);
    this.process = spawn(process.execPath, [path.join(root, 'node_modules/tsx/dist/cli.mjs'), path.join(root, 'server/main.ts')], {
      cwd: root,
      env: { ...process.env, PORT: String(this.port), DATA: this.data },
      stdio: 'ignore',
      // Killed with all that it started.
      detached: true,
    });
    await expect.poll(isThere, { timeout: 60_000 }).toBe(true);
  }

  kill(): void {
    if (this.process?.pid !== undefined && this.process.exitCode === null) process.kill(-this.process.pid, 'SIGKILL');
    this.process = null;
  }

  end(): void {
    this.kill();
    rmSync(this.data, { recursive: true, force: true });
  }
}

/** An outside task service, and what stands on its list. */
export function outsideService() {
  const data = mkdtempSync(path.join(tmpdir(), 'recado-hostile-lists-'));
  const standIn = makeStandIn(data, KEY, () => new Date());
  const server = standIn.app.listen(0, '127.0.0.1');
  return {
    ...standIn,
    address: () => `http://localhost:${(server.address() as AddressInfo).port}`,
    end: () => {
      server.closeAllConnections();
      server.close();
      rmSync(data, { recursive: true, force: true });
    },
  };
}

export type OutsideService = ReturnType<typeof outsideService>;

/** The owner's browser: two tabs, a folder of files; it can be killed and comes back with what it kept. */
export class OwnersBrowser {
  private readonly folder = mkdtempSync(path.join(tmpdir(), 'recado-hostile-owner-'));
  private context: BrowserContext | null = null;
  pages: Page[] = [];

  constructor(
    private readonly address: string,
    private readonly launch: Launch,
  ) {}

  async start(tabs: number): Promise<void> {
    const context = await chromium.launchPersistentContext(this.folder, {
      ...this.launch,
      baseURL: this.address,
      viewport: { width: 1280, height: 800 },
      timezoneId: 'Europe/Lisbon',
      serviceWorkers: 'block',
    });
    this.context = context;
    await watchExchanges(context);
    await context.addInitScript(() =>
      Object.assign(window, {
        showDirectoryPicker: async () => (await navigator.storage.getDirectory()).getDirectoryHandle('desk', { create: true }),
      }),
    );
    this.pages = [context.pages()[0] ?? (await context.newPage())];
    while (this.pages.length < tabs) this.pages.push(await context.newPage());
  }

  async kill(): Promise<void> {
    if (this.context) await killed(this.context, this.folder);
    this.context = null;
    this.pages = [];
  }

  async end(): Promise<void> {
    await this.context?.close();
    rmSync(this.folder, { recursive: true, force: true });
  }
}

/** Makes the one desk of all: notes, a folder, a desk on the server with a phone, three lines on an outside list, a branch that is lent. */
export async function madeReady(owner: OwnersBrowser, service: OutsideService, browser: Browser, address: string) {
  const page = owner.pages[0] as Page;
  const desk = new Desk(page);
  // The clock runs, unlike in journeys: what is done and told each minute happens among the faults.
  await page.goto('/');
  await page.getByRole('button', { name: 'Begin with an empty desk' }).click();
  await expect(page.getByText(/lines indexed/)).toBeAttached();
  await desk.bringIn([{ name: PATH, mimeType: 'text/markdown', buffer: Buffer.from(NOTE) }]);
  await page.keyboard.press('Escape');
  await joinedOutside(desk, service);
  const lent = await lentToWrite(desk);
  await page.goto('/keep');
  await page.getByRole('button', { name: 'Join a folder…' }).click();
  await expect(page.getByText('is in step')).toBeVisible();
  await page.getByRole('button', { name: 'Begin a desk on the server' }).click();
  await page.getByRole('button', { name: 'Link another device…' }).click();
  const words = await page.getByTestId('link-words').innerText();
  const phone = await other(browser, address, { width: 390, height: 844 });
  await phone.goto(`/link#${words.replaceAll(' ', '+')}`);
  await phone.getByLabel('Name of this device').fill('Pocket');
  await phone.getByRole('button', { name: 'Link this device' }).click();
  await expect(page.getByRole('dialog').getByText('“Pocket” is linked.')).toBeVisible({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await expect.poll(() => new Desk(phone).stored(PATH), { timeout: 60_000 }).toContain('first words');
  const borrower = await other(browser, address, { width: 1280, height: 800 });
  await borrower.goto(lent);
  await expect(borrower.getByRole('textbox', { name: 'What is lent to you' })).toContainText('Crate of the lens');
  return { phone, borrower };
}

async function other(browser: Browser, baseURL: string, viewport: { width: number; height: number }): Promise<Page> {
  const context = await browser.newContext({ baseURL, viewport, timezoneId: 'Europe/Lisbon', serviceWorkers: 'block' });
  return context.newPage();
}

async function joinedOutside(desk: Desk, service: OutsideService): Promise<void> {
  const { page } = desk;
  await page.goto('/outside');
  await page.getByRole('button', { name: 'Follow a list…' }).click();
  await page.getByLabel('Address of the service').fill(service.address());
  await page.getByLabel('Name there').fill('ilse');
  await page.getByLabel('Access key or password').fill(KEY);
  await page.keyboard.press('Enter');
  await page.getByRole('checkbox', { name: 'Team' }).check();
  await page.getByRole('button', { name: 'Follow them' }).click();
  await page.getByRole('link', { name: 'Team', exact: true }).click();
  const open = page.getByRole('region', { name: 'Not there yet' });
  for (const words of ['Weigh the crate', 'Count the labels', 'Order glass']) await open.getByText(words).click({ modifiers: ['Control'] });
  await page.getByRole('region', { name: 'Selected tasks' }).getByRole('button', { name: 'More…' }).click();
  await page.getByRole('menuitem', { name: 'Outside list' }).click();
  await page.getByRole('menuitem', { name: 'Join or send on…' }).click();
  await page.getByRole('button', { name: 'Join', exact: true }).click();
  await expect.poll(() => service.files.all('team').length).toBe(3);
}

/** Lends the branch of the lens; gives its address. */
async function lentToWrite(desk: Desk): Promise<string> {
  const { page } = desk;
  await page.goto(`/note/${encodeURIComponent(PATH)}?line=7`);
  await desk.text.getByText('Crate of the lens').click();
  await page.getByRole('button', { name: 'Actions for this note' }).click();
  await page.getByRole('menuitem', { name: 'Lend what is at the cursor…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Lend' });
  await dialog.getByRole('radio', { name: 'To write: tick, write, move, add' }).check();
  await dialog.getByRole('button', { name: 'Lend', exact: true }).click();
  const address = await dialog.getByLabel('Its address').inputValue();
  await page.keyboard.press('Escape');
  return address;
}
