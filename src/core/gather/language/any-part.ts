import type { Condition } from './ast';

/** Whether any part of a condition, however deep and also behind a `not`, passes a test. */
export function anyPart(condition: Condition | null, test: (part: Condition) => boolean): boolean {
  if (!condition) return false;
  switch (condition.is) {
    case 'and':
    case 'or':
      return condition.parts.some((part) => anyPart(part, test));
    case 'not':
      return anyPart(condition.part, test);
    default:
      return test(condition);
  }
}
