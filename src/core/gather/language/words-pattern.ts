import { escapedPattern } from '../../note/names/escaped-pattern';

/** Letters whose case or composed form must be settled before they can be compared. */
export const BEYOND_ASCII = /[^\0-\x7f]/;

/**
 * A pattern that every line fits in which words stand, and few others: what it does not find need not be looked at.
 *
 * @param folded whether accents count as nothing
 */
export function wordsPattern(words: string, folded: boolean): RegExp {
  if (BEYOND_ASCII.test(words)) return BEYOND_ASCII;
  const escaped = escapedPattern(words);
  // The sign for kelvin is a k when its case is settled.
  return new RegExp(folded ? `${escaped}|[^\\0-\\x7f]` : escaped.replace(/k/gi, '[k\u212a]'), 'i');
}
