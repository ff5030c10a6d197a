import { freePath, isSealedPath } from '../../core/note/names/path';
import type { Content } from '../notes/content';
import type { NoteSource } from '../notes/note-source';
import type { NoteWrite } from '../notes/note-write';
import { type Opener, openedContent, sealedContent } from '../notes/opener';
import { mergeForBoth, mergeTexts } from '../texts/merge';
import { otherTextOf, otherTextPath } from '../texts/other-text';
import { intoOtherText } from '../texts/save-text';

/**
 * What two sides made of one note, in one.
 *
 * @param base what both held last; null where that is not known
 * @returns 'closed' where it is sealed and its seal is not open; null where no text holds both, as with what is no text
 */
export async function bothIn(
  opener: Opener | null,
  path: string,
  base: Content | null,
  here: Content,
  there: Content,
): Promise<Content | 'closed' | null> {
  if (!isSealedPath(path)) {
    if (!('text' in here && 'text' in there)) return null;
    const grownFrom = base && 'text' in base ? base.text : null;
    const both = grownFrom === null ? null : merged(grownFrom, here.text, there.text);
    // Beside an other text nothing stands: it has the lines of both.
    return both ?? (otherTextOf(path) === null ? null : { text: mergeForBoth(grownFrom ?? '', here.text, there.text, 'no word grows') });
  }
  const open = async (one: Content | null): Promise<Content | null> => one && openedContent(opener, path, one);
  const [before, mine, other] = await Promise.all([open(base), open(here), open(there)]);
  if (!mine || !other || !('text' in mine) || !('text' in other)) return 'closed';
  if (mine.text === other.text) return here;
  const both = before && 'text' in before ? merged(before.text, mine.text, other.text) : null;
  return both && sealedContent(opener, path, both);
}

/** What puts a text beside a note, to be committed: into its other text, where it has one already. */
export async function besideIt(
  store: NoteSource,
  path: string,
  base: Content | null,
  there: Content,
): Promise<{ path: string; writes: NoteWrite[] }> {
  if ('text' in there) return intoOtherText(store, path, there.text, base && 'text' in base ? base.text : '', 'no word grows');
  const taken = await store.paths();
  const free = freePath(otherTextPath(path), (folded) => taken.has(folded));
  return { path: free, writes: [{ path: free, expect: null, content: there }] };
}

function merged(base: string, mine: string, other: string): Content | null {
  const text = mergeTexts(base, mine, other);
  return text === null ? null : { text };
}
