import { type Seal, sealOfFolder } from '../../core/sharing/seal/seal-note';
import { foldPath } from '../../core/note/names/path';
import type { Sealer } from '../desk/sealer';
import { sameBytes } from '../notes/content';
import type { Opener } from '../notes/opener';
import { openedKey } from './passphrase';

/** What seals and opens, until it is ended. */
export interface Sealing {
  sealer: Sealer;
  end: () => void;
}

/** A seal that is open in this tab, with what opens its notes. */
interface Opened {
  seal: Seal;
  identity: string;
}

/** What a file was found to hold: its text, and which seal opened it; null where none that was open then did. */
interface Found {
  bytes: Uint8Array;
  text: string | null;
  seal: string | null;
  /** Which seals were open when it was looked at, as a number that rises. */
  when: number;
}

/** So many files of one note are known: as it was, as it is, and as it is being written. */
const MOST_OF_A_NOTE = 4;

/** There is no seal for a note that is to be sealed. */
export class NoSealError extends Error {
  constructor() {
    super('The seal of this note is not here, so nothing can be written into it.');
    this.name = 'NoSealError';
  }
}

/**
 * The seals that are open in this tab. A key is in memory alone, from the passphrase to the closing, and nowhere else; what was opened with
 * it is let go of with it.
 */
export class Seals implements Pick<Opener, 'text' | 'bytes'> {
  private readonly open = new Map<string, Opened>();
  private readonly found = new Map<string, Found[]>();
  /** Files that are of an open seal and cannot be opened, by the key of their note, and why. */
  readonly damaged = new Map<string, string>();
  private working: Sealing | null = null;
  private users = 0;
  private when = 0;

  constructor(
    private readonly begin: () => Sealing,
    /** The seals there are. */
    private readonly there: () => Promise<readonly Seal[]>,
    /** By which seal a note is sealed, as far as this device found out; by its path. */
    private readonly sealOf: (path: string) => Promise<string | null>,
  ) {}

  /** What seals and opens lives as long as a seal is open, and while it is used; then it is let go of with what it worked on. */
  async using<T>(act: (sealer: Sealer) => Promise<T>): Promise<T> {
    this.users++;
    try {
      this.working ??= this.begin();
      return await act(this.working.sealer);
    } finally {
      this.users--;
      this.rest();
    }
  }

  /** The paths of the seals that are open. */
  openSeals(): string[] {
    return [...this.open.values()].map(({ seal }) => seal.path);
  }

  isOpen(path: string): boolean {
    return this.open.has(foldPath(path));
  }

  /** The identity of an open seal, for its passphrase to be changed; null for one that is closed. */
  identityOf(path: string): string | null {
    return this.open.get(foldPath(path))?.identity ?? null;
  }

  /** Which seal opened the file of a note last; null where none did. */
  openedBy(path: string): string | null {
    return this.found.get(foldPath(path))?.findLast(({ seal }) => seal !== null)?.seal ?? null;
  }

  /**
   * Opens a seal for this tab.
   *
   * @throws WrongPassphraseError, BrokenKeyError
   */
  async openSeal(seal: Seal, passphrase: string): Promise<void> {
    await this.using(async (sealer) => this.opens(seal, await openedKey(sealer, seal, passphrase)));
  }

  /** A seal is open from now on, with its key. */
  opens(seal: Seal, identity: string): void {
    this.open.set(foldPath(seal.path), { seal, identity });
    this.when++;
  }

  /** Closes a seal: what was opened with it is let go of. */
  close(path: string): void {
    const key = foldPath(path);
    if (!this.open.delete(key)) return;
    this.when++;
    this.damaged.clear();
    for (const [note, found] of this.found) {
      const others = found.filter(({ seal }) => seal !== null && foldPath(seal) !== key);
      if (others.length > 0) this.found.set(note, others);
      else this.found.delete(note);
    }
    this.rest();
  }

  private rest(): void {
    if (this.open.size > 0 || this.users > 0) return;
    this.working?.end();
    this.working = null;
  }

  async text(path: string, bytes: Uint8Array): Promise<string | null> {
    if (this.open.size === 0) return null;
    const key = foldPath(path);
    const known = this.found.get(key)?.find((one) => sameBytes(one.bytes, bytes));
    if (known && (known.text !== null || known.when === this.when)) return known.text;
    const seals = [...this.open.values()];
    const { when } = this;
    let text: string | null = null;
    let seal: string | null = null;
    try {
      const identities = seals.map(({ identity }) => identity);
      const opened = await this.using((sealer) => sealer.open(bytes, identities));
      text = new TextDecoder('utf-8', { fatal: true, ignoreBOM: true }).decode(opened.bytes);
      seal = seals[opened.by]?.seal.path ?? null;
    } catch (error) {
      if (!/no identity matched/.test(String(error))) this.damaged.set(key, 'Its file was cut short or changed.');
    }
    // What was closed meanwhile is not held again.
    if (when !== this.when) return this.text(path, bytes);
    if (text !== null) this.damaged.delete(key);
    this.hold(key, { bytes, text, seal, when });
    return text;
  }

  async bytes(path: string, text: string, movedFrom?: string): Promise<Uint8Array> {
    const { when } = this;
    const seal = await this.sealFor(path, movedFrom);
    const bytes = await this.using((sealer) => sealer.sealFor(new TextEncoder().encode(text), [seal.to]));
    if (when === this.when && this.isOpen(seal.path)) this.hold(foldPath(path), { bytes, text, seal: seal.path, when });
    return bytes;
  }

  /** What is in the file of something else than a note; null where no open seal opens it. It is not held. */
  async opened(path: string, bytes: Uint8Array): Promise<Uint8Array | null> {
    const identities = [...this.open.values()].map(({ identity }) => identity);
    if (identities.length === 0) return null;
    try {
      return (await this.using((sealer) => sealer.open(bytes, identities))).bytes;
    } catch (error) {
      if (!/no identity matched/.test(String(error))) this.damaged.set(foldPath(path), 'Its file was cut short or changed.');
      return null;
    }
  }

  /** Seals something else by the seal of a note. */
  async sealed(notePath: string, bytes: Uint8Array): Promise<Uint8Array> {
    const { to } = await this.sealFor(notePath);
    return this.using((sealer) => sealer.sealFor(bytes, [to]));
  }

  /** By which seal something is sealed: that of its note, of its folder, or the only one. */
  private async sealFor(path: string, movedFrom?: string): Promise<Seal> {
    const all = await this.there();
    const of = (name: string | null): Seal | undefined => all.find((one) => name !== null && foldPath(one.path) === foldPath(name));
    const own = of(this.openedBy(path)) ?? (movedFrom === undefined ? undefined : of(this.openedBy(movedFrom)));
    const seal = own ?? of(await this.sealOf(movedFrom ?? path)) ?? sealOfFolder(all, path) ?? all[0];
    if (!seal) throw new NoSealError();
    return seal;
  }

  private hold(key: string, found: Found): void {
    const others = (this.found.get(key) ?? []).filter(({ bytes }) => !sameBytes(bytes, found.bytes));
    this.found.set(key, [...others, found].slice(-MOST_OF_A_NOTE));
  }
}
