import { isoDay, type Day } from '../../../core/calendar/day';
import type { WideIntention } from '../../../core/task/acts/intention';
import type { RowView } from '../../../core/index/live/view';
import { notNowIntention } from '../../session/acting/not-now';
import { type AskedDialog, type DialogTask } from '../../session/acting/task-dialog';

/** What a person can decide about a task that lies before them. */
export interface Decision {
  id: string;
  /** The letter that decides it while the sheet has the focus. */
  key: string;
  label: string;
  /** What became of it, for the account at the end; null for what does not settle it. */
  outcome: string | null;
  does: { act: (row: RowView) => WideIntention[] } | { ask: (task: DialogTask) => AskedDialog } | 'reword';
}

const push = (day: Day): { act: () => WideIntention[] } => ({ act: () => [{ do: 'push', to: isoDay(day) }] });

/**
 * The decisions of going through a list, in the order of their buttons.
 *
 * @param notNow the tag of what is off the table
 */
export const decisionsOn = (today: Day, notNow: string): readonly Decision[] => [
  { id: 'today', key: 't', label: 'Today', outcome: 'for today', does: push(today) },
  { id: 'tomorrow', key: 'm', label: 'Tomorrow', outcome: 'for tomorrow', does: push(today + 1) },
  { id: 'week', key: 'w', label: 'This week', outcome: 'for this week', does: { act: () => [{ do: 'set', clause: 'plan this week' }] } },
  {
    id: 'pick',
    key: 'p',
    label: 'Pick a day…',
    outcome: 'for another day',
    does: { ask: (task) => ({ is: 'day', tasks: [task], what: 'plan' }) },
  },
  {
    id: 'no-day',
    key: 'n',
    label: 'No day',
    outcome: 'without a day',
    does: {
      act: ({ plan, due }) => [
        ...(plan ? [{ do: 'unset', clause: 'plan' } as const] : []),
        ...(due ? [{ do: 'unset', clause: 'due' } as const] : []),
      ],
    },
  },
  { id: 'rest', key: 'r', label: 'Rest…', outcome: 'resting', does: { ask: (task) => ({ is: 'day', tasks: [task], what: 'rest' }) } },
  { id: 'priority', key: 'h', label: 'Priority up', outcome: null, does: { act: () => [{ do: 'raise', wraps: true }] } },
  { id: 'names', key: 'g', label: 'Tags or people…', outcome: null, does: { ask: (task) => ({ is: 'names', tasks: [task] }) } },
  { id: 'owner', key: 'o', label: 'Owner…', outcome: null, does: { ask: (task) => ({ is: 'names', tasks: [task], first: 'owner' }) } },
  { id: 'reword', key: 'e', label: 'Change the words', outcome: null, does: 'reword' },
  {
    id: 'move',
    key: 'v',
    label: 'Move to a note…',
    outcome: 'moved',
    does: { ask: (task) => ({ is: 'place', tasks: [task], what: 'move' }) },
  },
  {
    id: 'aside',
    key: 'a',
    label: 'Not now',
    outcome: 'not now, or taken up again',
    does: { act: (row) => [notNowIntention([row], notNow)] },
  },
  {
    id: 'cancel',
    key: 'c',
    label: 'Cancel with a remark…',
    outcome: 'cancelled',
    does: { ask: (task) => ({ is: 'remark', tasks: [task], status: 'cancelled' }) },
  },
  { id: 'done', key: 'd', label: 'Done', outcome: 'done', does: { act: () => [{ do: 'status', status: 'done' }] } },
];

/** What the account at the end says: `7 for today, 2 cancelled, 4 left as they were`. */
export function accountOf(outcomes: readonly (string | null)[]): { words: string; count: number }[] {
  const counts = new Map<string, number>();
  for (const outcome of outcomes) {
    const words = outcome ?? 'left as they were';
    counts.set(words, (counts.get(words) ?? 0) + 1);
  }
  return [...counts].map(([words, count]) => ({ words, count })).sort((a, b) => b.count - a.count);
}
