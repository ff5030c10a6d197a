import { foldPath } from '../../note/names/path';
import type { ActionContext } from '../acts/action-context';
import { type Change, applyChanges } from '../writing/edit';
import { type OpenNote, openNote } from './open-note';

/** The notes that an action may look into. */
export interface Shelf {
  /** Null when there is no such note, or it holds no text. */
  text(path: string): string | null;
  /** The path of the note that a title, alias or path means, seen from another note; null when there is none. */
  find(name: string, from: string): string | null;
  /** Whether something that cannot be read as a note has that path. */
  isTaken(path: string): boolean;
  /** Paths of the notes whose text holds some words. */
  holding(words: string): Iterable<string>;
}

/** The notes that one action has opened. */
export class OpenNotes {
  private readonly opened = new Map<string, OpenNote>();
  private readonly made = new Set<OpenNote>();

  constructor(
    readonly shelf: Shelf,
    private readonly context: ActionContext,
  ) {}

  open(path: string): OpenNote | null {
    const key = foldPath(path);
    const known = this.opened.get(key);
    if (known) return known;
    const text = this.shelf.text(path);
    if (text === null) return null;
    const opened = openNote(path, text, this.context.settings);
    this.opened.set(key, opened);
    return opened;
  }

  /** A note that does not exist yet. */
  make(path: string, text: string): OpenNote {
    const opened = openNote(path, text, this.context.settings);
    this.opened.set(foldPath(path), opened);
    this.made.add(opened);
    return opened;
  }

  outcome(): { files: { path: string; changes: Change[]; text: string }[] } {
    const files = [...this.opened.values()].flatMap((opened) => {
      const changes = opened.edits.changes();
      if (changes.length === 0) return [];
      const text = applyChanges(opened.lines.text, changes);
      return [{ path: opened.path, text, changes: this.made.has(opened) ? [{ from: 0, to: 0, insert: text }] : changes }];
    });
    return { files };
  }
}
