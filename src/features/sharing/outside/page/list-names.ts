/** What a list is called here: a name that a clause, a gather and a path can hold. */
const cleanName = (title: string): string =>
  title
    .replace(/[^\p{L}\p{M}\p{N} ._-]+/gu, ' ')
    .replace(/\s+/g, ' ')
    .replace(/^[.\s]+|[.\s]+$/g, '')
    .slice(0, 60) || 'List';

/**
 * A name for a list that no other one has.
 *
 * @param taken names in small letters
 * @example freeListName('Team / 2026', new Set(['team 2026'])) // 'Team 2026 2'
 */
export function freeListName(title: string, taken: ReadonlySet<string>): string {
  const name = cleanName(title);
  for (let count = 1; ; count++) {
    const next = count === 1 ? name : `${name} ${count}`;
    if (!taken.has(next.toLowerCase())) return next;
  }
}
