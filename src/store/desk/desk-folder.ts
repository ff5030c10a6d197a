import { decodeUtf8 } from '../../core/note/blocks/decode';
import { foldPath } from '../../core/note/names/path';
import { type Content, markOf } from '../notes/content';
import { type DiskFile, type DiskFolder, type Ignored, sameFile } from '../folder/disk-folder';
import { DeskFailure } from './desk-failure';
import type { DeskFile } from './desk-file';
import { type DeskKeys, KEYS_FILE, namer } from './desk-keys';
import type { DeskRemote } from './desk-remote';
import { type SealedHead, nextHead, packFile, standsTo, unpackFile } from './sealed-file';
import type { Sealer } from './sealer';

/** So many files are fetched at once. */
const AT_ONCE = 8;
/** After so many files that are sealed anew it is said how many are left. */
const SAID_EACH = 50;

/** What the folder of a desk asks of the store beside it. */
export interface DeskMemory {
  /** What is known of its files. */
  load(): Promise<DeskFile[]>;
  keep(files: readonly DeskFile[], gone: readonly string[]): Promise<void>;
  /** What a note and its file were when they were the same last. */
  base(path: string): Promise<Content | null>;
  /** They are not known to have been the same any more. */
  forgetBase(path: string): Promise<void>;
}

const OLDER = 'The server gave an older text of it; the newer one was put back.';
const LOST = 'The server had lost it; it was put back.';
const BROKEN = 'What lies on the server cannot be opened: it was cut short or changed. It was put back.';
const BROKEN_UNKNOWN = 'What lies on the server cannot be opened: it was cut short or changed, and no text of it is known here.';
const APART = 'The server went back to an old copy and was written to. Both texts are kept.';

/**
 * The desk on a server as a folder of plain files: each is sealed before it leaves and opened when it came. A removed note is a sealed file
 * that says so; one that is merely missing, older than what was seen, or broken is put back, and said.
 */
export class DeskFolder implements DiskFolder {
  private token: string | null = null;
  /** What was opened when it was looked for, until it is read. */
  private readonly opened = new Map<string, Uint8Array>();
  private readonly dirty = new Set<string>();

  private constructor(
    private readonly remote: DeskRemote,
    private readonly sealer: Sealer,
    private readonly memory: DeskMemory,
    private keys: DeskKeys,
    private keysTag: string,
    private readonly nameOf: (path: string) => Promise<string>,
    private readonly known: Map<string, DeskFile>,
    private readonly readKeys: () => Promise<{ keys: DeskKeys; tag: string }>,
  ) {}

  /** @param readKeys fetches the keys of the desk from the server, and opens them */
  static async open(
    remote: DeskRemote,
    sealer: Sealer,
    memory: DeskMemory,
    readKeys: () => Promise<{ keys: DeskKeys; tag: string }>,
  ): Promise<DeskFolder> {
    const [{ keys, tag }, known] = await Promise.all([readKeys(), memory.load()]);
    const nameOf = await namer(keys.names);
    return new DeskFolder(remote, sealer, memory, keys, tag, nameOf, new Map(known.map((one) => [one.name, one])), readKeys);
  }

  /** The keys as they were read last. */
  get present(): DeskKeys {
    return this.keys;
  }

  async look(): Promise<{ files: DiskFile[]; ignored: Ignored[]; warned: Ignored[] }> {
    this.opened.clear();
    const changes = await this.remote.changes(this.token);
    const ignored: Ignored[] = [];
    const warned: Ignored[] = [];
    const keysTag = changes.files.find(({ name }) => name === KEYS_FILE)?.tag;
    if (keysTag !== undefined && keysTag !== this.keysTag) await this.renewKeys();
    const there = new Set(changes.files.map(({ name }) => name));
    const changed = changes.files
      .filter(({ name, tag }) => name !== KEYS_FILE && this.known.get(name)?.tag !== tag)
      .map(({ name }) => name);
    const lost = changes.whole ? [...this.known.keys()].filter((name) => !there.has(name)) : changes.gone;
    const all = [...changed, ...lost.filter((name) => this.known.has(name))];
    let isWhole = true;
    for (let at = 0; at < all.length; at += AT_ONCE)
      await Promise.all(
        all.slice(at, at + AT_ONCE).map(async (name) => {
          try {
            const warning = await this.fetch(name);
            if (warning !== null) warned.push({ path: this.known.get(name)?.path || name, why: warning });
          } catch (error) {
            // Without the server nothing more is found; what fails with one file keeps no other out.
            if (error instanceof DeskFailure && error.trouble !== 'full' && error.trouble !== 'wrong') throw error;
            isWhole = false;
            ignored.push({ path: this.known.get(name)?.path ?? name, why: error instanceof Error ? error.message : String(error) });
          }
        }),
      );
    if (isWhole) this.token = changes.token;
    await this.flush();
    const files = [...this.known.values()].filter(({ removed, path }) => !removed && !isBeside(path)).map(fileOf);
    return { files, ignored, warned };
  }

