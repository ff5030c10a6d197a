import { isOutsidePath } from '../../../core/note/names/outside-path';
import type { RowView } from '../../../core/index/live/view';
import { refOf } from '../../../core/task/line/ref';
import { clauseOf, readTail } from '../../../core/task/line/tail';
import { itemAddress, noteAddress } from '../../session/places/addresses';

/** Where the line of a row stands; of a task on an outside list that is joined, the line of its note. */
export function rowAddress({ path, line, raw }: Pick<RowView, 'path' | 'line' | 'raw'>): string {
  const ref = isOutsidePath(path) && clauseOf(readTail(raw, 0), 'joined') ? refOf(raw) : null;
  return ref === null ? noteAddress(path, line) : itemAddress(ref);
}
