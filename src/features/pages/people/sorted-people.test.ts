import type { PersonFacts } from '../../../core/index/questions/people';
import { nextOrder, sortedPeople } from './sorted-people';

const person = (name: string, facts: Partial<PersonFacts> = {}): PersonFacts => ({
  name,
  fullName: null,
  path: null,
  open: 0,
  owned: 0,
  asked: 0,
  last: null,
  next: null,
  ...facts,
});
const met = (date: number) => ({ path: 'Meetings/One.md', date });
const people = [
  person('teo', { open: 3, last: met(20) }),
  person('bea', { open: 3, fullName: 'Bea Lund', last: met(10) }),
  person('kofi', { open: 7 }),
];
const names = (order: Parameters<typeof sortedPeople>[1]): string[] => sortedPeople(people, order).map(({ name }) => name);

test.each([
  [{ by: 'open', descending: true }, ['kofi', 'teo', 'bea']],
  [{ by: 'name', descending: false }, ['bea', 'kofi', 'teo']],
  [{ by: 'name', descending: true }, ['teo', 'kofi', 'bea']],
  [{ by: 'last', descending: false }, ['bea', 'teo', 'kofi']],
  // Who was never met stands last either way.
  [{ by: 'last', descending: true }, ['teo', 'bea', 'kofi']],
] as const)('by %j', (order, expected) => expect(names(order)).toEqual(expected));

test('a second press turns the order', () => {
  const most = nextOrder({ by: 'name', descending: false }, 'owned');
  expect(most).toEqual({ by: 'owned', descending: true });
  expect(nextOrder(most, 'owned')).toEqual({ by: 'owned', descending: false });
  expect(nextOrder(most, 'last')).toEqual({ by: 'last', descending: false });
});