  async stat(path: string): Promise<DiskFile | null> {
    const known = this.known.get(await this.nameOfNote(path));
    return known && !known.removed ? fileOf(known) : null;
  }

  async read(path: string): Promise<{ bytes: Uint8Array; file: DiskFile } | null> {
    const name = await this.nameOfNote(path);
    // What was never listed is not asked for.
    if (this.known.has(name) && !this.opened.has(name)) await this.fetch(name, true);
    const [known, bytes] = [this.known.get(name), this.opened.get(name)];
    this.opened.delete(name);
    return known && bytes && !known.removed ? { bytes, file: fileOf(known) } : null;
  }

  async write(path: string, bytes: Uint8Array, before: DiskFile | null): Promise<DiskFile | null> {
    const name = await this.nameOfNote(path);
    const known = this.known.get(name) ?? null;
    if (!sameFile(known && !known.removed ? fileOf(known) : null, before)) return null;
    const written = await this.put(name, nextHead(known, path, false), bytes, known?.tag ?? null);
    return written && fileOf(written);
  }

  async remove(path: string, before: DiskFile): Promise<boolean> {
    const name = await this.nameOfNote(path);
    const known = this.known.get(name);
    if (!known || known.removed || !sameFile(fileOf(known), before)) return false;
    return (await this.put(name, nextHead(known, known.path, true), new Uint8Array(), known.tag)) !== null;
  }

  /** Keeps what became known. */
  async flush(): Promise<void> {
    const names = [...this.dirty];
    this.dirty.clear();
    if (names.length === 0) return;
    const files = names.flatMap((name) => this.known.get(name) ?? []);
    await this.memory.keep(
      files,
      names.filter((name) => !this.known.has(name)),
    );
  }

  /** How many files are sealed for an identity that is to go. */
  get toSealAnew(): number {
    return [...this.known.values()].filter(({ generation }) => generation !== this.keys.generation).length;
  }

  /**
   * Seals what is sealed for an older identity for the newest one; texts stay as they are.
   *
   * @param says is told now and then how many are left
   * @returns how many files are left
   */
  async sealAnew(signal?: AbortSignal, says?: (left: number) => Promise<void>): Promise<number> {
    let done = 0;
    for (const { name, generation } of [...this.known.values()]) {
      if (signal?.aborted) break;
      if (generation === this.keys.generation) continue;
      if (done++ % SAID_EACH === 0) await says?.(this.toSealAnew);
      // As it is on the server now, whatever was seen of it.
      await this.fetch(name, true);
      const [known, bytes] = [this.known.get(name), this.opened.get(name)];
      this.opened.delete(name);
      if (known && known.generation !== this.keys.generation) await this.put(name, known, bytes ?? new Uint8Array(), known.tag);
    }
    await this.flush();
    return this.toSealAnew;
  }

  private async renewKeys(): Promise<void> {
    const { keys, tag } = await this.readKeys();
    this.keys = keys;
    this.keysTag = tag;
  }

  private nameOfNote(path: string): Promise<string> {
    return this.nameOf(foldPath(path));
  }

  private async put(name: string, head: SealedHead, bytes: Uint8Array, before: string | null): Promise<DeskFile | null> {
    const [newest = ''] = this.keys.identities;
    const sealed = await this.sealer.seal(packFile({ head, bytes }), newest);
    const tag = await this.remote.put(name, sealed, before);
    if (tag === null) return null;
    // What was fetched before is not what lies there now.
    this.opened.delete(name);
    const file = { ...headOf(head), name, tag, size: bytes.length, mark: markOfBytes(bytes), generation: this.keys.generation };
    this.learn(file);
    return file;
  }

