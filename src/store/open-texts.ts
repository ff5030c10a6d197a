import { editorText } from '../core/note/line-endings';
import { baseNameOf, foldPath } from '../core/note/path';
import type { Drafts, Draft } from './drafts';
import { draftText, draftWords } from './drafts';
import { markOf } from './database';
import { reportProblem } from './listeners';
import type { NoteStore } from './note-store';
import { OpenText, type Surface, type WordsApart, keptText } from './open-text';
import { intoOtherText, saveText } from './save-text';

/** A text that could not be stored, and why. */
export interface UnsavedText {
  path: string;
  reason: string;
}

/** Whether everything is on the disk. “Saved” is said only when nothing that was typed is unsaved. */
export type SaveState = { is: 'saved' } | { is: 'saving' } | { is: 'failed'; texts: UnsavedText[] };

/** What became of words that a page left behind. */
export interface Recovered {
  path: string;
  /** Whether they stand in the note, or in its other text. */
  is: 'merged' | 'aside';
}

/** What the page is told. */
interface Told {
  saving: (state: SaveState) => void;
  apart: (words: WordsApart) => void;
}

/** All texts that are being written in this tab, and those that wait to be stored. */
export class OpenTexts {
  private readonly texts = new Set<OpenText>();
  /** Texts that a draft of another page brought, which is forgotten once they are stored. */
  private readonly adopted = new Map<OpenText, Draft>();
  private writing = 0;
  private state: SaveState = { is: 'saved' };

  constructor(
    private readonly store: NoteStore,
    private readonly drafts: Drafts,
    private readonly told: Told,
    private readonly problem: (error: unknown) => void = reportProblem,
  ) {
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

  /** Joins an editor with the stored note. */
  open(path: string, stored: string | null, surface: Surface, removed: () => void): OpenText {
    const waiting = this.waitingAt(path);
    if (waiting) {
      waiting.takeOver(surface, removed);
      return waiting;
    }
    const text = new OpenText(path, stored, surface, removed, {
      store: this.store,
      drafts: this.drafts,
      changed: (one) => this.changed(one),
      apart: (words) => this.told.apart(words),
      problem: this.problem,
    });
    this.texts.add(text);
    return text;
  }

  private waitingAt(path: string): OpenText | undefined {
    return [...this.texts].find((one) => one.isEnded && one.state !== 'still' && foldPath(one.path) === foldPath(path));
  }

  private changed(text: OpenText): void {
    const draft = this.adopted.get(text);
    if (draft && text.state === 'still' && this.adopted.delete(text)) this.drafts.forget(draft.tab, draft.path);
    if (text.isEnded && text.state === 'still') this.texts.delete(text);
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

  /** Whether a page left words behind that were not durable, this one's own before a reload too. */
  get hasDrafts(): boolean {
    return this.drafts.any();
  }

  /**
   * Brings back what pages left behind that went before it was durable: into its note, or beside it where that was changed since.
   *
   * @param isAlive whether a tab is still open and keeps its drafts itself
   */
  async recover(isAlive: (tab: string) => boolean): Promise<Recovered[]> {
    const recovered: Recovered[] = [];
    for (const draft of this.drafts.left(isAlive)) {
      try {
        const done = await this.bringBack(draft);
        if (done) recovered.push(done);
        this.drafts.forget(draft.tab, draft.path);
      } catch (error) {
        this.adopt(draft);
        this.problem(error);
      }
    }
    return recovered;
  }

  private async bringBack({ path: left, base, mark, changes }: Draft): Promise<Recovered | null> {
    const note = await this.store.get(left);
    const path = note ? note.path : ((await this.store.steps.whereWent(left)) ?? left);
    const present = note?.text ?? (await this.store.text(path));
    const known = base !== undefined ? base : present !== null && markOf({ text: present }) === mark ? present : undefined;
    const text = known === undefined ? null : draftText(known, changes);
    const label = `Typing in “${baseNameOf(path)}”`;
    if (text === null || known === undefined) return this.keepWords(path, draftWords(changes));
    if (text === present || text === (known ?? '')) return null;
    const saved = await saveText(this.store, { path, base: known, text, label });
    if (saved.is === 'gone') return this.keepWords(path, text);
    return { path: saved.aside?.path ?? path, is: saved.aside ? 'aside' : 'merged' };
  }

  /** Words whose note changed too much, or is gone, stand in its other text. */
  private async keepWords(path: string, words: string): Promise<Recovered | null> {
    if (words.trim() === '') return null;
    for (;;) {
      const other = await intoOtherText(this.store, path, words, '');
      if (other.writes.length === 0 || (await this.store.commit(`Brought back: ${baseNameOf(path)}`, other.writes)).saved)
        return { path: other.path, is: 'aside' };
    }
  }

  /** Words that cannot be stored now wait as those of an editor that went. */
  private adopt(draft: Draft): void {
    const { path, base, changes } = draft;
    const text = base === undefined ? draftWords(changes) : (draftText(base, changes) ?? draftWords(changes));
    const known = base ?? null;
    const waiting = this.open(
      path,
      known,
      keptText(editorText(text), () => known),
      () => undefined,
    );
    this.adopted.set(waiting, draft);
    void this.end(waiting);
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
