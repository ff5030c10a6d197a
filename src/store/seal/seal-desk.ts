import { foldPath, freePath, isSealedPath, liesIn, pathFor } from '../../core/note/names/path';
import { SEALS_FOLDER, type Seal, type SealedTitles, readSeal, sealOfFolder, sealText, sealTextWith } from '../../core/seal/seal-note';
import { hiddenPath, hidesTitle, sealedPath } from '../../core/seal/sealed-names';
import type { NoteStore } from '../notes/note-store';
import type { Opener } from '../notes/opener';
import { withText } from '../notes/note-write';
import type { Origin } from '../notes/origin';
import type { OpenTexts } from '../texts/open-texts';
import { opaqueSign } from './opaque-sign';
import { openedKey, sealedKey } from './passphrase';
import { type SealedNotes, sealNotes, unsealNotes } from './seal-notes';
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
  /** Notes went elsewhere: what is remembered of their places is to go along. */
  moved: (moves: readonly { from: string; to: string }[]) => void;
  problem: (error: unknown) => void;
}

/** The seals of the desk: made, opened and closed in this tab, and what they seal. */
export class SealDesk implements Opener {
  readonly seals: Seals;
  private state: SealState = { seals: [], open: new Set(), notes: 0, closed: 0, by: {} };
  private readonly listeners = new Set<() => void>();
  private looking: Promise<void> = Promise.resolve();
  private sweeping = false;

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
        const isSeals = ({ path }: { path: string }): boolean => isSealedPath(path) || liesIn(path, SEALS_FOLDER);
        if (changes.some(isSeals)) void this.look().catch(problem);
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

  /** The paths of all sealed notes. */
  async sealedPaths(): Promise<string[]> {
    const keys = (await this.host.store.db.notes.toCollection().primaryKeys()).filter(isSealedPath);
    return (await this.host.store.kept.many(keys)).flatMap((note) => note?.path ?? []);
  }

  /** Looks again what there is. */
  look(): Promise<void> {
    this.looking = this.looking.then(async () => {
      const { store } = this.host;
      const [seals, paths, by] = [await this.all(), await this.sealedPaths(), readSealedBy(await store.value(SEALED_BY))];
      const open = new Set(this.seals.openSeals().map(foldPath));
      const isOpen = (path: string): boolean => open.size > 0 && this.seals.openedBy(path) !== null;
      this.state = { seals, open, notes: paths.length, closed: paths.filter((path) => !isOpen(path)).length, by };
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
    const paths = await this.sealedPaths();
    await store.many(paths);
    const found = paths.flatMap((path) => {
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
    const notes = (await this.sealedPaths()).filter((one) => closing.has(foldPath(this.seals.openedBy(one) ?? '')));
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
  async seal(seal: Seal, paths: readonly string[], progress?: (done: number) => void): Promise<SealedNotes> {
    const identity = this.seals.identityOf(seal.path);
    if (identity === null) throw new Error('A seal that is closed seals nothing.');
    await this.host.texts.settle();
    const done = await sealNotes({ store: this.host.store, seals: this.seals }, seal, identity, paths, progress);
    this.host.moved(done.moved);
    await this.remember(done.moved.map(({ to }) => ({ path: to, seal: seal.path })));
    await this.look();
    return done;
  }

  /** Takes notes out of their seal. */
  async unseal(paths: readonly string[]): Promise<{ from: string; to: string }[]> {
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

  /** Changes the note of a seal, and lets go of what it said before. */
  private async rewrite(seal: Seal, change: Parameters<typeof sealTextWith>[1]): Promise<void> {
    const { store } = this.host;
    for (;;) {
      const note = await store.get(seal.path);
      if (note?.text == null) throw new Error('The note of this seal is not there any more.');
      const saved = await store.commit(SEAL, [withText(note, sealTextWith(note.text, change))], async () => {
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
    if (this.sweeping) return;
    this.sweeping = true;
    try {
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
    } finally {
      this.sweeping = false;
    }
  }

  /** Whether the file of a note is of an open seal and cannot be opened, and why. */
  damage(path: string): string | null {
    return this.seals.damaged.get(foldPath(path)) ?? null;
  }
}

/** What a sealed note is called while it is closed. */
export const closedTitle = (path: string, title: string): string => (hidesTitle(path) ? 'A sealed note' : title);
