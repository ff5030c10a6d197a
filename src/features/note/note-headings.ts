import { readNote } from '../../core/task/read-note';

/** The different headings of a stored note by which a place in it can be named, in their order. */
export async function headingsOf(store: { text: (path: string) => Promise<string | null> }, path: string): Promise<string[]> {
  const text = await store.text(path);
  const headings = text === null ? [] : readNote(path, text).structure.headings.filter((one) => one.topLevel && one.words !== '');
  return [...new Set(headings.map((heading) => heading.words))];
}
