import type { PersonFacts } from '../../../core/index/questions/people';

/** The columns of the table of all people, in their order. */
export const PEOPLE_COLUMNS = ['name', 'open', 'owned', 'asked', 'last', 'next'] as const;
export type PeopleColumn = (typeof PEOPLE_COLUMNS)[number];

/** How the table is put in order. */
export interface PeopleOrder {
  by: PeopleColumn;
  descending: boolean;
}

/** How somebody is called in the table. */
export const calledIn = ({ name, fullName }: Pick<PersonFacts, 'name' | 'fullName'>): string => fullName ?? `@${name}`;

/** The order that a press on a head gives: first the way that is asked for most, then the other. */
export function nextOrder(present: PeopleOrder, by: PeopleColumn): PeopleOrder {
  if (present.by === by) return { by, descending: !present.descending };
  // Whom one has not met for long comes first; of what counts, the most.
  return { by, descending: by === 'open' || by === 'owned' || by === 'asked' };
}

/** People in an order; whoever has no such meeting stands last either way, and those alike stand by name. */
export function sortedPeople(people: readonly PersonFacts[], { by, descending }: PeopleOrder): PersonFacts[] {
  const value = (one: PersonFacts): number | string | null =>
    by === 'name' ? calledIn(one).replace(/^@/, '').toLowerCase() : by === 'last' || by === 'next' ? (one[by]?.date ?? null) : one[by];
  return [...people].sort((a, b) => {
    const [x, y] = [value(a), value(b)];
    const names = calledIn(a).localeCompare(calledIn(b));
    if (x === y) return names;
    if (x === null || y === null) return x === null ? 1 : -1;
    const order = typeof x === 'string' && typeof y === 'string' ? x.localeCompare(y) : Number(x) - Number(y);
    return (descending ? -order : order) || names;
  });
}
