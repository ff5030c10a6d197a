import { isolateHistory } from '@codemirror/commands';
import { Annotation } from '@codemirror/state';
import type { EditorView } from '@codemirror/view';
import { Transaction } from '@codemirror/state';
import { editorText, storedText } from '../../core/note/line-endings';
import { foldPath } from '../../core/note/path';
import { differenceOf } from '../../core/task/edit';
import { mergeTexts } from '../../store/merge';
import type { NoteActions } from '../../store/note-actions';
import type { NoteStore, StoreChange } from '../../store/note-store';
import { otherTextOf } from '../../store/other-text';
import { RestTimer } from './rest-timer';

/** Milliseconds after the last key, and at most between two savings while typing goes on. */
const PAUSE = 300;
const LONGEST = 1000;

/** So long after the last key, in milliseconds, a person counts as writing on. */
const WRITING = 2000;

/** Marks what came from the store, which needs no saving. */
export const fromStore = Annotation.define<boolean>();

interface SessionEvents {
  /** Both texts were kept: the other one under this path. */
  conflict(path: string): void;
  failed(): void;
  removed(): void;
}

/** Keeps an editor and the stored note alike: saves what is typed, takes in what changes elsewhere. */
export class NoteSession {
  private readonly timer = new RestTimer(PAUSE, () => void this.save(), LONGEST);
  private lastTyped = -Infinity;
  private saving: Promise<void> = Promise.resolve();
  private inFlight: string | null = null;
  private ended = false;
  /** What was stored in the place of what is being written here, which is kept beside it. */
  private held: string | null = null;
  /** The note went, and the editor holds nothing that was not stored. */
  private gone = false;
  private readonly stopListening: () => void;

  constructor(
    private readonly path: string,
    private readonly view: EditorView,
    /** What the store holds, as far as the editor knows; null when there is no such note yet. */
    private synced: string | null,
    store: NoteStore,
    private readonly actions: NoteActions,
    private readonly events: SessionEvents,
  ) {
    this.stopListening = store.listen({
      changed: (changes) => {
        const change = changes.find((one) => foldPath(one.path) === foldPath(path));
        if (!change) return;
        const text = textIn(change);
        if (text !== null && this.isWriting && changes.some((one) => this.isMineSetAside(one))) this.hold(text);
        else this.take(text, change.elsewhere);
      },
    });
  }

  /** Called for every change a person made in the editor. */
  typed(): void {
    this.gone = false;
    this.lastTyped = performance.now();
    this.timer.touch();
  }

  /**
   * Saves what is not saved yet.
   *
   * @param label what Undo says of it; null for typing, which the editor's own undo takes back
   */
  save(label: string | null = null): Promise<void> {
    this.timer.stop();
    this.saving = this.saving.then(() => this.write(label));
    return this.saving;
  }

  private async write(label: string | null): Promise<void> {
    const text = this.current();
    if (this.gone || text === (this.synced ?? '')) return;
    this.inFlight = text;
    this.held = null;
    try {
      const result = await this.actions.saveText(this.path, this.synced, text, label);
      this.inFlight = null;
      const typedSince = this.current();
      this.synced = result.text;
      if (result.text !== text) this.show(mergeTexts(text, typedSince, result.text) ?? typedSince, true);
      if (result.conflictPath !== null) this.events.conflict(result.conflictPath);
    } catch {
      this.inFlight = null;
      this.events.failed();
    }
  }

  private current(): string {
    return storedText(this.synced ?? '', this.view.state.doc.toString());
  }

  private get isWriting(): boolean {
    return performance.now() - this.lastTyped < WRITING;
  }

  /** Whether a change keeps this editor's text as the other text of the note, since somebody else wrote in its place. */
  private isMineSetAside(change: StoreChange): boolean {
    return change.elsewhere && foldPath(otherTextOf(change.path) ?? '') === foldPath(this.path) && textIn(change) === this.synced;
  }

  /** Nobody's text changes under the writing hands: the other one is shown when they rest, or set aside in turn by the next saving. */
  private hold(text: string): void {
    this.held = text;
    setTimeout(() => {
      if (this.held !== text || this.ended) return;
      if (this.isWriting) this.hold(text);
      else this.take(text, true);
    }, WRITING);
  }

  private take(text: string | null, elsewhere: boolean): void {
    this.held = null;
    if (text === null) {
      // A deleted or renamed note must not come back by the editor's last saving; words not yet saved do.
      this.gone = this.current() === (this.synced ?? '');
      this.synced = null;
      this.events.removed();
      return;
    }
    this.gone = false;
    if (text === this.inFlight || text === this.synced) return;
    const mine = this.current();
    const merged = mergeTexts(this.synced ?? '', mine, text);
    // Where both changed the same lines, saving finds it and keeps both texts.
    if (merged === null) return;
    this.synced = text;
    this.show(merged, elsewhere);
    if (merged !== text) this.typed();
  }

  /** Brings the editor to a text by the smallest change; what this tab did can be undone there too. */
  private show(stored: string, elsewhere: boolean): void {
    const change = differenceOf(this.view.state.doc.toString(), editorText(stored));
    if (!change || this.ended) return;
    this.view.dispatch({
      changes: change,
      // What was typed just before is another step of Undo.
      annotations: [fromStore.of(true), Transaction.addToHistory.of(!elsewhere), isolateHistory.of('full')],
    });
  }

  /** Saves and lets go. */
  async end(): Promise<void> {
    this.ended = true;
    await this.save();
    this.stopListening();
  }
}

const textIn = ({ content }: StoreChange): string | null => (content && 'text' in content ? content.text : null);
