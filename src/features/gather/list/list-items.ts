import type { GroupView, RowView } from '../../../core/index/live/view';

/** One piece of a list as it stands under another: the heading of a group, a row, or how many more there are. */
export type ListItem =
  | { is: 'heading'; key: string; group: GroupView; folded: boolean }
  | { is: 'row'; key: string; group: GroupView; row: RowView }
  | { is: 'more'; key: string; count: number };

/** Names a group for as long as the answer has it. */
export const groupName = (group: GroupView): string => `${group.key ?? ''} ${group.label}`;

/** A list in pieces; folded groups show their heading alone. */
export function itemsOf(groups: readonly GroupView[], folded: ReadonlySet<string>): ListItem[] {
  const items: ListItem[] = [];
  for (const group of groups) {
    const name = groupName(group);
    const shut = folded.has(name);
    if (group.label !== '') items.push({ is: 'heading', key: `heading ${name}`, group, folded: shut });
    if (shut) continue;
    for (const row of group.rows) items.push({ is: 'row', key: `${name} ${row.key}`, group, row });
    if (group.more > 0) items.push({ is: 'more', key: `more ${name}`, count: group.more });
  }
  return items;
}
