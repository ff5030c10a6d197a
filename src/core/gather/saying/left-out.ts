import type { Condition } from '../language/ast';
import { parseGather } from '../language/parse';
import { conditionText } from './print';

/**
 * What asks for the open tasks that stand in none of some lists; null where that cannot be said, as for lists that cannot be read, that ask for
 * notes, or that ask for everything.
 *
 * @example leftOut(['open and late', '#loans']) // 'where open and not (open and late) and not #loans'
 */
export function leftOut(gathers: readonly string[]): string | null {
  const parts: Condition[] = [];
  for (const text of gathers) {
    const { gather, errors } = parseGather(text);
    if (errors.length > 0) return null;
    if (gather.from !== 'tasks') continue;
    if (!gather.where) return null;
    parts.push({ is: 'not', part: gather.where });
  }
  if (parts.length === 0) return null;
  return `where ${conditionText({ is: 'and', parts: [{ is: 'status', status: 'open' }, ...parts] })}`;
}
