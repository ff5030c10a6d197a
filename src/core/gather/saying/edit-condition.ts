import type { Condition } from '../language/ast';

/** The condition at a place of a tree; null where there is none. A place says which part to take at each `and` and `or`, from the outside in. */
export function conditionAt(where: Condition | null, place: readonly number[]): Condition | null {
  let at: Condition | null = where;
  for (const index of place) at = at?.is === 'and' || at?.is === 'or' ? (at.parts[index] ?? null) : null;
  return at;
}

/**
 * A condition with another one at a place; one of null is taken out, and with it an `and` or `or` that would hold no more than one.
 *
 * @example withConditionAt(parse('open and late'), [1], null) // open
 */
export function withConditionAt(where: Condition | null, place: readonly number[], next: Condition | null): Condition | null {
  const [index, ...rest] = place;
  if (where === null || index === undefined) return next;
  if (where.is !== 'and' && where.is !== 'or') return where;
  const parts = where.parts.flatMap((part, at) => (at === index ? (withConditionAt(part, rest, next) ?? []) : [part]));
  return joined(where.is, parts);
}

/** A condition that must hold besides another one. */
export const withMore = (where: Condition | null, more: Condition): Condition => (where ? (joined('and', [where, more]) ?? more) : more);

/** A condition of which another one at a place may hold instead, or must hold with it: the two stand in brackets where need be. */
export function withAlternative(
  where: Condition | null,
  place: readonly number[],
  other: Condition,
  how: 'or' | 'and' = 'or',
): Condition | null {
  const there = conditionAt(where, place);
  return there === null ? withMore(where, other) : withConditionAt(where, place, joined(how, [there, other]));
}

/** A condition turned round. */
export const turned = (condition: Condition): Condition => (condition.is === 'not' ? condition.part : { is: 'not', part: condition });

/** Parts that are joined the same way as what holds them stand beside the others. */
function joined(is: 'and' | 'or', parts: readonly Condition[]): Condition | null {
  const flat = parts.flatMap((part) => (part.is === is ? part.parts : [part]));
  const [only] = flat;
  return flat.length < 2 ? (only ?? null) : { is, parts: flat };
}
