import type { RowView } from '../../core/index/live/view';
import { moved } from './use-choosing';

const rows = ['a', 'b', 'c', 'd'].map((id) => ({ id }) as RowView);
const order = (id: string, to: number): string | null =>
  moved(rows, id, to)
    ?.map((row) => row.id)
    .join('') ?? null;

it.each([
  ['up by one', 'b', 0, 'ba'],
  ['down by one', 'b', 2, 'acb'],
  ['to the end', 'a', 3, 'bcda'],
  ['from the end to the front', 'd', 0, 'dabc'],
  ['above the first', 'a', -1, null],
  ['below the last', 'd', 4, null],
  ['one that is not there', 'x', 0, null],
])('%s', (_what, id, to, found) => expect(order(id, to)).toBe(found));
