import type { GoalFacts } from '../../../core/index/questions/goals';

/** Goals of one level; null for those that say none. */
export interface GoalLevel {
  level: string | null;
  goals: GoalFacts[];
}

const fold = (words: string): string => words.trim().toLowerCase();

/**
 * Goals by their levels, in the order of the settings; levels that these do not know follow by name, and what says none stands last. What is
 * done or cancelled stands behind the others of its level.
 */
export function goalsByLevel(goals: readonly GoalFacts[], order: readonly string[]): GoalLevel[] {
  const levels = new Map<string, GoalLevel>();
  for (const goal of goals) {
    const key = fold(goal.level ?? '');
    const known = levels.get(key);
    if (known) known.goals.push(goal);
    else levels.set(key, { level: key === '' ? null : (order.find((one) => fold(one) === key) ?? goal.level), goals: [goal] });
  }
  const place = ({ level }: GoalLevel): number => {
    if (level === null) return order.length + 1;
    const at = order.findIndex((one) => fold(one) === fold(level));
    return at === -1 ? order.length : at;
  };
  const settled = ({ state }: GoalFacts): number => (state === 'done' || state === 'cancelled' ? 1 : 0);
  for (const { goals: of } of levels.values())
    of.sort((a, b) => settled(a) - settled(b) || (a.due ?? Infinity) - (b.due ?? Infinity) || a.title.localeCompare(b.title));
  return [...levels.values()].sort((a, b) => place(a) - place(b) || (a.level ?? '').localeCompare(b.level ?? ''));
}
