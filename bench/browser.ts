import { type ChildProcess, spawn } from 'node:child_process';
import path from 'node:path';
import { type Browser, type Page, chromium } from '@playwright/test';
import { buildSync } from 'esbuild';
import { makeLibrary } from './library';
import { type BenchRow, row } from './measure';

const PORT = 4189;
const ADDRESS = `http://localhost:${PORT}`;
const root = path.resolve(process.cwd());

/** A note of 5,000 lines with 2,000 tasks. */
function longNote(): string {
  const lines: string[] = [];
  for (let index = 0; lines.length < 5000; index++) {
    if (index % 25 === 0) lines.push(`## Part ${index / 25}`, '');
    lines.push(
      `- [ ] task ${index} about the tide clock #loans @kofi {due 2026-12-${String(1 + (index % 28)).padStart(2, '0')}; takes 30m}`,
    );
    lines.push(`  words under it, number ${index}`);
    if (index % 2 === 0) lines.push('');
  }
  return lines.slice(0, 5000).join('\n');
}

interface StoredBench {
  path: string;
  text: string;
}

async function launch(): Promise<Browser> {
  return chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: [
      ...(process.getuid?.() === 0 ? ['--no-sandbox'] : []),
      ...'--disable-gpu --disable-quic --no-first-run --disable-background-networking --disable-component-update --disable-sync'.split(' '),
    ],
  });
}

/** Opens Recado with notes stored, as an empty desk that has been used. */
async function openWith(browser: Browser, notes: readonly StoredBench[]): Promise<Page> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.clock.setFixedTime(new Date('2026-11-23T09:20:00'));
  await page.goto(ADDRESS);
  await page.getByRole('button', { name: 'Begin with an empty desk' }).click();
  await page.getByText(/lines indexed/).waitFor({ state: 'attached' });
  for (let at = 0; at < notes.length; at += 500) {
    await page.evaluate(
      (portion) =>
        new Promise<void>((resolve, reject) => {
          const request = indexedDB.open('recado');
          request.onerror = () => reject(new Error('the database does not open'));
          request.onsuccess = () => {
            const transaction = request.result.transaction('notes', 'readwrite');
            const store = transaction.objectStore('notes');
            for (const { path: notePath, text } of portion)
              store.put({ key: notePath.toLowerCase(), path: notePath, text, bytes: null, changed: 0, demo: null });
            transaction.oncomplete = () => resolve();
          };
        }),
      notes.slice(at, at + 500),
    );
  }
  return page;
}

/** Watches for tasks of the main thread that hold it up for more than 50 milliseconds. */
const WATCH = `window.longTasks = []; new PerformanceObserver((list) => { for (const entry of list.getEntries()) window.longTasks.push(entry.duration); }).observe({ type: 'longtask' });`;
const longTasks = (page: Page): Promise<number[]> =>
  page.evaluate(() => (window as unknown as { longTasks: number[] }).longTasks.splice(0));

/** The least time of a key stroke in the focused editor, in milliseconds, with the layout it asks for. */
async function keyStroke(page: Page): Promise<number> {
  return page.evaluate(async () => {
    const content = document.querySelector<HTMLElement>('.cm-content');
    let best = Infinity;
    for (let round = -2; round < 15; round++) {
      const started = performance.now();
      document.execCommand('insertText', false, 'a');
      // The editor hears of it in a microtask.
      await Promise.resolve();
      await Promise.resolve();
      void content?.offsetHeight;
      const time = performance.now() - started;
      if (round >= 0 && time < best) best = time;
      await new Promise((resolve) => setTimeout(resolve, 40));
    }
    return best;
  });
}

/** The same editor with plain Markdown and nothing of ours, in a page of its own. */
async function plainEditor(browser: Browser, text: string): Promise<{ page: Page; opened: number }> {
  const source = `
    import { EditorState } from '@codemirror/state';
    import { EditorView, drawSelection, keymap } from '@codemirror/view';
    import { defaultKeymap, history } from '@codemirror/commands';
    import { markdown, markdownLanguage } from '@codemirror/lang-markdown';
    window.openPlain = (doc) => {
      const started = performance.now();
      const view = new EditorView({ parent: document.body, state: EditorState.create({ doc, extensions: [history(), drawSelection(), keymap.of(defaultKeymap), markdown({ base: markdownLanguage }), EditorView.lineWrapping] }) });
      void view.dom.offsetHeight;
      const time = performance.now() - started;
      const at = view.state.doc.line(2500).to;
      view.dispatch({ selection: { anchor: at }, effects: EditorView.scrollIntoView(at, { y: 'center' }) });
      view.focus();
      return time;
    };`;
  const built = buildSync({ stdin: { contents: source, resolveDir: root }, bundle: true, write: false, format: 'iife' });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.setContent('<body></body>');
  await page.addScriptTag({ content: built.outputFiles[0]?.text ?? '' });
  let opened = Infinity;
  for (let round = 0; round < 5; round++) {
    const time = await page.evaluate((doc) => {
      document.body.replaceChildren();
      return (window as unknown as { openPlain: (doc: string) => number }).openPlain(doc);
    }, text);
    opened = Math.min(opened, time);
  }
  await page.waitForTimeout(500);
  return { page, opened };
}

