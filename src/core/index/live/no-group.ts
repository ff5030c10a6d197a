import { noSums, totalsFrom } from '../../gather/answer/sums';
import type { GroupView } from './view';

/** A group that holds nothing, and is called nothing. */
export const NO_GROUP: GroupView = {
  id: 0,
  key: null,
  keys: [],
  label: '',
  count: 0,
  steps: 0,
  more: 0,
  takes: 0,
  totals: totalsFrom(noSums()),
  rows: [],
};
