import type { Browser, Page } from '@playwright/test';
import { buildSync } from 'esbuild';
import { ADDRESS, WATCH, longTasks, longestWhileScrolling, openWith, root } from './desk';
import type { EditorPage } from './editor-page';
import { type BenchRow, row } from '../measure';

/** How many lines of words stand under a task, turn by turn. */
const UNDER = [3, 1, 1, 0];

/** A note of 5,000 lines with 2,000 tasks, a quarter of which have a description longer than one line. */
function longNote(): string[] {
  const lines: string[] = [];
  for (let index = 0; index < 2000; index++) {
    if (index % 50 === 0) lines.push(`## Part ${index / 50}`, '');
    lines.push(
      `- [ ] task ${index} about the tide clock #loans @kofi {due 2026-12-${String(1 + (index % 28)).padStart(2, '0')}; takes 30m}`,
    );
    const under = UNDER[index % UNDER.length] ?? 0;
    for (let line = 1; line <= under; line++) lines.push(`  words under it, number ${index}, line ${line}`);
    if (index % 5 === 0) lines.push('');
  }
  while (lines.length < 5000) lines.push(`word ${lines.length}`);
  return lines;
}

/** The least time of some key strokes in the focused editor, in milliseconds, with the layout they ask for. */
async function keyStrokes(page: Page): Promise<number> {
  return page.evaluate(async () => {
    // Words, as people type them: one endless word would cost more with each letter.
    const WORDS = 'the tide turns ';
    const content = document.querySelector<HTMLElement>('.cm-content');
    let best = Infinity;
    for (let round = 0; round < 30; round++) {
      const started = performance.now();
      document.execCommand('insertText', false, WORDS.charAt(round % WORDS.length));
      // The editor hears of it in a microtask.
      await Promise.resolve();
      await Promise.resolve();
      void content?.offsetHeight;
      best = Math.min(best, performance.now() - started);
      await new Promise((resolve) => setTimeout(resolve, 25));
    }
    return best;
  });
}

/** The least time of a key stroke in either page: by turns, so that a slow moment of the machine meets both. */
async function keyStroke(page: Page, plain: Page): Promise<{ ours: number; theirs: number }> {
  const best = { ours: Infinity, theirs: Infinity };
  for (let turn = -2; turn < 6; turn++) {
    const ours = await keyStrokes(page);
    const theirs = await keyStrokes(plain);
    if (turn < 0) continue;
    best.ours = Math.min(best.ours, ours);
    best.theirs = Math.min(best.theirs, theirs);
  }
  return best;
}

type PageWindow = Window & { editorPage: EditorPage };

/** A page with nothing but editors: ours, and the same one with plain Markdown and nothing of ours. */
async function editorPage(browser: Browser): Promise<Page> {
  const built = buildSync({
    entryPoints: [`${root}/bench/in-browser/editor-page.tsx`],
    bundle: true,
    write: false,
    format: 'iife',
    minify: true,
    jsx: 'automatic',
    define: { 'process.env.NODE_ENV': '"production"' },
  });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, bypassCSP: true });
  // A page without an address has no store of its own.
  await page.goto(`${ADDRESS}/healthz`);
  // In the same letters and as wide as ours.
  const styles = /href="(\/assets\/[^"]+\.css)"/.exec(await (await fetch(ADDRESS)).text())?.[1];
  await page.setContent(`<link rel="stylesheet" href="${styles ?? ''}"><body></body>`);
  await page.evaluate(() => document.fonts.load('1rem "Atkinson Hyperlegible Next Variable"'));
  await page.addScriptTag({ content: built.outputFiles[0]?.text ?? '' });
  return page;
}

