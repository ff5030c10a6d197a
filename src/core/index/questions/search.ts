import type { NoteKind } from '../../note/facts/front-matter';
import { foldPath } from '../../note/names/path';
import { type Search, readSearch } from '../../search/read-search';
import { bestLines, type FoundLine, foundLines, holdsPhrase } from '../../search/found-lines';
import { type FoundKey, nearWords } from '../../search/search-index';
import { SearchKeeper } from '../../search/search-keeper';
import type { Library } from '../library';
import type { NoteEntry } from '../note-entry';

/** Which notes a search shows. */
export type SearchShows = 'all' | 'tasks' | 'open';

/** A note that a search found. */
export interface FoundNote {
  path: string;
  title: string;
  kind: NoteKind;
  /** All its tasks, and the open ones. */
  tasks: number;
  open: number;
  lines: FoundLine[];
  /** Words of it that differ by one letter from what was typed. */
  near: string[];
}

export interface SearchAnswer {
  /** How many notes hold all of it. */
  count: number;
  /** The first of them. */
  notes: FoundNote[];
  /** The gather of the tasks that hold all of it; null where nothing is looked for. */
  gather: string | null;
  /** Every word that was meant in what is shown, folded: by them it is found in the lines. */
  terms: string[];
  problem: string | null;
  /** How many notes are not looked through yet. */
  left: number;
}

/** What has changed is indexed before a search answers, up to so much text. */
const FRESH = 400_000;
/** Lines shown of a note. */
const MOST_LINES = 3;

/** The keeper of the words of all notes; made when it is first asked for. */
export function searchKeeper(library: Library): SearchKeeper {
  return (library.search ??= new SearchKeeper(library.entries));
}

/** The same, with what changed taken in. */
export function freshKeeper(library: Library): SearchKeeper {
  const keeper = searchKeeper(library);
  keeper.feed(FRESH);
  return keeper;
}

/**
 * The notes that hold all that is typed, and the gather of the tasks that do.
 *
 * @param most how many notes are told; all are counted
 * @param lines how many lines of each; the ones that say most
 */
export function searched(library: Library, typed: string, shows: SearchShows, most: number, lines = MOST_LINES): SearchAnswer {
  const keeper = freshKeeper(library);
  const search = readSearch(typed);
  const found = narrowedKeys(library, search, foundKeys(library, search)).filter(({ key }) => fits(library.entries.get(key), shows));
  const all = new Set<string>();
  const notes = found.slice(0, most).flatMap(({ key, terms: termsOf }): FoundNote[] => {
    const entry = library.entries.get(key);
    if (!entry) return [];
    const terms = new Set(termsOf());
    for (const term of terms) all.add(term);
    return [
      {
        ...summaryOf(entry),
        lines: bestLines(foundLines(entry.text, terms), terms, lines),
        near: nearWords([...terms], search),
      },
    ];
  });
  return { count: found.length, notes, gather: gatherOf(search, shows), terms: [...all], problem: search.problem, left: keeper.left };
}

const summaryOf = ({ head, counts }: NoteEntry): Omit<FoundNote, 'lines' | 'near'> => ({
  path: head.path,
  title: head.title,
  kind: head.kind,
  tasks: counts.all,
  open: counts.open,
});

function fits(entry: NoteEntry | undefined, shows: SearchShows): boolean {
  if (!entry) return false;
  return shows === 'all' || (shows === 'open' ? entry.counts.open : entry.counts.all) > 0;
}

function foundKeys(library: Library, search: Search): FoundKey[] {
  const found = searchKeeper(library).find(search);
  if (search.phrases.length === 0) return found;
  return found.filter(({ key }) => {
    const entry = library.entries.get(key);
    return entry !== undefined && search.phrases.every((phrase) => holdsPhrase(`${entry.head.title}\n${entry.text}`, phrase));
  });
}

/** A condition leaves the notes of tasks for which it holds, and the notes for which it holds themselves. */
function narrowedKeys(library: Library, search: Search, found: readonly FoundKey[]): readonly FoundKey[] {
  if (search.condition === null) return found;
  const counts = new Map<string, number>();
  const count = (text: string): void => {
    const { live, answer } = library.ask(text);
    if (live.errors.length > 0) return;
    for (const group of answer.groups)
      for (const { row } of group.rows) counts.set(foldPath(row.head.path), (counts.get(foldPath(row.head.path)) ?? 0) + 1);
  };
  count(`where ${search.condition}\nsteps apart\nincluding resting`);
  count(`from notes\nwhere ${search.condition}`);
  if (search.words.length + search.phrases.length > 0) return found.filter(({ key }) => counts.has(key));
  return [...counts].sort((a, b) => b[1] - a[1]).map(([key]) => ({ key, terms: () => [] }));
}

/** The gather of the tasks that are looked for: all words in their text, and the condition. */
function gatherOf({ words, phrases, condition }: Search, shows: SearchShows): string | null {
  const parts = [...words, ...phrases.map((phrase) => phrase.join(' '))].map((one) => `text has "${one}"`);
  if (condition !== null) parts.push(/\sor\s/i.test(condition) ? `(${condition})` : condition);
  if (parts.length === 0) return null;
  return `where ${[...(shows === 'open' ? ['open'] : []), ...parts].join(' and ')}\norder by status, priority, due\nincluding resting`;
}
