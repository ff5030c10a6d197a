import { foldPath, folderOf, freePath, isSealedPath, liesIn, pathFor } from '../../core/note/names/path';
import {
  SEALS_FOLDER,
  type Seal,
  type SealedTitles,
  readSeal,
  sealOfFolder,
  sealText,
  sealTextWith,
} from '../../core/sharing/seal/seal-note';
import { hiddenPath, sealedPath } from '../../core/sharing/seal/sealed-names';
import type { StoreChange } from '../notes/note-source';
import type { NoteStore } from '../notes/note-store';
import type { Opener } from '../notes/opener';
import { withText } from '../notes/note-write';
import type { Origin } from '../notes/origin';
import type { OpenTexts } from '../texts/open-texts';
import { opaqueSign } from './opaque-sign';
import { openedKey, sealedKey } from './passphrase';
import { type CopiesSealed, type SealedNotes, sealNotes, unsealNotes } from './seal-notes';
import { CLOSE_ALL, SEALED_BY, readSealedBy, sealedByWith } from './seal-value';
import { type Sealing, Seals } from './seals';

/** What the page shows of seals. */
export interface SealState {
  seals: readonly Seal[];
  /** The folded paths of the seals that are open in this tab. */
  open: ReadonlySet<string>;
  /** How many notes are sealed, and how many of them are closed now. */
  notes: number;
  closed: number;
  /** By which seal notes are sealed, as far as that is known: folded path of the note, path of the seal. */
  by: Readonly<Record<string, string>>;
}

/** Making and changing a seal is no step: what Undo would bring back opens with words that were given up. */
const SEAL: Origin = { by: 'command', label: null };

export interface SealHost {
  store: NoteStore;
  texts: OpenTexts;
  begin: () => Sealing;
  /** The work of trying a passphrase, for tests. */
  work?: number;
  /** Notes were sealed: what is kept of them beside the store is to be sealed, or let go of. */
  sealed: (moves: readonly { from: string; to: string }[]) => Promise<CopiesSealed>;
  problem: (error: unknown) => void;
}

/** The seals of the desk: made, opened and closed in this tab, and what they seal. */
export class SealDesk implements Opener {
  readonly seals: Seals;
  private state: SealState = { seals: [], open: new Set(), notes: 0, closed: 0, by: {} };
  private readonly listeners = new Set<() => void>();
  private looking: Promise<void> = Promise.resolve();
  /** The keys of sealed notes, as they were looked at last. */
  private known: ReadonlySet<string> = new Set();
  private sweeping: 'no' | 'once' | 'again' = 'no';

  constructor(private readonly host: SealHost) {
    const { store, begin, problem } = host;
    this.seals = new Seals(
      begin,
      () => this.all(),
      async (path) => readSealedBy(await store.value(SEALED_BY))[foldPath(path)] ?? null,
    );
    store.opener = this;
    store.listen({
      changed: (changes) => {
        if (changes.some((change) => this.isNews(change))) void this.look().catch(problem);
        if (changes.some(({ path, content }) => content !== null && this.isLoose(path))) void this.sweep().catch(problem);
      },
      valueChanged: (id) => {
        if (id === CLOSE_ALL) void this.close().catch(problem);
      },
    });
  }

  readonly present = (): SealState => this.state;

