import MiniSearch from 'minisearch';
import { Library, type LibrarySettings } from '../src/core/index/library';
import { leadingTo } from '../src/core/index/questions/leading';
import { searchKeeper, searched } from '../src/core/index/questions/search';
import type { BenchNote } from './library';
import { type BenchRow, measure, row } from './measure';

/** What is found at most at a glance. */
const MOST = 30;

const milliseconds = (work: () => unknown): number => {
  const began = performance.now();
  work();
  return performance.now() - began;
};

/** The least of several runs, in milliseconds. */
const least = (work: () => unknown): number => Math.min(...Array.from({ length: 7 }, () => milliseconds(work)));

/** What finding costs over a library. */
export function searchRows(notes: readonly BenchNote[], settings: LibrarySettings, size: string): BenchRow[] {
  const library = new Library(settings);
  library.apply(notes);
  gc();
  const before = process.memoryUsage().heapUsed;
  const ours = milliseconds(() => searchKeeper(library).feed(Infinity));
  gc();
  const memory = process.memoryUsage().heapUsed - before;
  const reference = new MiniSearch<BenchNote>({ idField: 'path', fields: ['path', 'text'] });
  const alone = milliseconds(() => reference.addAll(notes));
  const [note] = notes;
  if (!note) return [];
  let count = 0;
  const keeper = searchKeeper(library);
  const changes = measure({
    ours: () => {
      keeper.changed(note.path.toLowerCase());
      keeper.feed(1);
    },
    alone: () => reference.add({ ...note, path: `${note.path} ${count++}` }),
  });
  const find = (typed: string): number => least(() => searched(library, typed, 'all', MOST));
  const texts = notes.reduce((sum, one) => sum + one.text.length, 0);
  return [
    row(`building the search index of ${size}`, 'times minisearch alone', ours / alone, { atMost: 3 }),
    row(`a changed note in the search index of ${size}`, 'times adding it to minisearch alone', changes.ours / changes.alone, {
      atMost: 5,
    }),
    row(`the first three letters of a search over ${size}`, 'times 50 milliseconds', find('cra') / 50, { atMost: 1 }),
    row(`a further letter of it`, 'times 30 milliseconds', find('crat') / 30, { atMost: 1 }),
    row(`what leads to a note of ${size}`, 'times 20 milliseconds', least(() => leadingTo(library, note.path, 100)) / 20, { atMost: 1 }),
    row(`memory of the search index over ${size}`, 'times the texts', memory / texts, null),
  ];
}

function gc(): void {
  (globalThis as { gc?: () => void }).gc?.();
}