  /**
   * Fetches a file and learns what it is.
   *
   * @param isRead whether its bytes are wanted although nothing changed
   * @returns what was wrong with it, and is right again; null for nothing
   */
  private async fetch(name: string, isRead = false): Promise<string | null> {
    const known = this.known.get(name) ?? null;
    const found = await this.remote.get(name);
    if (!found)
      return known && !known.removed && (await this.isKnownWhole(known)) ? this.putBack(known, null, LOST) : this.lose(known, name);
    const held = await this.openedFile(name, found.bytes);
    if (held === null)
      return known && (await this.isKnownWhole(known)) ? this.putBack(known, found.tag, BROKEN) : this.passOver(known, name, found.tag);
    const { head, bytes, generation } = held;
    const stands = known ? standsTo(known, head) : 'newer';
    if (known && stands === 'older' && (await this.isKnownWhole(known))) return this.putBack(known, found.tag, OLDER);
    this.learn({ ...head, name, tag: found.tag, size: bytes.length, mark: markOfBytes(bytes), generation });
    if (!head.removed && (isRead || stands !== 'same' || known?.tag !== found.tag)) this.opened.set(name, bytes);
    if (stands !== 'apart' && stands !== 'older') return null;
    await this.memory.forgetBase(head.path);
    return APART;
  }

  /**
   * What cannot be opened, and was never seen whole, counts as nothing: whoever has a text of it writes it there. What is written then does not
   * come from the version that was seen and not taken in, so that whoever has that one keeps both.
   */
  private async passOver(known: DeskFile | null, name: string, tag: string): Promise<string> {
    const path = known?.path ?? '';
    const count = known ? known.count + 1 : 0;
    this.learn({ ...nextHead(null, path, true), count, name, tag, size: 0, mark: '', generation: this.keys.generation });
    if (known) await this.memory.forgetBase(path);
    return BROKEN_UNKNOWN;
  }

  /** Whether what was seen of a file last is at hand, to be put back: it was seen, and it came in. */
  private async isKnownWhole(known: DeskFile): Promise<boolean> {
    if (known.removed) return true;
    const base = await this.memory.base(known.path);
    return base !== null && markOf(base) === known.mark;
  }

  /** A file that is not there any more, and cannot be put back: whoever has a text of it writes it. */
  private async lose(known: DeskFile | null, name: string): Promise<null> {
    if (known && !known.removed) await this.memory.forgetBase(known.path);
    if (this.known.delete(name)) this.dirty.add(name);
    return null;
  }

  /** Opens a file, and makes sure that it is the one that was asked for; null where it is none. */
  private async openedFile(name: string, sealed: Uint8Array): Promise<{ head: SealedHead; bytes: Uint8Array; generation: number } | null> {
    const { identities, generation } = this.keys;
    try {
      const { bytes, by } = await this.sealer.open(sealed, identities);
      const file = unpackFile(bytes);
      return (await this.nameOfNote(file.head.path)) === name ? { ...file, generation: generation - by } : null;
    } catch {
      return null;
    }
  }

  /** Puts what both sides held last in the place of what the server gives now. */
  private async putBack(known: DeskFile, tag: string | null, why: string): Promise<string> {
    const base = known.removed ? { bytes: new Uint8Array() } : await this.memory.base(known.path);
    if (base === null) throw new Error(BROKEN_UNKNOWN);
    const bytes = 'text' in base ? new TextEncoder().encode(base.text) : base.bytes;
    const head = nextHead(known, known.path, known.removed);
    if ((await this.put(known.name, head, bytes, tag)) === null) throw new Error('It is being written by another device.');
    if (!known.removed) this.opened.set(known.name, bytes);
    return why;
  }

  private learn(file: DeskFile): void {
    this.known.set(file.name, file);
    this.dirty.add(file.name);
  }
}

/** What begins with a dot stands beside the notes, as the settings do. */
const isBeside = (path: string): boolean => path.startsWith('.');

const markOfBytes = (bytes: Uint8Array): string => {
  const text = decodeUtf8(bytes);
  return markOf(text === null ? { bytes } : { text });
};

const headOf = ({ path, version, count, before, removed }: SealedHead): SealedHead => ({ path, version, count, before, removed });

/** The tag as a number, since files are told apart by one: 48 bits of it. */
function fileOf({ path, size, tag }: DeskFile): DiskFile {
  let number = 0;
  for (const letter of tag) number = (number * 31 + letter.charCodeAt(0)) % 281_474_976_710_656;
  return { path, size, modified: number };
}