async function writingRows(browser: Browser): Promise<BenchRow[]> {
  const text = longNote();
  const page = await openWith(browser, [{ path: 'Long.md', text }]);
  await page.addInitScript(WATCH);
  await page.goto(`${ADDRESS}/note/Long.md?line=2500`);
  await page.locator('.cm-found-line').waitFor();
  await page.locator('.cm-found-line').click();
  await page.keyboard.press('End');
  await page.waitForTimeout(800);
  await longTasks(page);
  const ours = await keyStroke(page);
  const whileTyping = await longTasks(page);
  const { page: plain, opened } = await plainEditor(browser, text);
  await plain.locator('.cm-content').focus();
  const theirs = await keyStroke(plain);
  const scroller = page.locator('#page');
  for (let step = 0; step < 25; step++) {
    await scroller.evaluate((element, by) => element.scrollBy(0, by), 700);
    await page.waitForTimeout(30);
  }
  const whileScrolling = await longTasks(page);
  // Opening: from another page to the text being there.
  let openOurs = Infinity;
  for (let round = 0; round < 5; round++) {
    await page
      .getByRole('link', { name: /^Inbox/ })
      .first()
      .click();
    await page.getByRole('heading', { level: 1, name: 'Inbox' }).waitFor();
    const time = await page.evaluate(async () => {
      const link = [...document.querySelectorAll('a')].find((one) => one.textContent?.startsWith('Long'));
      const started = performance.now();
      link?.click();
      while (!document.querySelector('.cm-task-line')) await new Promise((resolve) => setTimeout(resolve));
      return performance.now() - started;
    });
    openOurs = Math.min(openOurs, time);
  }
  await page.close();
  await plain.close();
  if (process.env['RECADO_BENCH_TIMES']) console.error({ ours, theirs, openOurs, opened, whileTyping, whileScrolling });
  const worst = Math.max(0, ...whileTyping, ...whileScrolling);
  return [
    row('a key stroke in a note of 5,000 lines', 'times the plain editor', ours / theirs, { atMost: 1.5 }),
    row('opening that note', 'times the plain editor', openOurs / opened, { atMost: 3 }),
    row('the longest hold-up while typing and scrolling in it', 'times 50 milliseconds', worst / 50, { atMost: 1 }),
  ];
}

async function agendaRows(browser: Browser): Promise<BenchRow[]> {
  const notes = makeLibrary(10_000);
  const page = await openWith(browser, notes);
  await page.addInitScript(WATCH);
  await page.goto(`${ADDRESS}/note/Agenda/Undated.md`);
  await page.getByText(/lines indexed/).waitFor({ timeout: 120_000 });
  await page.locator('#page li[data-row]').first().waitFor({ timeout: 60_000 });
  await page.waitForTimeout(1500);
  await longTasks(page);
  const scroller = page.locator('#page');
  for (let step = 0; step < 40; step++) {
    await scroller.evaluate((element, by) => element.scrollBy(0, by), 900);
    await page.waitForTimeout(25);
  }
  const scrolling = Math.max(0, ...(await longTasks(page)));
  // Another page: frames between its answer and its rows.
  const frames = await page.evaluate(async () => {
    const link = [...document.querySelectorAll('a')].find((one) => one.textContent?.startsWith('Today'));
    link?.click();
    const shown = (): boolean =>
      document.querySelector('h1')?.textContent === 'Today' && document.querySelector('#page li[data-row]') !== null;
    let waited = 0;
    while (!shown() && waited < 600) {
      await new Promise((resolve) => requestAnimationFrame(resolve));
      waited++;
    }
    return waited;
  });
  await page.close();
  return [
    row('scrolling a list of more than 10,000 rows', 'times 50 milliseconds is the longest hold-up', scrolling / 50, { atMost: 1 }),
    row('opening Today with “large” stored', 'frames until its rows show, the answer included', frames, null),
  ];
}

function serve(): ChildProcess {
  const tsx = path.join(root, 'node_modules/tsx/dist/cli.mjs');
  return spawn(process.execPath, [tsx, path.join(root, 'server/main.ts')], {
    env: { ...process.env, PORT: String(PORT) },
    stdio: 'ignore',
  });
}

/** Rows that only the real browser can give. */
export async function browserRows(): Promise<BenchRow[]> {
  const server = serve();
  const browser = await launch();
  try {
    for (let attempt = 0; attempt < 50; attempt++) {
      const fine = await fetch(`${ADDRESS}/healthz`).then(
        (response) => response.ok,
        () => false,
      );
      if (fine) break;
      await new Promise((resolve) => setTimeout(resolve, 200));
    }
    return [...(await writingRows(browser)), ...(await agendaRows(browser))];
  } finally {
    await browser.close();
    server.kill();
  }
}
