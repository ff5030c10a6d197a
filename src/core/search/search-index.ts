import MiniSearch, { type Query } from 'minisearch';
import type { Search } from './read-search';
import { searchWords } from './words';

/** A note that holds all that is looked for. */
export interface FoundKey {
  key: string;
  /** The words of the note that were meant, folded. */
  terms: () => string[];
}

interface Indexed {
  key: string;
  title: string;
  text: string;
}

/** From so many letters on one of them may be wrong. */
const MAY_ERR = 5;

/** The words of all notes. The last word that is typed may go on, and from five letters on one letter may be wrong. */
export class SearchIndex {
  private readonly index = new MiniSearch<Indexed>({
    idField: 'key',
    fields: ['title', 'text'],
    tokenize: searchWords,
    processTerm: (term) => term,
    searchOptions: { boost: { title: 4 } },
  });

  /** Takes a note as it is now. */
  put(note: Indexed): void {
    if (this.index.has(note.key)) this.index.replace(note);
    else this.index.add(note);
  }

  remove(key: string): void {
    if (this.index.has(key)) this.index.discard(key);
  }

  get count(): number {
    return this.index.documentCount;
  }

  /** The notes that hold all words, anywhere and in any order, the most relevant first. */
  find({ words, phrases, open }: Pick<Search, 'words' | 'phrases' | 'open'>): FoundKey[] {
    const last = words.length - 1;
    const queries: Query[] = words.map((word, place) => ({
      queries: [word],
      prefix: open && place === last,
      fuzzy: word.length >= MAY_ERR ? 1 : false,
    }));
    for (const word of phrases.flat()) queries.push({ queries: [word], prefix: false, fuzzy: false });
    if (queries.length === 0) return [];
    return this.index
      .search({ combineWith: 'AND', queries })
      .map(({ id, match }) => ({ key: String(id), terms: () => Object.keys(match) }));
  }
}

/** The words that stand for typed ones that are not there as they were typed: each differs by one letter. */
export function nearWords(terms: readonly string[], { words, open }: Pick<Search, 'words' | 'open'>): string[] {
  const start = open ? words[words.length - 1] : undefined;
  const isMeant = (word: string, term: string): boolean => term === word || (word === start && term.startsWith(word));
  const missing = words.filter((word) => !terms.some((term) => isMeant(word, term)));
  if (missing.length === 0) return [];
  return terms.filter(
    (term) => !words.some((word) => isMeant(word, term)) && missing.some((word) => Math.abs(word.length - term.length) <= 1),
  );
}
