import type { WideIntention } from '../../task/acts/intention';
import { STATUSES } from '../../task/line/status';
import type { Priority } from '../../task/line/clause';
import type { GroupKey, GroupKeyName } from '../language/ast';

/** What must be done to a task so that it stands in another group, or why that cannot be. */
export type Drop = { intentions: WideIntention[] } | { refused: string };

const FIXED: Partial<Record<GroupKeyName, string>> = {
  done: 'When a task was done is not changed by moving it.',
  made: 'When a task was made is not changed by moving it.',
  since: 'Since when a task waits is not changed by moving it.',
  cancelled: 'When a task was cancelled is not changed by moving it.',
  journal: 'The day of a journal page is not changed by moving a task; move it to that page instead.',
  path: 'A folder holds notes; move the task to one of its notes.',
  meeting: 'Move the task to the note of that meeting instead.',
};

/**
 * What putting a task into another group demands.
 *
 * @param from the key of the group it stands in; null for the group of what has no value
 * @param to the key of the group it is put into
 */
export function dropInto(key: GroupKey, from: string | null, to: string | null): Drop {
  if (from === to) return { intentions: [] };
  const name = key.of ?? key.key;
  switch (name) {
    case 'status': {
      // Behind an added status stands its sign.
      const [word, sign] = (to ?? '').split(' ');
      const status = STATUSES.find((one) => one === word);
      if (!status) return { refused: 'That is no status.' };
      return { intentions: [{ do: 'status', status, ...(sign !== undefined && { sign }) }] };
    }
    case 'priority':
      return { intentions: [{ do: 'priority', priority: to === 'normal' || to === null ? null : (to as Priority) }] };
    case 'tag':
      return { intentions: named(from, to, '#') };
    case 'person':
      return { intentions: named(from, to, '@') };
    case 'about':
      return { refused: 'What a task is about is said by a link in its words; write it there.' };
    case 'owner':
    case 'asked':
      return { intentions: [to === null ? { do: 'unset', clause: name } : { do: 'set', clause: `${name} ${personWords(to)}` }] };
    case 'due':
    case 'plan':
    case 'start':
      if (key.key !== name) return spanned(name, [name], to);
      return { intentions: [to === null ? { do: 'unset', clause: name } : { do: 'set', clause: `${name} ${to}` }] };
    case 'back':
      return { intentions: [to === null ? { do: 'unset', clause: 'start' } : { do: 'rest', until: to }] };
    case 'day':
    case 'week':
    case 'month':
    case 'period':
      return spanned('plan', ['plan', 'due'], to);
    case 'note':
      return to === null ? { refused: 'A task stands in a note.' } : { intentions: [{ do: 'move', to }] };
    case 'heading':
      return to === null ? { refused: 'Move it to the note itself instead.' } : { intentions: [{ do: 'move', to: `#${to}` }] };
    default:
      return { refused: (name in FIXED ? FIXED[name as GroupKeyName] : null) ?? 'That group cannot be chosen for a task.' };
  }
}

function named(from: string | null, to: string | null, sign: string): WideIntention[] {
  const intentions: WideIntention[] = [];
  if (from !== null) intentions.push({ do: 'untag', name: sign + from });
  if (to !== null) intentions.push({ do: 'tag', name: sign + to });
  return intentions;
}

const personWords = (name: string): string => (name === 'nobody' || name === 'me' ? name : `@${name}`);

type DayField = 'due' | 'plan' | 'start';

const PERIOD_WORDS: Record<string, string> = {
  Today: 'today',
  Tomorrow: 'tomorrow',
  'This week': 'this week',
  'Next week': 'next week',
  'This month': 'this month',
};

/**
 * Days, weeks, months and periods: the task is moved there by its plan, or by the field that was named.
 *
 * @param grouped the fields by which it stands where it does, which the group of what has no day takes away
 */
function spanned(field: DayField, grouped: readonly DayField[], to: string | null): Drop {
  if (to === null || to === 'No date') return { intentions: grouped.map((clause) => ({ do: 'unset', clause })) };
  const words = PERIOD_WORDS[to];
  if (words !== undefined) return { intentions: [{ do: 'set', clause: `${field} ${words}` }] };
  if (!/^\d{4}-/.test(to)) return { refused: `“${to}” names no day to move to.` };
  return { intentions: [{ do: 'set', clause: `${field} ${to}` }] };
}
