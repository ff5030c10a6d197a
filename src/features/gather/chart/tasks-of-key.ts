import { isTimeKey } from '../../../core/gather/answer/time-keys';
import type { GroupKeyName } from '../../../core/gather/language/ast';
import { parseGather } from '../../../core/gather/language/parse';
import { printGather } from '../../../core/gather/saying/print';
import { columnGather } from '../../../core/gather/writing/column-gather';

/**
 * The gather of the tasks that a bar stands for: those of the whole gather with its key. Null where no condition says them.
 *
 * @example tasksOfKey('open\nas bars of count by tag', 'tag', { key: 'loans', label: '#loans' }) // 'where open and #loans'
 */
export function tasksOfKey(text: string, by: GroupKeyName, value: { key: string | null; label: string } | undefined): string | null {
  const { gather, errors } = parseGather(text);
  if (errors.length > 0 || !value) return null;
  const { key, label } = value;
  const list = { ...gather, form: null, title: null };
  if (!isTimeKey(by)) {
    const column = columnGather(list, by, { group: key, label, finished: false });
    return column && printGather(column);
  }
  // A day, a week or a month goes by the earlier of the two.
  const { where } = parseGather(key === null ? 'where without due and without plan' : `where due in ${key} or plan in ${key}`).gather;
  if (!where) return null;
  return printGather({ ...list, where: gather.where ? { is: 'and', parts: [gather.where, where] } : where });
}
