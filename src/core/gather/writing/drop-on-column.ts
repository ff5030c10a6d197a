import type { AddedStatus } from '../../task/line/status';
import { STATUS_NAMES, STATUSES } from '../../task/line/status';
import type { WideIntention } from '../../task/acts/intention';
import type { BoardColumn } from '../forms/board';
import type { GroupKey, GroupKeyName } from '../language/ast';
import { type Drop, dropInto } from './drop';

/** A column of a board, as far as a drop cares. */
export type DropColumn = Pick<BoardColumn<unknown>, 'group' | 'label' | 'finished'>;

/**
 * What putting a card into a column of a board demands. Into the column of what is finished, it is the same deed as its tick; out of it, the
 * card is opened again.
 *
 * @param from the column it stands in; null where that is not known
 * @param added the statuses that notes add, which a column may be named by
 * @param bears the tags or people that the card bears: into the column of what has none, all of them go
 * @example dropOnColumn('tag', null, { group: 'loans', label: '#loans', finished: false }, []) // { intentions: [{ do: 'tag', name: '#loans' }] }
 */
export function dropOnColumn(
  by: GroupKeyName,
  from: DropColumn | null,
  to: DropColumn,
  added: readonly AddedStatus[],
  bears: readonly string[] = [],
): Drop {
  if (from?.finished === to.finished && from.group === to.group) return { intentions: [] };
  const key = { key: by, of: null, descending: false, byCount: false };
  if (to.finished) return { intentions: finishing(by, to.group) };
  const group = by === 'status' ? statusGroup(to.group, added) : to.group;
  if (!from?.finished) return together(key, group === null ? [from?.group ?? null, ...bears] : [from?.group ?? null], group);
  const drop = together(key, group === null ? bears : [null], group);
  if (by === 'status' || 'refused' in drop) return drop;
  return { intentions: [{ do: 'status', status: 'todo' }, ...drop.intentions] };
}

/** Out of several groups into one. */
function together(key: GroupKey, from: readonly (string | null)[], to: string | null): Drop {
  const intentions: WideIntention[] = [];
  for (const group of new Set(from)) {
    const drop = dropInto(key, group, to);
    if ('refused' in drop) return drop;
    intentions.push(...drop.intentions);
  }
  return { intentions };
}

/** What finishes a card: its tick, and on a board by heading its way to the heading for finished lines. */
export function finishing(by: GroupKeyName, heading: string | null): WideIntention[] {
  const tick: WideIntention = { do: 'status', status: 'done' };
  return by === 'heading' ? [tick, { do: 'move', to: `#${heading ?? ''}` }] : [tick];
}

/** A column may be named by an added status before any task bears it. */
function statusGroup(group: string | null, added: readonly AddedStatus[]): string | null {
  const name = group?.toLowerCase();
  const named = added.find((one) => one.name.toLowerCase() === name);
  if (named) return `${named.means} ${named.sign}`;
  return STATUSES.find((one) => one === group || STATUS_NAMES[one].toLowerCase() === name) ?? group;
}

/** What dropping into a column does, for its head. */
export function dropWords(by: GroupKeyName, { group, label, finished }: DropColumn): string {
  if (finished) return by === 'heading' ? 'a drop here ticks it and moves its line' : 'a drop here ticks it';
  switch (by) {
    case 'status':
      if (group === 'todo') return 'a drop here opens it again';
      if (group === 'underway') return 'a drop here notes since when';
      if (group === 'waiting') return 'a drop here notes since when it waits';
      return `a drop here makes it ${label}`;
    case 'tag':
      return group === null ? 'a drop here takes its tag away' : `a drop here gives it ${label}`;
    case 'person':
      return group === null ? 'a drop here takes the name away' : `a drop here names ${label}`;
    case 'owner':
      return group === null ? 'a drop here makes it one’s own' : `a drop here gives it to ${label}`;
    case 'asked':
      return group === null ? 'a drop here asks for nobody' : `a drop here notes that ${label} asked`;
    case 'priority':
      return `a drop here makes it ${label.toLowerCase()}`;
    case 'due':
      return group === null ? 'a drop here takes its due day away' : `a drop here makes it due then`;
    case 'start':
      return group === null ? 'a drop here brings it back now' : 'a drop here lets it rest until then';
    case 'back':
      return group === null ? 'a drop here brings it back now' : 'a drop here lets it rest until then';
    case 'plan':
    case 'day':
    case 'week':
    case 'month':
    case 'period':
      if (group === null || group === 'No date') return 'a drop here takes its day away';
      return /^(?:Late|Earlier|Later)$/.test(group) ? 'nothing can be dropped here' : 'a drop here plans it for then';
    case 'heading':
      return group === null ? 'nothing can be dropped here' : 'a drop here moves its line there';
    case 'note':
      return 'a drop here moves it to that note';
    case 'state':
      return group === null ? 'a drop here takes its state away' : `a drop here makes it ${label.toLowerCase()}`;
    default:
      return 'nothing can be dropped here';
  }
}
