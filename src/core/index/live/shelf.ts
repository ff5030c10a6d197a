import { NameTable, namesFor } from '../names/name-table';
import { readFrontMatter } from '../../note/facts/front-matter';
import { splitLines } from '../../note/blocks/lines';
import { baseNameOf, foldPath } from '../../note/names/path';
import type { Shelf } from '../../task/reading/open-notes';

/**
 * Notes as an action may look into them. Names are read only when one is asked for.
 *
 * @param isElse whether something that is none of the notes has a path
 */
export function shelfOf(notes: readonly { path: string; text: string | null }[], isElse: (path: string) => boolean = () => false): Shelf {
  const byPath = new Map(notes.map((note) => [foldPath(note.path), note]));
  let names: NameTable | null = null;
  const table = (): NameTable => {
    if (names) return names;
    names = new NameTable();
    for (const { path, text } of notes) {
      const front = text === null ? null : readFrontMatter(splitLines(text));
      const key = foldPath(path);
      names.add(namesFor(key, front?.title ?? baseNameOf(path), front?.aliases ?? []), key);
    }
    return names;
  };
  return {
    text: (path) => byPath.get(foldPath(path))?.text ?? null,
    find: (name, from) => byPath.get(table().pathOf(name, foldPath(from)) ?? '')?.path ?? null,
    isTaken: (path) => (byPath.has(foldPath(path)) ? byPath.get(foldPath(path))?.text == null : isElse(path)),
    holding: (words) => notes.filter((note) => note.text?.includes(words)).map((note) => note.path),
  };
}
