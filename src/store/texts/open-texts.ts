import { foldPath } from '../../core/note/names/path';
import type { Drafts } from './drafts';
import { reportProblem } from '../notes/listeners';
import type { NoteStore } from '../notes/note-store';
import type { OpenText, OpenTextHost, WordsApart } from './open-text';

/** A text that could not be stored, and why. */
export interface UnsavedText {
  path: string;
  reason: string;
}

/** Whether everything is on the disk. “Saved” is said only when nothing that was typed is unsaved. */
export type SaveState = { is: 'saved' } | { is: 'saving' } | { is: 'failed'; texts: UnsavedText[] };

/** What the page is told. */
interface Told {
  saving: (state: SaveState) => void;
  apart: (words: WordsApart) => void;
}

/** All texts that are being written in this tab, and those that wait to be stored. What writes them is loaded with the first editor. */
export class OpenTexts {
  private readonly texts = new Set<OpenText>();
  private readonly awaited = new Map<OpenText, () => void>();
  /** What each of them is given. */
  readonly host: OpenTextHost;
  /** The folded paths of notes in which others write at the same time. */
  together: ReadonlySet<string> = new Set();
  private writing = 0;
  private state: SaveState = { is: 'saved' };

  constructor(
    store: NoteStore,
    drafts: Drafts,
    private readonly told: Told,
    problem: (error: unknown) => void = reportProblem,
  ) {
    this.host = {
      ...{ store, drafts, problem },
      together: (path) => this.together.has(foldPath(path)),
      changed: (text) => this.changed(text),
      apart: (words) => this.told.apart(words),
    };
    store.listen({
      writing: (count) => {
        this.writing = count;
        this.tellState();
      },
    });
  }

  /** What of a note is not stored yet though its editor is gone; null when nothing is. An editor that opens the note begins with it. */
  waiting(path: string): string | null {
    return this.waitingAt(path)?.current() ?? null;
  }

  /** A text is written from now on. */
  add(text: OpenText): void {
    this.texts.add(text);
  }

  /** Calls something once all of a text is durable. */
  whenStored(text: OpenText, act: () => void): void {
    this.awaited.set(text, act);
  }

  /** The text that waits to be stored though its editor is gone. */
  waitingAt(path: string): OpenText | undefined {
    return [...this.texts].find((one) => one.isEnded && one.state !== 'still' && foldPath(one.path) === foldPath(path));
  }

  private changed(text: OpenText): void {
    if (text.state === 'still') {
      this.awaited.get(text)?.();
      this.awaited.delete(text);
      if (text.isEnded) this.texts.delete(text);
    }
    this.tellState();
  }

  /** The editor of a text goes; its text stays until it is durable. */
  async end(text: OpenText): Promise<void> {
    await text.end();
    if (text.state === 'still' || text.state === 'gone') this.texts.delete(text);
    this.tellState();
  }

  /** Stores what is typed in any note, each as a step of its own: what is done next finds the words, and is another step. */
  async settle(): Promise<void> {
    await Promise.all([...this.texts].map((text) => text.settle()));
  }

  /** Stores what is typed, as far as that can be done now. */
  async saveAll(): Promise<void> {
    await Promise.all([...this.texts].map((text) => text.save()));
  }

  /** Whether closing the page would lose words: some are not durable, and not in a draft either. */
  get wouldLose(): boolean {
    return [...this.texts].some((text) => (text.state === 'typed' || text.state === 'failed') && !text.drafted);
  }

  /** The words of the text that waits at a path, to be copied out. */
  textAt(path: string): string | null {
    return [...this.texts].find((one) => foldPath(one.path) === foldPath(path))?.current() ?? null;
  }

  private tellState(): void {
    const failed = [...this.texts].filter((text) => text.state === 'failed');
    const pending = this.writing > 0 || [...this.texts].some((text) => text.state === 'typed');
    const next: SaveState =
      failed.length > 0
        ? { is: 'failed', texts: failed.map(({ path, failure }) => ({ path, reason: failure ?? '' })) }
        : { is: pending ? 'saving' : 'saved' };
    if (next.is !== 'failed' && next.is === this.state.is) return;
    this.state = next;
    this.told.saving(next);
  }
}
