import { editorText, storedText } from '../../core/note/blocks/line-endings';
import { foldPath, isSealedPath } from '../../core/note/names/path';
import { differenceOf } from '../../core/task/writing/edit';
import type { Drafts } from './drafts';
import { failureExplained, failureSentence } from '../notes/failure';
import { mergeTexts, mergeTogether } from './merge';
import type { StoreChange } from '../notes/note-source';
import type { NoteStore } from '../notes/note-store';
import { RestTimer } from './rest-timer';
import { type SetAside, intoOtherText, saveText } from './save-text';
import { TYPING } from '../notes/origin';
import { type Surface, keptText } from './surface';
import { type TextEvent, type TextState, textStateAfter } from './text-state';

/** Milliseconds after the last key, and at most between two savings while typing goes on. */
const PAUSE = 300;
const LONGEST = 1000;

/** So long after the last key, in milliseconds, a person counts as writing on. */
const WRITING = 2000;

/** Milliseconds until a save that failed is tried again; each next pause is twice as long, up to a minute. */
const FIRST_RETRY = 1000;
const LAST_RETRY = 60_000;

/** Words that stand in a note of their own: another wrote in their place, or their note was deleted under them. */
export interface WordsApart {
  why: 'written at once' | 'deleted' | 'sealed';
  of: string;
  path: string;
}

export interface OpenTextHost {
  store: NoteStore;
  drafts: Drafts;
  /** Whether those who write in a note see each other, as where something of it is lent. */
  together: (path: string) => boolean;
  /** The state of saving changed. */
  changed: (text: OpenText) => void;
  /** Words stand in another note than the one they were written in, and why. */
  apart: (news: WordsApart) => void;
  problem: (error: unknown) => void;
}

/**
 * The text of one note while it is written: it is brought to the store, and what changes there is brought to it.
 *
 * How it stands to the store says `text-state.ts`. It outlives its editor until all of it is durable. All that reads or writes the store
 * goes through one chain, so that nothing is compared with a text that is being replaced.
 */
export class OpenText {
  state: TextState = 'still';
  /** Why it could not be stored, while that is so. */
  failure: string | null = null;
  /** Whether its words are safe should the page go now. */
  drafted = true;
  private chain: Promise<void> = Promise.resolve();
  private inFlight: string | null = null;
  /** Where that was written. */
  private sender: Surface | null = null;
  /** The note changed while it was being written. */
  private heard = false;
  /** How often a text of the store was taken in. */
  private taken = 0;
  private lastTyped = -Infinity;
  private aside: SetAside | null = null;
  /** What the text was before it was typed in; null when it was not since the last step. */
  private run: { before: string | null } | null = null;
  /** Whether typing in it became a step already. */
  private recorded = false;
  private retry = FIRST_RETRY;
  private retryTimer: ReturnType<typeof setTimeout> | null = null;
  private readonly timer = new RestTimer(PAUSE, () => void this.save(), LONGEST);
  private readonly stopListening: () => void;
  private isShown = true;

  constructor(
    public path: string,
    /** What is stored, as far as this text knows; null when there is no such note yet. */
    private base: string | null,
    private surface: Surface,
    /** Called when the note went, and nothing is left to be saved. */
    private removed: () => void,
    private readonly host: OpenTextHost,
  ) {
    this.stopListening = host.store.listen({ changed: (changes) => this.hear(changes) });
    // What changed between the reading of the note and now was told to nobody here.
    void this.queue(() => this.look(null, true));
  }

  /** The text as it would be stored. */
  current(): string {
    return storedText(this.base ?? '', this.surface.text());
  }

  /** Called for every change a person made. */
  typed(): void {
    this.lastTyped = performance.now();
    this.run ??= { before: this.base };
    this.touch();
    this.keepDraft();
  }

  /**
   * Saves what is not saved yet; resolves when it is durable, or could not be.
   *
   * @param label what Undo says of it; null for typing
   */
  save(label: string | null = null): Promise<void> {
    this.timer.stop();
    return this.queue(() => this.write(label));
  }

  /** Saves, and makes a step of what was typed, so that what comes next is another step. */
  settle(): Promise<void> {
    this.timer.stop();
    return this.queue(async () => {
      await this.write(null);
      await this.recordRun();
    });
  }

  /** The editor goes: its text stays until it is durable. */
  async end(): Promise<void> {
    this.leave();
    await this.settle();
    if (this.state === 'still' || this.state === 'gone') this.close();
  }

