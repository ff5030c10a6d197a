import { OpenText } from '../texts/open-text';
import type { Surface } from '../texts/surface';
import type { OpenTexts } from '../texts/open-texts';

/**
 * Joins an editor with the stored note. Where words of it wait to be stored, the editor goes on with them.
 *
 * @param stored what is stored; null where there is no such note yet
 * @param removed called when the note went, and nothing is left to be saved
 */
export function writeNote(texts: OpenTexts, path: string, stored: string | null, surface: Surface, removed: () => void): OpenText {
  const waiting = texts.waitingAt(path);
  if (waiting) {
    waiting.takeOver(surface, removed);
    return waiting;
  }
  const text = new OpenText(path, stored, surface, removed, texts.host);
  texts.add(text);
  return text;
}
