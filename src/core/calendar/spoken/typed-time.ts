import { readSpokenTime } from './spoken-time';
import { spokenWords } from './spoken-words';

/**
 * Reads a field in which only a time of day can stand: beside what is said in sentences also `9`, `14`, `930` and `1400`. Null for anything
 * else.
 *
 * @example typedTime('1415') // 855
 * @example typedTime('9am') // 540
 */
export function typedTime(typed: string): number | null {
  const words = typed.trim().toLowerCase().replace('.', ':');
  const digits = /^(\d{1,2})(\d{2})?$/.exec(words);
  if (digits) {
    const [hour, minute] = [Number(digits[1]), Number(digits[2] ?? 0)];
    return hour < 24 && minute < 60 ? hour * 60 + minute : null;
  }
  const all = spokenWords(words);
  const found = readSpokenTime(all, 0, false);
  return found && found.count === all.length ? found.minute : null;
}