  /** Another editor takes the text over, with what is not saved of it. */
  takeOver(surface: Surface, removed: () => void): void {
    this.surface = surface;
    this.removed = removed;
    this.isShown = true;
    this.differFrom(this.base ?? '');
  }

  get isEnded(): boolean {
    return !this.isShown;
  }

  /** What is kept of an editor that went. */
  private leave(): void {
    const text = this.surface.text();
    this.isShown = false;
    this.removed = () => undefined;
    this.surface = keptText(text, () => this.base);
  }

  close(): void {
    this.stopListening();
    this.timer.stop();
    if (this.retryTimer !== null) clearTimeout(this.retryTimer);
  }

  private queue(act: () => Promise<void>): Promise<void> {
    this.chain = this.chain.then(act).catch(this.host.problem);
    return this.chain;
  }

  private touch(): void {
    this.goOn('differs');
    this.later();
  }

  /** What is sealed is stored at each key, since no draft of it is kept. */
  private later(): void {
    if (isSealedPath(this.path)) void this.save();
    else this.timer.touch();
  }

  private goOn(event: TextEvent): void {
    const state = textStateAfter(this.state, event);
    // Each failure may have another reason.
    if (state === this.state && event !== 'failed') return;
    this.state = state;
    if (state !== 'failed') this.failure = null;
    this.host.changed(this);
  }

  private async write(label: string | null): Promise<void> {
    const text = this.current();
    if (this.state === 'gone') return;
    if (text === (this.base ?? '')) return this.rest();
    this.inFlight = text;
    this.heard = false;
    this.sender = this.surface;
    this.surface.sent();
    try {
      const saved = await saveText(this.host.store, {
        path: this.path,
        base: this.base,
        text,
        aside: this.aside,
        label,
        together: this.host.together(this.path),
      });
      this.inFlight = null;
      if (saved.is === 'gone') return await this.follow(text);
      this.stored(text, label);
      if (saved.aside !== this.aside) {
        if (this.aside === null && saved.aside) this.host.apart({ why: 'written at once', of: this.path, path: saved.aside.path });
        this.aside = saved.aside;
      }
      // What changed meanwhile may be older or newer than what was saved: what stands there now counts.
      if (this.heard) await this.look(null, true);
      else this.take(saved.text, true);
      this.rest();
    } catch (error) {
      this.inFlight = null;
      this.fail(error);
      await this.host.store.reopen(error);
    }
  }

  /** What was sent is durable. */
  private stored(text: string, label: string | null): void {
    this.base = text;
    // Another editor may have come meanwhile, which does not know what was sent.
    if (this.sender === this.surface) this.surface.stored();
    else this.differFrom(text);
    this.retry = FIRST_RETRY;
    if (label !== null) this.run = null;
  }

  /** Whether anything is left to be saved, and what that means. */
  private rest(): void {
    if (this.state === 'gone') return;
    if (this.current() === (this.base ?? '')) {
      this.host.drafts.drop(this.path);
      this.drafted = true;
      this.goOn('durable');
      if (!this.isShown) this.close();
      return;
    }
    this.keepDraft();
    this.goOn('partly');
    this.later();
  }

  private fail(error: unknown): void {
    this.failure = failureSentence(error);
    this.goOn('failed');
    void failureExplained(error).then((reason) => {
      if (this.state !== 'failed' || reason === this.failure) return;
      this.failure = reason;
      this.host.changed(this);
    });
    if (this.retryTimer !== null) clearTimeout(this.retryTimer);
    this.retryTimer = setTimeout(() => void this.save(), this.retry);
    this.retry = Math.min(LAST_RETRY, 2 * this.retry);
  }

  /** The note is not at its path any more: its text goes after it, or becomes a note of its own. */
  private async follow(text: string): Promise<void> {
    const there = isSealedPath(this.path) ? await this.host.store.get(this.path) : null;
    if (there) return there.text === null ? this.closeWith(there.path) : this.write(null);
    const to = await this.host.store.steps.whereWent(this.path);
    if (to !== null) {
      this.moveTo(to);
      return this.write(null);
    }
    const other = await intoOtherText(this.host.store, this.path, text, this.base ?? '');
    if (other.writes.length > 0 && !(await this.host.store.commit(TYPING, other.writes)).saved) return this.follow(text);
    this.stored(text, null);
    this.run = null;
    this.host.apart({ why: 'deleted', of: this.path, path: other.path });
    this.moveTo(other.path);
    this.take(other.text, true);
    this.rest();
  }

