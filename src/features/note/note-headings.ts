import { foldName } from '../../core/note/names/names';
import { readFrame } from '../../core/note/facts/note-frame';

interface Texts {
  text: (path: string) => Promise<string | null>;
}

/** The different headings of a stored note by which a place in it can be named, in their order. */
export async function headingsOf(store: Texts, path: string): Promise<string[]> {
  const text = await store.text(path);
  const headings = text === null ? [] : readFrame(text).structure.headings.filter((one) => one.topLevel && one.words !== '');
  return [...new Set(headings.map((heading) => heading.words))];
}

/** The line (from 0) of the first heading of a stored note that is called so; null when there is none. */
export async function lineOfHeading(store: Texts, path: string, heading: string | null): Promise<number | null> {
  const text = heading === null ? null : await store.text(path);
  if (heading === null || text === null) return null;
  return readFrame(text).structure.headings.find(({ words }) => foldName(words) === foldName(heading))?.line ?? null;
}
