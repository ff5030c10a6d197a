/** A folder of the browser, made up: names with what they hold; a function is asked when its file is looked at. */
export interface MadeFolder {
  [name: string]: MadeFolder | string | (() => File);
}

/** What becomes of a file while it is written. */
export interface Mishap {
  /** Writing fails with this. */
  fails?: Error;
  /** Done once while a file is written, before it is closed. */
  meanwhile?: () => void;
  /** How often a half-written file was given up. */
  aborted: number;
}

const notThere = (): DOMException => new DOMException('there is none', 'NotFoundError');

/**
 * Handles as the File System standard describes them (WHATWG File System, `FileSystemDirectoryHandle`), over plain objects: what is
 * written stands in its file when it is closed.
 *
 * @example madeHandle({ 'A.md': 'a', Store: { 'B.md': 'b' } })
 */
export function madeHandle(made: MadeFolder, mishap: Mishap = { aborted: 0 }, clock = { at: 1 }): FileSystemDirectoryHandle {
  const fileHandle = (name: string): unknown => ({
    kind: 'file',
    name,
    getFile: () => {
      const held = made[name];
      if (typeof held === 'function') return Promise.resolve().then(held);
      if (typeof held !== 'string') return Promise.reject(notThere());
      return Promise.resolve(new File([held], name, { lastModified: clock.at }));
    },
    createWritable: () => {
      let written = '';
      return Promise.resolve({
        write: async (content: Blob | Uint8Array) => {
          written += content instanceof Blob ? await content.text() : new TextDecoder().decode(content);
          if (mishap.fails) throw mishap.fails;
          mishap.meanwhile?.();
          delete mishap.meanwhile;
        },
        close: () => {
          made[name] = written;
          clock.at++;
          return Promise.resolve();
        },
        abort: () => Promise.resolve(void mishap.aborted++),
      });
    },
  });
  const handle = {
    kind: 'directory',
    name: 'made',
    getFileHandle: (name: string, { create = false } = {}) => {
      if (typeof made[name] === 'object') return Promise.reject(new DOMException('a folder', 'TypeMismatchError'));
      if (made[name] === undefined && !create) return Promise.reject(notThere());
      made[name] ??= '';
      return Promise.resolve(fileHandle(name));
    },
    getDirectoryHandle: (name: string, { create = false } = {}) => {
      if (made[name] === undefined && create) made[name] = {};
      const inner = made[name];
      return typeof inner === 'object' ? Promise.resolve(madeHandle(inner, mishap, clock)) : Promise.reject(notThere());
    },
    removeEntry: (name: string) => {
      delete made[name];
      return Promise.resolve();
    },
    values: async function* () {
      for (const [name, held] of Object.entries(made)) {
        await Promise.resolve();
        yield typeof held === 'object' ? { ...madeHandle(held, mishap, clock), name } : fileHandle(name);
      }
    },
  };
  return handle as unknown as FileSystemDirectoryHandle;
}
