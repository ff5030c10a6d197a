import type { RowView } from '../../../core/index/live/view';
import { amongThemselves, moved } from './use-choosing';

const rows = ['a', 'b', 'c', 'd'].map((id) => ({ id }) as RowView);
const order = (id: string, to: number): string | null =>
  moved(rows, id, to)
    ?.map((row) => row.id)
    .join('') ?? null;

it.each([
  ['abcd', 'ca', 'cba'],
  ['abcd', 'abcd', 'abcd'],
  ['abcd', 'd', 'abcd'],
  ['abcd', '', ''],
])('of %s, %s change places among themselves', (all, some, found) => {
  const of = (ids: string): RowView[] => [...ids].map((id) => rows.find((row) => row.id === id) as RowView);
  expect(
    amongThemselves(of(all), of(some))
      .map((row) => row.id)
      .join(''),
  ).toBe(found);
});

it.each([
  ['up by one', 'b', 0, 'ba'],
  ['down by one', 'b', 2, 'acb'],
  ['to the end', 'a', 3, 'bcda'],
  ['from the end to the front', 'd', 0, 'dabc'],
  ['above the first', 'a', -1, null],
  ['below the last', 'd', 4, null],
  ['one that is not there', 'x', 0, null],
])('%s', (_what, id, to, found) => expect(order(id, to)).toBe(found));
