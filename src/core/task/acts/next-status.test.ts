import { statusTable } from '../line/added-status';
import { nextStatus } from './next-status';

const statuses = statusTable([
  { sign: '>', name: 'On the lorry', means: 'underway', colour: null, icon: null },
  { sign: '!', name: 'Checked', means: 'done', colour: null, icon: null },
]);

describe('cycling through the statuses', () => {
  it.each([
    ['the order at first', ' ', 'todo', undefined, '_', 'underway'],
    ['its end leads to its beginning', 'x', 'done', undefined, ' ', 'todo'],
    ['outside it and open', ':', 'waiting', undefined, '_', 'underway'],
    ['outside it and closed', '-', 'cancelled', undefined, ' ', 'todo'],
    ['a capital X is Done', 'X', 'done', undefined, ' ', 'todo'],
    ['an order of choice', ' ', 'todo', [' ', '>', '!'], '>', 'underway'],
    ['through an added one', '>', 'underway', [' ', '>', '!'], '!', 'done'],
    ['an added one that is closed', '!', 'done', [' ', '>', '!'], ' ', 'todo'],
    ['one that no note adds any more is passed over', ' ', 'todo', [' ', '?', 'x'], 'x', 'done'],
    ['an unknown sign counts as To do', '?', 'todo', [' ', '>', '!'], '>', 'underway'],
    ['an empty order', '_', 'underway', [], ' ', 'todo'],
    ['an order of one', ' ', 'todo', [' '], ' ', 'todo'],
  ] as const)('%s', (_what, sign, status, cycle, next, means) => {
    expect(nextStatus({ sign, status }, { statuses, ...(cycle && { cycle }) })).toEqual({ status: means, sign: next });
  });
});
