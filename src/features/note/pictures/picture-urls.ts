import type { NoteStore } from '../../../store/notes/note-store';
import { shownPicture } from '../../../store/pictures/picture-store';

/** So many pictures are held for being shown again. */
const MOST = 60;

const held = new Map<string, { url: string }>();
let heldAs = '';

/** Lets go of all pictures that are held. */
export function letPicturesGo(): void {
  for (const { url } of held.values()) URL.revokeObjectURL(url);
  held.clear();
}

/** An address at which the browser shows the picture of a note, or why there is none. It is held as long as nothing of pictures changes. */
export async function pictureUrl(
  store: NoteStore,
  notePath: string,
  target: string,
  as: string,
): Promise<{ url: string } | { words: string }> {
  // Another picture came, or a seal was closed: what was shown is let go of.
  if (as !== heldAs) letPicturesGo();
  heldAs = as;
  const key = `${notePath}\n${target}`;
  const known = held.get(key);
  if (known) return known;
  const found = await shownPicture(store, notePath, target);
  switch (found.is) {
    case 'closed':
      return { words: 'A picture that is sealed, and closed' };
    case 'broken':
      return { words: `${found.path} is no picture that can be shown` };
    case 'gone':
      return { words: `There is no picture at ${target}` };
    case 'elsewhere':
      return { words: 'A picture of another place, which is not fetched' };
    case 'there': {
      const made = { url: URL.createObjectURL(new Blob([found.bytes as BlobPart], { type: found.type })) };
      const [oldest] = held.keys();
      if (held.size >= MOST && oldest !== undefined) {
        URL.revokeObjectURL(held.get(oldest)?.url ?? '');
        held.delete(oldest);
      }
      held.set(key, made);
      return made;
    }
  }
}
