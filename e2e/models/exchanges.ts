import { type BrowserContext, type Page, expect } from '@playwright/test';

/** A file that the program in a page exchanged, or is about to; in milliseconds of the real clock, which is that of all pages. */
interface Exchange {
  name: string;
  /** When it began to write beside the file. */
  begun: number;
  /** When it began to look at the file for the last time. */
  looked: number;
  /** When the exchange was done; null as long as it is not. */
  done: number | null;
}

interface WatchedWindow extends Window {
  /** What the program did to files. */
  exchanges: Set<Exchange>;
  /** The browser's own ways, for another program in the same page. */
  plain: {
    now: () => number;
    getFile: (this: FileSystemFileHandle) => Promise<File>;
    createWritable: (this: FileSystemFileHandle, options?: FileSystemCreateWritableOptions) => Promise<FileSystemWritableFileStream>;
  };
}

/** Has each page of a browser note when it looks at files and exchanges them. To be called before its clock is set. */
export function watchExchanges(context: BrowserContext): Promise<unknown> {
  return context.addInitScript(() => {
    const now = Date.now.bind(Date);
    const prototype = FileSystemFileHandle.prototype as unknown as WatchedWindow['plain'];
    const plain = { now, getFile: prototype.getFile, createWritable: prototype.createWritable };
    const exchanges = new Set<Exchange>();
    const looks = new Map<string, number>();
    Object.assign(window, { plain, exchanges });
    prototype.getFile = function () {
      looks.set(this.name, now());
      return plain.getFile.call(this);
    };
    prototype.createWritable = async function (options) {
      const exchange: Exchange = { name: this.name, begun: now(), looked: now(), done: null };
      exchanges.add(exchange);
      const stream = await plain.createWritable.call(this, options).catch((error: unknown) => {
        exchanges.delete(exchange);
        throw error;
      });
      const close = stream.close.bind(stream);
      const abort = stream.abort.bind(stream);
      stream.close = async () => {
        exchange.looked = looks.get(this.name) ?? exchange.begun;
        await close().finally(() => (exchange.done = now()));
      };
      stream.abort = async (reason) => {
        exchanges.delete(exchange);
        await abort(reason);
      };
      return stream;
    };
  });
}

/**
 * Writes a word to the end of a file as another program does, a careful one: what was written into the file meanwhile is not written over.
 *
 * @returns whether the word has to be kept by whoever reads the folder: it was written, and not in the very moment in which the program, that
 * could not see it any more, exchanged the file (docs/limits.md)
 */
export async function writeBeside(pages: readonly Page[], name: string, word: string): Promise<boolean> {
  const written = await (pages[0] as Page).evaluate(
    async ([file, added]) => {
      const { now, getFile, createWritable } = (window as unknown as WatchedWindow).plain;
      const desk = await (await navigator.storage.getDirectory()).getDirectoryHandle('desk');
      const handle = await desk.getFileHandle(file);
      const before = await getFile.call(handle);
      const stream = await createWritable.call(handle);
      await stream.write(`${(await before.text()).trimEnd()} ${added}\n`);
      const isSame = (await getFile.call(handle)).lastModified === before.lastModified;
      const from = now();
      await (isSame ? stream.close() : stream.abort());
      return isSame ? { from, to: now() } : null;
    },
    [name, word] as const,
  );
  if (written === null) return false;
  const { from, to } = written;
  const near = async (): Promise<Exchange[]> => {
    const all = await Promise.all(pages.map((page) => page.evaluate(() => [...(window as unknown as WatchedWindow).exchanges])));
    return all.flat().filter((one) => one.name === name && one.begun <= to && (one.done ?? Infinity) >= from);
  };
  // Who had begun before it may exchange the file after it.
  await expect.poll(async () => (await near()).filter(({ done }) => done === null), { timeout: 20_000 }).toEqual([]);
  return (await near()).every(({ looked }) => looked > to);
}
