import type { SealDesk } from '../../../store/seal/seal-desk';
import { letPicturesGo } from '../../note/pictures/picture-urls';
import type { PlaceMemory } from '../../session/places/place-memory';
import { unsayAll } from '../../session/telling/messages';

/**
 * Messages may say what was done in a sealed note, its pictures may be held, and its words may have been looked for: they go when a seal is
 * closed.
 */
export function closedWords(desk: SealDesk, places: PlaceMemory): void {
  let before = desk.present().open.size;
  desk.listen(() => {
    const now = desk.present().open.size;
    if (now < before) {
      unsayAll();
      letPicturesGo();
      places.forget((address) => /[?&]q=/.test(address));
    }
    before = now;
  });
}
