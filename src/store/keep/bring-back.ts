import { foldPath, freePath } from '../../core/note/names/path';
import { type Content, contentOf, sameContent } from '../notes/content';
import type { NoteSource } from '../notes/note-source';
import type { NoteWrite } from '../notes/note-write';

/**
 * What gives a note a content that it had before. One that is gone is there again, beside another that took its path meanwhile.
 *
 * @param id of the note
 */
export async function broughtBack(store: NoteSource, path: string, id: string, content: Content): Promise<NoteWrite[]> {
  const note = await store.get(path);
  if (note?.id === id) return sameContent(contentOf(note), content) ? [] : [{ path: note.path, expect: contentOf(note), content }];
  if (!note) return [{ path, expect: null, content, id }];
  const taken = await store.paths();
  return [{ path: freePath(path, (folded) => taken.has(folded)), expect: null, content, id }];
}

/** What a copy says of a note, beside what stands there now; null for no note. */
export interface CopiedNote {
  path: string;
  now: Content | null;
  then: Content | null;
}

/** How all notes differ from those of a copy, by path: what was changed, went and came since. */
export async function sinceCopy(store: NoteSource, copied: ReadonlyMap<string, { path: string; content: Content }>): Promise<CopiedNote[]> {
  const found: CopiedNote[] = [];
  const there = new Set<string>();
  for (const note of await store.all()) {
    there.add(note.key);
    const then = copied.get(note.key)?.content ?? null;
    const now = contentOf(note);
    if (!sameContent(now, then)) found.push({ path: note.path, now, then });
  }
  for (const [key, { path, content }] of copied) if (!there.has(key)) found.push({ path, now: null, then: content });
  return found.sort((a, b) => (a.path < b.path ? -1 : 1));
}

/** What brings some notes back as a copy has them. A note that changed since they were compared makes the step be refused. */
export async function asCopied(store: NoteSource, notes: readonly CopiedNote[]): Promise<NoteWrite[] | { refused: string }> {
  const present = await store.many(notes.map(({ path }) => foldPath(path)));
  const writes = notes.map(({ path, now, then }, index): NoteWrite | null => {
    const note = present[index];
    return sameContent(note ? contentOf(note) : null, now) ? { path: note?.path ?? path, expect: now, content: then } : null;
  });
  const all = writes.filter((write) => write !== null);
  return all.length < writes.length ? { refused: 'A note was changed meanwhile, so nothing was brought back. Compare once more.' } : all;
}
