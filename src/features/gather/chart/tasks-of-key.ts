import { isTimeKey } from '../../../core/gather/forms/time-keys';
import { baseNameOf } from '../../../core/note/names/path';
import type { Gather, GroupKeyName } from '../../../core/gather/language/ast';
import { parseGather } from '../../../core/gather/language/parse';
import { printGather, quoted } from '../../../core/gather/saying/print';
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
  const own = OWN[by]?.(key);
  if (own !== undefined) return own === null ? null : withCondition(list, own);
  if (!isTimeKey(by)) {
    const column = columnGather(list, by, { group: key, label, finished: false });
    return column && printGather(column);
  }
  // A day, a week or a month goes by the earlier of the two.
  return withCondition(list, key === null ? 'without due and without plan' : `due in ${key} or plan in ${key}`);
}

function withCondition(list: Gather, condition: string): string | null {
  const { errors, gather } = parseGather(`where ${condition}`);
  if (errors.length > 0 || !gather.where) return null;
  return printGather({ ...list, where: list.where ? { is: 'and', parts: [list.where, gather.where] } : gather.where });
}

const onDay =
  (field: string) =>
  (key: string | null): string =>
    key === null ? `without ${field}` : `${field} = ${key}`;

/** The conditions of keys whose values nothing is written by; null where none says them. */
const OWN: Partial<Record<GroupKeyName, (key: string | null) => string | null>> = {
  heading: (key) => key && `heading = ${quoted(key)}`,
  path: (key) => key && `path in ${quoted(key)}`,
  about: (key) => (key === null ? 'without link' : `[[${key}]]`),
  meeting: (key) => (key === null ? 'not kind = meeting' : `note = ${quoted(baseNameOf(key))}`),
  note: (key) => key && `note = ${quoted(baseNameOf(key))}`,
  done: onDay('done'),
  cancelled: onDay('cancelled'),
  made: onDay('made'),
  since: onDay('since'),
  journal: onDay('journal'),
  lapses: onDay('lapses'),
  age: (key) => AGES[key ?? ''] ?? null,
};

const AGES: Readonly<Record<string, string>> = {
  7: 'age <= 7 days',
  30: 'age > 7 days and age <= 30 days',
  90: 'age > 30 days and age <= 90 days',
  older: 'age > 90 days',
};
