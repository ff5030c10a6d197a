import { type Browser, type Page, type chromium, expect } from '@playwright/test';
import { changedTask, readTask } from '../../stand-in/task-text';
import { writeBeside } from './exchanges';
import { HostileServer, type OutsideService, OwnersBrowser, PATH, madeReady, outsideService } from './hostile-desk';
import { shownText } from './shown-text';
import { everythingStored, randomFrom } from './stored';

interface HostileRun {
  browser: Browser;
  launch: Parameters<typeof chromium.launchPersistentContext>[1];
  port: number;
  /** How long all write and everything fails. */
  seconds: number;
  seed: number;
  /** What fails, one after the other; without it any of them, by the seed. */
  faults?: readonly Fault[];
}

/** What was said to be saved, by who wrote it, and what was done to it all. */
interface HostileWeek {
  words: number;
  faults: string[];
}

const ADDRESS = `/note/${encodeURIComponent(PATH)}`;
/** So long both sides of everything have to agree, once nothing fails any more; in milliseconds. */
const TO_AGREE = { timeout: 120_000, intervals: [1000] };

/**
 * One desk, and all at once: two tabs of its owner, a phone that is linked, a borrower, files of a folder that another program writes, a list
 * of an outside service that others change; meanwhile the server is killed, the owner's browser is killed, the phone loses its network, the
 * service fails. In the end every word that was said to be saved stands in a note, and all who hold the desk hold the same.
 */
export async function runHostileModel({ browser, launch, port, seconds, seed, faults: asked = [] }: HostileRun): Promise<HostileWeek> {
  const random = randomFrom(seed);
  const server = new HostileServer(port);
  const service = outsideService();
  const owner = new OwnersBrowser(server.address, launch);
  try {
    await server.start();
    await owner.start(2);
    const { phone, borrower } = await madeReady(owner, service, browser, server.address);
    for (const page of [...owner.pages, phone]) await opened(page);
    const words = new Words();
    const faults: string[] = [];
    const end = Date.now() + seconds * 1000;
    while (Date.now() < end) {
      const until = Math.min(end, Date.now() + 4000 + random() * 8000);
      const hands = [
        ...owner.pages.map((page, tab) => words.write(page, `tab${tab}`, until, random)),
        words.write(phone, 'phone', until, random),
        words.write(borrower, 'borrower', until, random),
        changeOutside(service, until, random),
        changeFile(owner.pages, words, until, random),
      ];
      const fault = asked[faults.length] ?? FAULTS[Math.floor(random() * FAULTS.length)] ?? 'nothing';
      faults.push(fault);
      await Promise.all([...hands, fail(fault, { server, owner, service, phone })]);
      await mended(fault, { server, owner, service, phone });
    }
    await allAgree({ owner, phone, borrower, service, words }, faults);
    return { words: words.count, faults };
  } finally {
    await owner.end();
    service.end();
    server.end();
  }
}

const text = (page: Page) => page.getByRole('textbox', { name: /^(?:Text of the note|What is lent to you)$/ });

async function opened(page: Page): Promise<void> {
  await page.goto(ADDRESS);
  await expect(text(page), (await page.locator('body').innerText()).slice(0, 400)).toBeVisible({ timeout: 30_000 });
}

/** The words that were written by anybody, and of them those that were said to be safe. */
class Words {
  private readonly safe = new Set<string>();
  private next = 0;

  get count(): number {
    return this.safe.size;
  }

  missingIn(all: string): string[] {
    return [...this.safe].filter((word) => !all.includes(word));
  }

  make(who: string): string {
    this.next += 1;
    return `${who}n${this.next}z`;
  }

  keep(words: readonly string[]): void {
    for (const word of words) this.safe.add(word);
  }

  /** Types words at the ends of lines until a moment; what the page called saved afterwards is safe. It ends where the page is gone. */
  async write(page: Page, who: string, until: number, random: () => number): Promise<void> {
    const typed: string[] = [];
    try {
      while (Date.now() < until) {
        const word = this.make(who);
        await page.evaluate(() => document.querySelector<HTMLElement>('.cm-content')?.focus());
        await page.keyboard.press('Control+End');
        for (let up = Math.floor(random() * 9); up > 0; up--) await page.keyboard.press('ArrowUp');
        // Twice: the first stops where a long line is broken.
        await page.keyboard.press('End');
        await page.keyboard.press('End');
        // Whole: letters that two type at one place at once stand among each other.
        await page.keyboard.insertText(` ${word}`);
        if ((await shownText(page))?.includes(word)) typed.push(word);
        await page.waitForTimeout(50 + random() * 400);
        if (await page.getByText('Saved', { exact: true }).first().isVisible()) this.keep(typed.splice(0));
      }
    } catch {
      // The browser was killed under the hand: what it had not called saved may be gone.
    }
  }
}

type Fault = 'nothing' | 'server killed' | 'browser killed' | 'phone without a network' | 'service fails';
export const FAULTS: readonly Fault[] = ['nothing', 'server killed', 'browser killed', 'phone without a network', 'service fails'];

interface Parts {
  server: HostileServer;
  owner: OwnersBrowser;
  service: OutsideService;
  phone: Page;
}

