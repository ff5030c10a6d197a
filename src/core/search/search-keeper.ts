import type { Search } from './read-search';
import { type FoundKey, SearchIndex } from './search-index';

/** What a search needs of a note. */
interface SearchedNote {
  text: string;
  head: { title: string };
}

/** Keeps the words of all notes indexed: fed bit by bit, so that whoever shares its thread is never held for long. */
export class SearchKeeper {
  private readonly index = new SearchIndex();
  /** Folded paths of the notes that are not indexed as they are now. */
  private readonly waiting: Set<string>;

  constructor(private readonly notes: ReadonlyMap<string, SearchedNote>) {
    this.waiting = new Set(notes.keys());
  }

  /** A note changed, came or went. */
  changed(key: string): void {
    this.waiting.add(key);
  }

  /** How many notes wait. */
  get left(): number {
    return this.waiting.size;
  }

  /**
   * Indexes some of the notes that wait, at least one.
   *
   * @param characters about how much text is taken at most
   */
  feed(characters: number): void {
    let taken = 0;
    for (const key of this.waiting) {
      if (taken >= characters) return;
      this.waiting.delete(key);
      const note = this.notes.get(key);
      if (note) this.index.put({ key, title: note.head.title, text: note.text });
      else this.index.remove(key);
      taken += note?.text.length ?? 0;
    }
  }

  find(search: Pick<Search, 'words' | 'phrases' | 'open'>): FoundKey[] {
    return this.index.find(search);
  }
}
