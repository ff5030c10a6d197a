import { type Day } from '../../../core/calendar/day';
import type { DateStyle } from '../../../core/calendar/day-name';
import type { SharedField } from '../../../core/sharing/outside/shared-task';
import { PRIORITY_NAMES } from '../../../core/task/line/clause';
import { STATUS_NAMES, type Status } from '../../../core/task/line/status';
import { TROUBLES } from '../../../store/outside/outside-remote';
import type { SeenList } from '../../../store/outside/seen-lists';
import { momentName } from '../../keep/kept-words';

/** Whether a list is in step, since when, and what is wrong, in one sentence. */
export function stateWords({ at, trouble, waiting }: SeenList, today: Day, style: DateStyle): string {
  const last = at === null ? '' : `In step ${momentName(at, today, style)}. `;
  const waits = waiting === 0 ? '' : `${waiting === 1 ? '1 task waits' : `${waiting} tasks wait`} to go there. `;
  if (trouble !== null)
    return `${TROUBLES[trouble]} ${at === null ? '' : `What stands here is as of ${momentName(at, today, style)}. `}${waits}`.trim();
  return (last === '' ? 'It was not looked at yet. ' : last + waits).trim();
}

const FIELDS: Record<SharedField, string> = {
  words: 'the words',
  tags: 'the tags',
  due: 'the due day',
  plan: 'the plan',
  priority: 'the priority',
  every: 'the repeat',
  status: 'the status',
};

/** What both sides changed, and which of them stands. */
export function toldWords({ words, field, here, there, won }: SeenList['told'][number]): string {
  const say = (value: string | string[] | null): string => valueWords(field, value);
  const [stands, other] = won === 'here' ? [here, there] : [there, here];
  const where = won === 'here' ? 'there' : 'here';
  return `“${words}”: ${FIELDS[field]} changed on both sides. The newer stands, ${say(stands)}; ${where} it was ${say(other)}.`;
}

function valueWords(field: SharedField, value: string | string[] | null): string {
  if (Array.isArray(value)) return value.length === 0 ? 'none' : value.map((tag) => `#${tag}`).join(' ');
  if (value === null) return field === 'priority' ? 'normal' : 'none';
  if (field === 'status') return STATUS_NAMES[value as Status].toLowerCase();
  if (field === 'priority') return (PRIORITY_NAMES.find(([name]) => name === value)?.[1] ?? value).toLowerCase();
  return field === 'words' ? `“${value}”` : value;
}
