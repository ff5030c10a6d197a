import type { SealDesk } from '../../store/seal/seal-desk';
import { letPicturesGo } from '../pictures/picture-urls';
import { unsayAll } from '../session/acting/messages';

/** Messages may say what was done in a sealed note, and its pictures may be held: they go when a seal is closed. */
export function closedWords(desk: SealDesk): void {
  let before = desk.present().open.size;
  desk.listen(() => {
    const now = desk.present().open.size;
    if (now < before) {
      unsayAll();
      letPicturesGo();
    }
    before = now;
  });
}
