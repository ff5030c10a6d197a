import type { Browser, Page } from '@playwright/test';
import { ADDRESS, openWith } from './desk';
import { makeLibrary } from '../library';
import { type BenchRow, row } from '../measure';

const FOLDER = 'bench';
/** In milliseconds: so soon a change outside is to be in. */
const SOON = 2000;

/** Writes the notes as files into the browser's own file space. */
async function writeFiles(page: Page, notes: readonly { path: string; text: string }[]): Promise<void> {
  for (let at = 0; at < notes.length; at += 500)
    await page.evaluate(
      async ([name, some]) => {
        const root = await (await navigator.storage.getDirectory()).getDirectoryHandle(name, { create: true });
        const folders = new Map<string, FileSystemDirectoryHandle>([['', root]]);
        for (const { path, text } of some) {
          const parts = path.split('/');
          const file = parts.pop() ?? '';
          let folder = root;
          for (let depth = 0; depth < parts.length; depth++) {
            const key = parts.slice(0, depth + 1).join('/');
            folder = folders.get(key) ?? (await folder.getDirectoryHandle(parts[depth] ?? '', { create: true }));
            folders.set(key, folder);
          }
          const writable = await (await folder.getFileHandle(file, { create: true })).createWritable();
          await writable.write(text);
          await writable.close();
        }
      },
      [FOLDER, notes.slice(at, at + 500)] as const,
    );
}

/** Reads every file, and nothing else; in milliseconds, the least of three. */
async function readingAlone(page: Page): Promise<number> {
  return page.evaluate(async (name) => {
    let least = Infinity;
    for (let round = 0; round < 3; round++) {
      const began = performance.now();
      const walk = async (folder: FileSystemDirectoryHandle): Promise<void> => {
        for await (const handle of folder.values())
          if (handle.kind === 'directory') await walk(handle);
          else new TextDecoder('utf-8', { fatal: true }).decode(await (await handle.getFile()).arrayBuffer());
      };
      await walk(await (await navigator.storage.getDirectory()).getDirectoryHandle(name));
      least = Math.min(least, performance.now() - began);
    }
    return least;
  }, FOLDER);
}

/** What a folder of 10,000 notes costs: to be read and compared once, and a change in it. */
export async function folderRows(browser: Browser): Promise<BenchRow[]> {
  const notes = makeLibrary(10_000);
  const page = await openWith(browser, notes);
  await page.addInitScript(
    (name) => Object.assign(window, { showDirectoryPicker: async () => (await navigator.storage.getDirectory()).getDirectoryHandle(name) }),
    FOLDER,
  );
  await writeFiles(page, notes);
  await page.goto(`${ADDRESS}/keep`);
  await page.getByText(/lines indexed/).waitFor({ timeout: 120_000 });
  await page.waitForTimeout(8000);
  const alone = await readingAlone(page);
  const part = page.getByRole('region', { name: 'A folder on disk' });
  const began = Date.now();
  await part.getByRole('button', { name: 'Join a folder…' }).click();
  await part.getByText('is in step').waitFor({ timeout: 300_000 });
  const joined = Date.now() - began;
  await page.waitForTimeout(5000);
  const first = notes[0] ?? { path: '', text: '' };
  await writeFiles(page, [{ path: first.path, text: `${first.text}\n- [ ] from outside the house\n` }]);
  const changed = Date.now();
  await part.getByText('Last: 1 note came in').waitFor({ timeout: 60_000 });
  const came = Date.now() - changed;
  await page.close();
  if (process.env['RECADO_BENCH_TIMES']) console.error({ alone, joined, came });
  return [
    row('joining a folder of 10,000 notes, read and compared', 'times reading alone', joined / alone, { atMost: 3 }),
    row('a change in one of its files, until it is in', 'times two seconds', came / SOON, { atMost: 1 }),
  ];
}
