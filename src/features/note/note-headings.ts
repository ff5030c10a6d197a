import { foldName } from '../../core/note/names/names';
import { readNote } from '../../core/task/reading/read-note';

interface Texts {
  text: (path: string) => Promise<string | null>;
}

/** The different headings of a stored note by which a place in it can be named, in their order. */
export async function headingsOf(store: Texts, path: string): Promise<string[]> {
  const text = await store.text(path);
  const headings = text === null ? [] : readNote(path, text).structure.headings.filter((one) => one.topLevel && one.words !== '');
  return [...new Set(headings.map((heading) => heading.words))];
}

/** The line (from 0) of the first heading of a stored note that is called so; null when there is none. */
export async function lineOfHeading(store: Texts, path: string, heading: string | null): Promise<number | null> {
  const text = heading === null ? null : await store.text(path);
  if (heading === null || text === null) return null;
  return readNote(path, text).structure.headings.find(({ words }) => foldName(words) === foldName(heading))?.line ?? null;
}
