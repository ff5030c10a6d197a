import { foldPath } from '../../note/names/path';
import type { ActionContext } from '../acts/action-context';
import { type Change, applyChanges } from '../writing/edit';
import { type Page, openPage } from './page';

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
export class Pages {
  private readonly opened = new Map<string, Page>();
  private readonly made = new Set<Page>();

  constructor(
    readonly shelf: Shelf,
    private readonly context: ActionContext,
  ) {}

  open(path: string): Page | null {
    const key = foldPath(path);
    const known = this.opened.get(key);
    if (known) return known;
    const text = this.shelf.text(path);
    if (text === null) return null;
    const page = openPage(path, text, this.context.settings);
    this.opened.set(key, page);
    return page;
  }

  /** A note that does not exist yet. */
  make(path: string, text: string): Page {
    const page = openPage(path, text, this.context.settings);
    this.opened.set(foldPath(path), page);
    this.made.add(page);
    return page;
  }

  outcome(): { files: { path: string; changes: Change[]; text: string }[] } {
    const files = [...this.opened.values()].flatMap((page) => {
      const changes = page.edits.changes();
      if (changes.length === 0) return [];
      const text = applyChanges(page.lines.text, changes);
      return [{ path: page.path, text, changes: this.made.has(page) ? [{ from: 0, to: 0, insert: text }] : changes }];
    });
    return { files };
  }
}
