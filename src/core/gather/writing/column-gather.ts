import { STATUSES } from '../../task/line/status';
import type { Gather, GroupKeyName } from '../language/ast';
import { parseGather } from '../language/parse';
import { quoted } from '../saying/print';
import type { DropColumn } from './drop-on-column';

const DAY_WORDS: Record<string, string> = {
  Today: 'plan = today',
  Tomorrow: 'plan = tomorrow',
  'This week': 'plan in this week',
  'Next week': 'plan in next week',
  'This month': 'plan in this month',
  'No date': 'without plan',
};

/**
 * A gather as it is for one column of its board: what is written into it gets what the column demands. Null where nothing can be written, as
 * among what is finished.
 *
 * @example columnGather(parseGather('open as board by tag').gather, 'tag', { group: 'loans', … }).where // open and #loans
 */
export function columnGather(gather: Gather, by: GroupKeyName, column: DropColumn): Gather | null {
  const { group, finished } = column;
  if (finished) return null;
  if (by === 'heading') return { ...gather, into: group === null ? gather.into : `${noteOf(gather.into)}#${group}` };
  const condition = conditionOf(by, column);
  if (condition === null) return null;
  const extra = parseGather(`where ${condition}`);
  if (extra.errors.length > 0 || !extra.gather.where) return null;
  const { where } = gather;
  return { ...gather, where: where ? { is: 'and', parts: [where, extra.gather.where] } : extra.gather.where };
}

const noteOf = (into: string | null): string => into?.split('#')[0] ?? '';

function conditionOf(by: GroupKeyName, { group, label }: DropColumn): string | null {
  switch (by) {
    case 'status':
      return STATUSES.some((one) => one === group) ? group : `status = ${quoted(label)}`;
    case 'tag':
      return group === null ? 'without tag' : `#${group}`;
    case 'person':
      return group === null ? 'without person' : `@${group}`;
    case 'owner':
      return group === null ? 'owner = me' : `owner = ${group === 'nobody' || group === 'me' ? group : `@${group}`}`;
    case 'asked':
      return group === null ? 'without asked' : `asked = @${group}`;
    case 'priority':
      return `priority = ${group ?? 'normal'}`;
    case 'due':
    case 'plan':
    case 'start':
      return group === null ? `without ${by}` : `${by} = ${group}`;
    case 'day':
      return group === null ? 'without plan' : `plan = ${group}`;
    case 'week':
    case 'month':
      return group === null ? 'without plan' : `plan in ${group}`;
    case 'period':
      return DAY_WORDS[group ?? 'No date'] ?? null;
    case 'note':
      return `note = ${quoted(label)}`;
    default:
      return null;
  }
}