  readonly listen = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };

  /** The seals there are, by the notes that say them. */
  async all(): Promise<Seal[]> {
    const notes = await this.host.store.db.notes
      .where('key')
      .startsWith(`${foldPath(SEALS_FOLDER)}/`)
      .toArray();
    return notes.flatMap(({ path, text }) => (text === null ? [] : (readSeal(path, text) ?? [])));
  }

  /** The folded paths of all sealed notes. */
  private async sealedKeys(): Promise<string[]> {
    return (await this.host.store.db.notes.toCollection().primaryKeys()).filter(isSealedPath);
  }

  /** Whether a change is about which seals and sealed notes there are, and not only about what an open one says. */
  private isNews({ path, content }: StoreChange): boolean {
    if (liesIn(path, SEALS_FOLDER)) return true;
    return isSealedPath(path) && (content === null || 'bytes' in content || !this.known.has(foldPath(path)));
  }

  /** Looks again what there is. */
  look(): Promise<void> {
    const before = this.looking.catch(() => undefined);
    this.looking = before.then(async () => {
      const { store } = this.host;
      const [seals, keys, by] = [await this.all(), await this.sealedKeys(), readSealedBy(await store.value(SEALED_BY))];
      this.known = new Set(keys);
      const open = new Set(this.seals.openSeals().map(foldPath));
      const isOpen = (key: string): boolean => open.size > 0 && this.seals.openedBy(key) !== null;
      const next = { seals, open, notes: keys.length, closed: keys.filter((key) => !isOpen(key)).length, by };
      const signOf = (state: SealState): string => JSON.stringify({ ...state, open: [...state.open] });
      if (signOf(next) === signOf(this.state)) return;
      // Who follows which seals are open is told of that alone.
      const isSame = [...open].join('\n') === [...this.state.open].join('\n');
      this.state = { ...next, open: isSame ? this.state.open : open };
      for (const listener of this.listeners) listener();
    });
    return this.looking;
  }

  text(path: string, bytes: Uint8Array): Promise<string | null> {
    return this.seals.text(path, bytes);
  }

  bytes(path: string, text: string, movedFrom?: string): Promise<Uint8Array> {
    return this.seals.bytes(path, text, movedFrom);
  }

  opened(path: string, bytes: Uint8Array): Promise<Uint8Array | null> {
    return this.seals.opened(path, bytes);
  }

  sealed(notePath: string, bytes: Uint8Array): Promise<Uint8Array> {
    return this.seals.sealed(notePath, bytes);
  }

  async placed(path: string): Promise<string | { refused: string }> {
    const seal = isSealedPath(path) ? null : sealOfFolder(await this.all(), path);
    if (seal === null) return path;
    const identity = this.seals.identityOf(seal.path);
    if (identity === null) return { refused: `What is in this folder is sealed by “${seal.name}”, which is closed. Open it first.` };
    return seal.titles === 'hidden' ? hiddenPath(path, opaqueSign(identity, path)) : sealedPath(path);
  }

  /**
   * Makes a seal, which is open then.
   *
   * @param passphrase without which nobody ever opens it
   */
  async make(name: string, passphrase: string, given: { titles: SealedTitles; folders: string[] }): Promise<Seal> {
    const { store, work } = this.host;
    const { identity, key, to } = await this.seals.using(async (sealer) => {
      const made = await sealer.newIdentity();
      return { identity: made.identity, to: made.recipient, key: await sealedKey(sealer, made.identity, made.recipient, passphrase, work) };
    });
    for (;;) {
      const taken = await store.paths();
      const path = freePath(pathFor(SEALS_FOLDER, name), (folded) => taken.has(folded));
      const text = sealText({ to, key, ...given });
      if (!(await store.commit(SEAL, [{ path, expect: null, content: { text } }])).saved) continue;
      const seal = readSeal(path, text);
      if (!seal) throw new Error('A seal that was just made cannot be read.');
      this.seals.opens(seal, identity);
      await this.look();
      return seal;
    }
  }

  /**
   * Opens a seal in this tab: its notes are read, listed and found from now on.
   *
   * @returns how many notes it opened
   * @throws WrongPassphraseError, BrokenKeyError
   */
  async open(seal: Seal, passphrase: string): Promise<number> {
    await this.seals.openSeal(seal, passphrase);
    const opened = await this.tellOpened();
    await this.look();
    await this.sweep();
    return opened.filter((one) => foldPath(one.seal) === foldPath(seal.path)).length;
  }

  private async tellOpened(): Promise<{ path: string; seal: string }[]> {
    const { store } = this.host;
    const keys = await this.sealedKeys();
    await store.many(keys);
    const found = keys.flatMap((path) => {
      const seal = this.seals.openedBy(path);
      return seal === null ? [] : [{ path, seal }];
    });
    await store.tellAsTheyAre(
      found.map(({ path }) => path),
      'command',
    );
    await this.remember(found);
    return found;
  }

  /** Keeps by which seal notes are sealed, so that their pages can say it while they are closed. */
  private async remember(found: readonly { path: string; seal: string }[]): Promise<void> {
    const { store } = this.host;
    const before = readSealedBy(await store.value(SEALED_BY));
    if (found.every(({ path, seal }) => before[foldPath(path)] === seal)) return;
    const there = await store.paths();
    await store.changeValue(SEALED_BY, (value) => sealedByWith(value, found, there));
  }

  /** Closes a seal in this tab, or all of them, once what is written is stored. */
  async close(path?: string): Promise<void> {
    const { store, texts } = this.host;
    const paths = path === undefined ? this.seals.openSeals() : [path];
    if (paths.length === 0) return;
    // Should something be typed while it is stored, that is sealed all the same: it needs no passphrase.
    await texts.settle();
    const closing = new Set(paths.map(foldPath));
    const notes = (await this.sealedKeys()).filter((one) => closing.has(foldPath(this.seals.openedBy(one) ?? '')));
    for (const one of paths) this.seals.close(one);
    store.steps.forgetUndone();
    await store.tellAsTheyAre(notes, 'command');
    await this.look();
  }

  /** Closes all seals in every tab. */
  closeEverywhere(): Promise<void> {
    return this.host.store.setValue(CLOSE_ALL, Date.now());
  }

  /** Seals notes by a seal that is open. */
  async seal(seal: Seal, paths: readonly string[], progress?: (done: number) => void): Promise<SealedNotes & { copies: CopiesSealed }> {
    const identity = this.seals.identityOf(seal.path);
    if (identity === null) throw new Error('A seal that is closed seals nothing.');
    await this.host.texts.settle();
    const done = await sealNotes({ store: this.host.store, seals: this.seals }, seal, identity, paths, progress);
    await this.remember(done.moved.map(({ to }) => ({ path: to, seal: seal.path })));
    await this.look();
    return { ...done, copies: await this.host.sealed(done.moved) };
  }

  /**
   * Takes notes out of their seal.
   *
   * @throws where one lies in a folder that is sealed as a whole, which would seal it again
   */
  async unseal(paths: readonly string[]): Promise<{ from: string; to: string }[]> {
    const seals = await this.all();
    const whole = paths.find((path) => sealOfFolder(seals, path) !== null);
    if (whole !== undefined) throw new Error(`“${folderOf(whole)}” is sealed as a whole. Move the note out of it first.`);
    await this.host.texts.settle();
    const moved = await unsealNotes(this.host.store, paths);
    await this.look();
    return moved;
  }

  /**
   * Gives a seal another passphrase. Its old one opens nothing that is kept here any more; copies that were made before open with it.
   *
   * @param before the old one; null where the seal is open, and it was forgotten
   * @throws WrongPassphraseError, BrokenKeyError
   */
  async changePassphrase(seal: Seal, before: string | null, next: string): Promise<void> {
    const { work } = this.host;
    const key = await this.seals.using(async (sealer) => {
      const known = before === null ? this.seals.identityOf(seal.path) : null;
      const identity = known ?? (await openedKey(sealer, seal, before ?? ''));
      return sealedKey(sealer, identity, seal.to, next, work);
    });
    await this.rewrite(seal, { key });
  }

  /** Says which folders are sealed as a whole; what lies in them is sealed at once where the seal is open. */
  async changeFolders(seal: Seal, folders: string[]): Promise<void> {
    await this.rewrite(seal, { folders });
    await this.sweep();
  }

  /** Changes the note of a seal; with its key goes what it said before. */
  private async rewrite(seal: Seal, change: Parameters<typeof sealTextWith>[1]): Promise<void> {
    const { store } = this.host;
    for (;;) {
      const note = await store.get(seal.path);
      if (note?.text == null) throw new Error('The note of this seal is not there any more.');
      const saved = await store.commit(SEAL, [withText(note, sealTextWith(note.text, change))], async () => {
        if (change.key === undefined) return;
        // What it said before opens with words that were given up.
        const earlier = await store.db.earlier.where('note').equals(note.id).primaryKeys();
        await store.db.earlier.bulkDelete(earlier);
        await store.db.earlierContents.bulkDelete(earlier);
        const steps = await store.db.steps.filter(({ changes }) => changes.some(({ path }) => foldPath(path) === note.key)).primaryKeys();
        await store.db.steps.bulkDelete(steps);
      });
      if (saved.saved) return this.look();
    }
  }

  private isLoose(path: string): boolean {
    if (isSealedPath(path) || this.state.open.size === 0) return false;
    const seal = sealOfFolder(this.state.seals, path);
    return seal !== null && this.state.open.has(foldPath(seal.path));
  }

  /** What came into folders of open seals, from wherever, is sealed. */
  private async sweep(): Promise<void> {
    // What comes while it is done is looked for once more.
    if (this.sweeping !== 'no') return void (this.sweeping = 'again');
    try {
      do {
        this.sweeping = 'once';
        await this.sweepOnce();
      } while ((this.sweeping as 'once' | 'again') === 'again');
    } finally {
      this.sweeping = 'no';
    }
  }

  private async sweepOnce(): Promise<void> {
    for (const seal of (await this.all()).filter(({ path }) => this.seals.isOpen(path))) {
      const loose = (await this.host.store.kept.all()).filter(
        ({ path, text }) => text !== null && !isSealedPath(path) && sealOfFolder(this.state.seals, path)?.path === seal.path,
      );
      if (loose.length > 0)
        await this.seal(
          seal,
          loose.map(({ path }) => path),
        );
    }
  }

  /** Whether the file of a note is of an open seal and cannot be opened, and why. */
  damage(path: string): string | null {
    return this.seals.damaged.get(foldPath(path)) ?? null;
  }
}