async function fail(fault: Fault, { server, owner, service, phone }: Parts): Promise<void> {
  await new Promise((resolve) => setTimeout(resolve, 1500));
  if (fault === 'server killed') server.kill();
  if (fault === 'browser killed') await owner.kill();
  if (fault === 'phone without a network') await phone.context().setOffline(true);
  if (fault === 'service fails') for (const one of ['error', 'half', 'slow', 'busy'] as const) service.faults.ask(one, 3);
}

async function mended(fault: Fault, { server, owner, service, phone }: Parts): Promise<void> {
  if (fault === 'server killed') await server.start();
  if (fault === 'phone without a network') await phone.context().setOffline(false);
  if (fault === 'service fails') service.faults.clear();
  if (fault === 'browser killed') {
    await owner.start(2);
    for (const page of owner.pages) await opened(page);
  }
}

/** Ticks, dates and names tasks anew where they stand outside. */
async function changeOutside({ files }: OutsideService, until: number, random: () => number): Promise<void> {
  while (Date.now() < until) {
    await new Promise((resolve) => setTimeout(resolve, 1000 + random() * 2500));
    const all = files.all('team');
    const one = all[Math.floor(random() * all.length)];
    if (!one) continue;
    const change = random() < 0.5 ? { done: random() < 0.5 } : { due: `2026-12-${10 + Math.floor(random() * 15)}` };
    files.write('team', one.name, changedTask(one.text, change, new Date()), undefined);
  }
}

/** Another program writes in the file of the note. */
async function changeFile(pages: readonly Page[], words: Words, until: number, random: () => number): Promise<void> {
  try {
    while (Date.now() < until) {
      await new Promise((resolve) => setTimeout(resolve, 1500 + random() * 2500));
      const word = words.make('file');
      if (await writeBeside(pages, PATH, word)) words.keep([word]);
    }
  } catch {
    // The browser was killed, and with it the program beside it.
  }
}

interface Holders {
  owner: OwnersBrowser;
  phone: Page;
  borrower: Page;
  service: OutsideService;
  words: Words;
}

async function allAgree({ owner, phone, borrower, service, words }: Holders, faults: string[]): Promise<void> {
  const page = owner.pages[0] as Page;
  const here = async (): Promise<Record<string, string>> => (await everythingStored(page)).notes;
  const apart = async (): Promise<string[]> => {
    const mine = await here();
    const theirs = (await everythingStored(phone)).notes;
    // A file that is just being written cannot be read.
    const files: Record<string, string> = await filesOf(page).catch(() => ({}));
    // Put out, it shows why.
    const shown = (await shownText(borrower)) ?? (await borrower.locator('body').innerText());
    const all = Object.values(mine).join('\n');
    return [
      ...words.missingIn(all).map((word) => `${word} is in no note`),
      ...[...new Set([...Object.keys(mine), ...Object.keys(theirs)])]
        .filter((path) => mine[path] !== theirs[path])
        .map((path) => `phone: ${path}`),
      ...Object.keys(mine)
        .filter((path) => files[path] !== undefined && mine[path] !== files[path])
        .map((path) => `folder: ${path}`),
      ...Object.keys(mine)
        .filter((path) => files[path] === undefined)
        .map((path) => `folder without ${path}`),
      ...branchOf(mine[PATH] ?? '')
        .filter((word) => !shown.includes(word))
        .map((word) => `borrower: ${word}; it shows ${shown.slice(0, 200)}`)
        .slice(0, 3),
      ...outsideApart(service, mine[PATH] ?? ''),
    ];
  };
  await expect.poll(apart, { ...TO_AGREE, message: faults.join(', ') }).toEqual([]);
}

/** Every file of the folder with which the desk is kept in step. */
function filesOf(page: Page): Promise<Record<string, string>> {
  return page.evaluate(async () => {
    const found: Record<string, string> = {};
    const read = async (folder: FileSystemDirectoryHandle, before: string): Promise<void> => {
      for await (const handle of folder.values()) {
        if (handle.kind === 'directory') await read(handle, `${before}${handle.name}/`);
        else if (handle.name.endsWith('.md')) found[before + handle.name] = await (await handle.getFile()).text();
      }
    };
    await read(await (await navigator.storage.getDirectory()).getDirectoryHandle('desk'), '');
    return found;
  });
}

/** The words that were written on the lines that are lent. */
function branchOf(note: string): string[] {
  const lines = note.split('\n');
  const first = lines.findIndex((line) => line.includes('Crate of the lens'));
  if (first < 0) return ['the branch itself'];
  const after = lines.slice(first + 1).findIndex((line) => line !== '' && !line.startsWith('  '));
  return lines.slice(first, after < 0 ? undefined : first + 1 + after).flatMap((line) => line.match(/\w+n\d+z/g) ?? []);
}

/** What is done on one side alone. */
function outsideApart({ files }: OutsideService, note: string): string[] {
  return files.all('team').flatMap(({ text: words }) => {
    const task = readTask(words);
    const ref = /\/item\/(\w{6})/.exec(words.replace(/\r\n /g, ''))?.[1];
    const line = note.split('\n').find((one) => ref !== undefined && one.includes(`ref ${ref}`));
    if (!task || line === undefined) return [`outside: ${task?.words ?? words} has no line`];
    return task.done === /\[[xX]\]/.test(line) ? [] : [`outside: ${task.words} is ${task.done ? 'done' : 'open'} there`];
  });
}
