import { isoDay } from '../../../core/calendar/day';
import { safeFileName } from '../../../core/note/names/path';
import { pictureLink, typeOfBytes } from '../../../core/note/names/picture-path';
import { LARGEST_PICTURE, addPicture } from '../../../store/pictures/picture-store';
import { failureExplained } from '../../../store/notes/failure';
import { refuse, say, unsay } from '../../session/telling/messages';
import type { Services } from '../../session/state/services';
import { smaller } from './smaller';

/** Names that browsers and cameras give to pictures that have none: they say nothing. */
const NAMELESS = /^(?:image|img|photo|picture|screenshot|pasted|clipboard|dsc|pxl|untitled)?[\s_()-]*[\d\s_.()-]*$/i;

/**
 * Keeps pictures for a note, and gives what the note writes to show them, one a line. What cannot be kept is said.
 *
 * @param most how many pixels they are wide or high at most; null for as they are
 */
export async function keepPictures(
  { store, clock }: Pick<Services, 'store' | 'clock'>,
  notePath: string,
  files: readonly File[],
  most: number | null,
): Promise<string> {
  const links: string[] = [];
  const working = say(files.length === 1 ? 'Keeping the picture…' : `Keeping ${files.length} pictures…`, { is: 'working' });
  try {
    for (const file of files) {
      const name = file.name || 'picture';
      if (file.size > LARGEST_PICTURE) {
        refuse(`“${name}” is larger than 40 MB, so it was not kept. Make it smaller first.`);
        continue;
      }
      const bytes = new Uint8Array(await file.arrayBuffer());
      const type = typeOfBytes(bytes);
      if (type === null) {
        refuse(`“${name}” is no picture that can be shown, so it was not kept.`);
        continue;
      }
      const ready = await smaller(bytes, type, most);
      const said = name.replace(/\.[^.]+$/, '');
      const words = NAMELESS.test(said) ? '' : said;
      // No date as they are typed: a name is no word of a slip.
      const day = isoDay(clock.now().day).replaceAll('-', '');
      const called = safeFileName([day, words].filter(Boolean).join(' ')).replace(/\s+/g, '-');
      const path = await addPicture(store, notePath, called, ready.type, ready.bytes);
      links.push(pictureLink(notePath, path, words));
    }
  } catch (error) {
    refuse(`The picture was not kept. ${await failureExplained(error)}`);
  } finally {
    unsay(working);
  }
  return links.join('\n');
}