  /** The note was sealed, or its seal was closed: what of its words is not stored yet is sealed beside it. */
  private async closeWith(path: string): Promise<void> {
    const text = this.current();
    const isStored = text === (this.base ?? '');
    this.moveTo(path);
    if (!isStored) {
      const other = await intoOtherText(this.host.store, path, text, this.base ?? '');
      if (other.writes.length > 0 && !(await this.host.store.commit(TYPING, other.writes)).saved) return this.closeWith(path);
      this.host.apart({ why: 'sealed', of: path, path: other.path });
    }
    this.base = text;
    this.run = null;
    this.goOn('went');
    this.host.drafts.drop(path);
    this.removed();
  }

  private moveTo(path: string): void {
    const before = this.path;
    this.path = path;
    // Under its new path first: a page that goes just now must leave one behind.
    if (this.current() !== (this.base ?? '')) this.keepDraft();
    this.host.drafts.drop(before);
    this.host.changed(this);
  }

  private keepDraft(): void {
    this.drafted = !isSealedPath(this.path) && this.host.drafts.keep(this.path, this.base, this.surface.unsaved());
  }

  private hear(changes: readonly StoreChange[]): void {
    const change = changes.find((one) => foldPath(one.path) === foldPath(this.path));
    if (!change) return;
    if (this.inFlight !== null) {
      const text = textIn(change);
      if (change.elsewhere || text !== this.inFlight) this.heard = true;
      return;
    }
    // An action of this tab shows at once; what another tab did is looked for in its turn.
    if (!change.elsewhere && change.content !== null) this.take(textIn(change), false);
    else void this.queue(() => this.look(change.movedTo ?? null, change.elsewhere));
  }

  private async look(movedTo: string | null, elsewhere: boolean): Promise<void> {
    const { taken } = this;
    const note = await this.host.store.get(this.path);
    // What an action of this tab brought meanwhile is newer than what was read.
    if (taken !== this.taken) return this.look(movedTo, elsewhere);
    if (note?.text != null) return this.take(note.text, elsewhere);
    const to = movedTo ?? (await this.host.store.steps.whereWent(this.path));
    const there = to === null ? null : await this.host.store.get(to);
    if (there?.text != null) {
      this.moveTo(there.path);
      // What it was told under its new path before it knew of that went by.
      return this.look(null, elsewhere);
    }
    const closed = there ?? note;
    if (closed && isSealedPath(closed.path)) return this.closeWith(closed.path);
    // Where there was none yet, saving makes it.
    if (this.base === null) return;
    const text = this.current();
    if (text !== (this.base ?? '') || (elsewhere && this.isWriting)) return this.follow(text);
    this.goOn('went');
    this.host.drafts.drop(this.path);
    this.removed();
  }

  private get isWriting(): boolean {
    return performance.now() - this.lastTyped < WRITING;
  }

  /** Brings what the store holds to the text; null when there is no such note. */
  private take(text: string | null, elsewhere: boolean): void {
    if (text === null) {
      void this.queue(() => this.look(null, elsewhere));
      return;
    }
    this.taken++;
    if (text === this.base) return;
    const base = this.base ?? '';
    const mine = this.current();
    const merged = this.host.together(this.path) ? mergeTogether(base, mine, text) : mergeTexts(base, mine, text);
    // Where both changed the same lines, saving finds it and keeps both texts.
    if (merged === null) return this.touch();
    // Nobody's text changes under the writing hands: what stands in the place of their words is shown when they rest.
    if (this.aside !== null && this.isWriting && merged !== mine) {
      setTimeout(() => void this.queue(() => this.look(null, true)), WRITING);
      return;
    }
    this.aside = null;
    if (this.run) this.run = { before: mergeTexts(base, this.run.before ?? '', text) ?? text };
    this.base = text;
    if (merged !== mine) this.surface.show(editorText(merged), elsewhere);
    this.differFrom(text);
    this.goOn('came');
    if (merged !== text) this.touch();
  }

  private differFrom(stored: string): void {
    const change = differenceOf(editorText(stored), this.surface.text());
    this.surface.differs(change ? [change] : []);
  }

  /** What was typed since the last step becomes one, which Undo takes back from anywhere. */
  private async recordRun(): Promise<void> {
    const { run, base } = this;
    if (!run || base === null || this.state === 'failed') return;
    this.run = null;
    if (run.before === base) return;
    await this.host.store.steps.recordTyping(this.path, run.before === null ? null : { text: run.before }, { text: base }, this.recorded);
    this.recorded = true;
  }
}

const textIn = ({ content }: StoreChange): string | null => (content && 'text' in content ? content.text : null);
