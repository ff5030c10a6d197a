import { readDuration } from '../../calendar/duration';
import { numberFrom } from '../../calendar/spoken/names-of-days';
import { readSpokenDates, storedDate, wordsWithout } from '../../calendar/spoken/spoken-date';
import type { ActionContext } from '../acts/action-context';
import { type ClauseName, PERSON_VALUE, hasClauseForm, valueProblem } from './clause';

/** The word before a spoken date that settles what a week or month means for a clause. */
const ROLE_WORD: Partial<Record<ClauseName, string>> = { due: 'by', until: 'by', lapses: 'by', plan: 'plan', start: 'from' };
const DAY_CLAUSES: ReadonlySet<ClauseName> = new Set(['start', 'until', 'lapses']);
const DATE_CLAUSES: ReadonlySet<ClauseName> = new Set([
  'due',
  'plan',
  'start',
  'until',
  'lapses',
  'made',
  'done',
  'cancelled',
  'since',
  'remind',
]);

/**
 * The value of a clause as it is stored, from what a person typed: `fri` for due becomes an ISO date, `kofi` for owner
 * `@kofi`. Null when it cannot be read.
 */
export function storedValue(name: ClauseName, typed: string, context: ActionContext): string | null {
  const said = typed.trim().replace(/\s+/g, ' ');
  const value = name === 'every' ? said.replace(/^(?:every|each) /i, '') : said;
  if (hasClauseForm(name, value)) return valueProblem(name, value) === null ? value : null;
  if (DATE_CLAUSES.has(name)) return spokenValue(name, value, context);
  switch (name) {
    case 'takes':
      return spokenDuration(value);
    case 'owner':
    case 'asked':
      return PERSON_VALUE.test(`@${value}`) ? `@${value}` : null;
    default:
      return null;
  }
}

function spokenValue(name: ClauseName, value: string, { now, settings }: ActionContext): string | null {
  const before = /^(\d+) ?(m|min|minutes?|h|hours?|days?|weeks?) before$/.exec(value);
  if (name === 'remind' && before)
    return `${before[1]}${before[2]?.startsWith('m') ? 'm' : before[2]?.startsWith('h') ? 'h' : ` ${before[2]}`} before`;
  const options = { today: now.day, minute: now.minute, firstDayOfWeek: settings.firstDayOfWeek };
  const text = /^in /.test(value) ? value : `${ROLE_WORD[name] ?? 'on'} ${value}`;
  const found = readSpokenDates(text, options);
  const date = found.length === 1 && wordsWithout(text, found) === '' ? found[0] : undefined;
  if (!date || (date.is !== 'day' && name !== 'plan')) return null;
  if (name === 'remind' && date.minute === null) return null;
  const stored = storedDate(DAY_CLAUSES.has(name) ? { ...date, minute: null } : date);
  return hasClauseForm(name, stored) ? stored : null;
}

/** `2 hours`, `half an hour`, `90 minutes` as a tail stores them. */
function spokenDuration(value: string): string | null {
  if (value === 'half an hour') return '30m';
  const match = /^(\d+(?:\.\d+)?|[a-z]+) (minutes?|mins?|hours?|days?)$/.exec(value);
  const count = match && (/^\d/.test(match[1] ?? '') ? Number(match[1]) : numberFrom(match[1] ?? ''));
  const words = match && count !== null ? `${count}${(match[2] ?? '').charAt(0)}` : null;
  return words !== null && readDuration(words) !== null ? words : null;
}
