import { plainName } from '../session/state/plain-name';
import { escapedPattern } from '../../core/note/names/escaped-pattern';

/**
 * How well a name fits what is typed, from 0 (not at all) to 1: every typed word must be in it, at the start of a word counts more, as a
 * whole word still more, and at its very beginning most.
 *
 * @example matchWords('Salt on the Glass', 'gla') // 0.8
 */
export function matchWords(name: string, typed: string): number {
  const text = plainName(name);
  const words = plainName(typed)
    .split(/\s+/)
    .filter((word) => word !== '');
  let least = 1;
  for (const word of words) {
    const at = text.indexOf(word);
    if (at === -1) return 0;
    const [, behind] = new RegExp(`(?:^|[^\\p{L}\\p{N}])${escapedPattern(word)}(.?)`, 'u').exec(text) ?? [];
    const isWhole = behind !== undefined && !/[\p{L}\p{N}’']/u.test(behind);
    least = Math.min(least, behind === undefined ? 0.4 : isWhole ? 0.9 : 0.8);
  }
  return text.startsWith(words.join(' ')) ? 1 : least;
}

/** As `matchWords`; what is called just as it is typed fits better than anything that only begins so. */
export function matchNamed(value: string, typed: string, [name = value]: readonly string[] = []): number {
  return plainName(name.trim()) === plainName(typed.trim()) ? 2 : matchWords(value, typed);
}
