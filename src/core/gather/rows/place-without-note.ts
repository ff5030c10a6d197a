import { foldName } from '../../note/names/names';
import { baseNameOf, dayOfTitle } from '../../note/names/path';
import type { ThisNote } from '../language/ast';

/**
 * What gathers mean by where they stand where no note is stored: the page of a person (`@kofi`) or a tag (`#loans`) that has none, or of
 * a day whose page is not begun; null for any other place.
 *
 * @example placeWithoutNote('#loans') // { path: null, journal: null, handle: null, tag: 'loans' }
 */
export function placeWithoutNote(at: string): ThisNote | null {
  const name = /^[@#](?!.*\.md$)/i.test(at) ? foldName(at.slice(1)) : null;
  if (name !== null) return { path: null, journal: null, handle: at.startsWith('@') ? name : null, tag: at.startsWith('#') ? name : null };
  const journal = dayOfTitle(baseNameOf(at));
  return journal === null ? null : { path: at, journal, handle: null, tag: null };
}