/** How much longer our editor takes to be made and laid out with a text than the plain one. */
async function making(page: Page, text: string): Promise<number> {
  return page.evaluate(async (doc) => {
    const { make } = (window as unknown as PageWindow).editorPage;
    const best = { ours: Infinity, plain: Infinity };
    for (let round = -30; round < 70; round++) {
      for (const which of ['plain', 'ours'] as const) {
        const time = make(which, doc);
        if (round >= 0) best[which] = Math.min(best[which], time);
        await new Promise((resolve) => setTimeout(resolve, 30));
      }
    }
    return best.ours / best.plain;
  }, text);
}

/** The time from a click to the lines being laid out, in milliseconds. */
const OPENING = async ([tag, words, shown]: string[]): Promise<number> => {
  const link = [...document.querySelectorAll<HTMLElement>(tag ?? '')].find((one) => one.textContent?.startsWith(words ?? ''));
  const started = performance.now();
  link?.click();
  const line = (): HTMLElement | null => document.querySelector<HTMLElement>(shown ?? '');
  while (!line()) await new Promise((resolve) => setTimeout(resolve));
  void line()?.offsetHeight;
  return performance.now() - started;
};

/** The least time of opening the note from the rack, and of opening it in a page with the plain editor alone. */
async function openings(page: Page, plain: Page, text: string, line: number): Promise<{ ours: number; theirs: number }> {
  const best = { ours: Infinity, theirs: Infinity };
  await plain.evaluate((doc) => (window as unknown as PageWindow).editorPage.start(doc), text);
  const inbox = page.getByRole('link', { name: /^Inbox/ }).first();
  for (let round = 0; round < 6; round++) {
    await inbox.click();
    await page.getByRole('heading', { level: 1, name: 'Inbox' }).waitFor();
    await page.waitForTimeout(300);
    best.ours = Math.min(best.ours, await page.evaluate(OPENING, ['a', 'Long', '.cm-task-line']));
    if (round > 0) await plain.getByRole('button', { name: 'Open' }).click();
    await plain.waitForTimeout(300);
    best.theirs = Math.min(best.theirs, await plain.evaluate(OPENING, ['button', 'Open', '.cm-line']));
  }
  await plain.evaluate((at) => (window as unknown as PageWindow).editorPage.toLine(at), line);
  await plain.waitForTimeout(500);
  return best;
}

/** What writing in a long note costs, against the same editor with plain Markdown. */
export async function writingRows(browser: Browser): Promise<BenchRow[]> {
  const lines = longNote();
  const text = lines.join('\n');
  // A task in the middle.
  const line = lines.findIndex((words, index) => index > 2500 && words.startsWith('- [ ]')) + 1;
  const page = await openWith(browser, [{ path: 'Long.md', text }]);
  await page.addInitScript(WATCH);
  await page.goto(`${ADDRESS}/note/Long.md?line=${line}`);
  await page.locator('.cm-found-line').waitFor();
  const plain = await editorPage(browser);
  const made = await making(plain, text);
  const { ours: opened, theirs: openedPlain } = await openings(page, plain, text, line);
  await page.goto(`${ADDRESS}/note/Long.md?line=${line}`);
  await page.locator('.cm-found-line').click();
  await page.keyboard.press('End');
  await page.waitForTimeout(800);
  await longTasks(page);
  await plain.locator('.cm-content').focus();
  const { ours, theirs } = await keyStroke(page, plain);
  const whileTyping = await longTasks(page);
  const whileScrolling = await longestWhileScrolling(page, 25, 700);
  await page.close();
  await plain.close();
  if (process.env['RECADO_BENCH_TIMES']) console.error({ ours, theirs, opened, openedPlain, whileTyping, whileScrolling });
  const worst = Math.max(whileScrolling, ...whileTyping);
  return [
    row('a key stroke in a note of 5,000 lines', 'times the plain editor', ours / theirs, { atMost: 1.5 }),
    row('opening that note: its editor made and laid out', 'times the plain editor', made, { atMost: 3 }),
    row('the same from the click in the rack', 'times a page with the plain editor alone', opened / openedPlain, null),
    row('the longest hold-up while typing and scrolling in it', 'times 50 milliseconds', worst / 50, { atMost: 1 }),
  ];
}
