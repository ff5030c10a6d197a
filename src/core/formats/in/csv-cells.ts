import { type Day, dateExists, dayFrom, isoDay } from '../../calendar/day';
import { minutesText, readDuration } from '../../calendar/duration';
import { readMoment, timeName } from '../../calendar/span';
import { foldName } from '../../note/names/names';
import { clauseExists, hasClauseForm } from '../../task/line/clause';
import { type Status, STATUSES, STATUS_NAMES } from '../../task/line/status';
import { isFormula } from '../out/csv-out';

/** The clauses that a column may hold. */
export const CELL_CLAUSES = [
  'priority',
  'due',
  'plan',
  'start',
  'every',
  'takes',
  'owner',
  'asked',
  'remind',
  'ref',
  'made',
  'done',
  'cancelled',
] as const;
type CellClause = (typeof CELL_CLAUSES)[number];

/** How days that are no ISO days are written. */
export type DayOrder = 'day first' | 'month first';

/** What was made harmless for a spreadsheet. */
export const unquoted = (cell: string): string => (cell.startsWith("'") && isFormula(cell.slice(1)) ? cell.slice(1) : cell);

const PRIORITIES: Record<string, string> = {
  top: 'top',
  high: 'high',
  low: 'low',
  urgent: 'top',
  highest: 'top',
  important: 'high',
  lowest: 'low',
};
const UNMARKED: ReadonlySet<string> = new Set(['normal', 'medium', 'none', '-', '0']);

/** What a cell says as clauses of a tail; null when it cannot be read for its field. */
export function clausesOfCell(field: CellClause, cell: string, order: DayOrder): { word: string; value: string }[] | null {
  switch (field) {
    case 'priority': {
      const word = PRIORITIES[cell.toLowerCase()];
      if (word !== undefined) return [{ word, value: '' }];
      return UNMARKED.has(cell.toLowerCase()) ? [] : null;
    }
    case 'takes': {
      const minutes = readDuration(cell.toLowerCase()) ?? (/^\d{1,4}$/.test(cell) ? Number(cell) : null);
      return minutes === null ? null : [{ word: field, value: minutesText(minutes) }];
    }
    case 'owner':
    case 'asked':
      return [{ word: field, value: cell === 'nobody' ? cell : `@${handleOf(cell)}` }];
    default: {
      const words = field === 'every' ? cell.replace(/^every\s+/i, '') : cell;
      const value = hasClauseForm(field, words) && clauseExists(field, words) ? words : readDate(cell, order);
      const day = field === 'start' ? value?.slice(0, 10) : value;
      return day != null && hasClauseForm(field, day) ? [{ word: field, value: day }] : null;
    }
  }
}

/** A name as a handle: letters, digits, hyphens. */
const handleOf = (name: string): string =>
  name
    .replace(/^@/, '')
    .trim()
    .replace(/[^\p{L}\p{M}\p{N}_.-]+/gu, '-')
    .replace(/^[-.]+|[-.]+$/g, '') || 'somebody';

/** The tags or people of a cell, with their sign. */
export function namesOf(cell: string, sign: string): string[] {
  const parts = cell.includes(sign) ? cell.split(/[\s,;]+/) : cell.split(/[,;]+/);
  return parts.flatMap((part) => {
    const name = part.trim().replace(sign, '').trim();
    if (name === '') return [];
    return [`${sign}${sign === '@' ? handleOf(name) : name.replace(/[^\p{L}\p{M}\p{N}_/-]+/gu, '-')}`];
  });
}

/** The status that a cell means; null when it means none. */
export function statusOfCell(cell: string): Status | null {
  const said = foldName(cell);
  if (said === '') return 'todo';
  const own = STATUSES.find((one) => one === said || foldName(STATUS_NAMES[one]) === said);
  if (own) return own;
  if (/^(?:x|yes|true|1|completed|complete|finished|closed)$/.test(said)) return 'done';
  if (/^(?:no|false|0|open|new|needs-action|not started)$/.test(said)) return 'todo';
  if (/^(?:in progress|in-process|doing|started|active)$/.test(said)) return 'underway';
  return /^(?:canceled|dropped)$/.test(said) ? 'cancelled' : /^(?:on hold|blocked)$/.test(said) ? 'waiting' : null;
}

const SLASHED = /^(\d{1,2})[./-](\d{1,2})[./-](\d{4})(?:[ T]+(\d{1,2}):(\d{2})(?::\d{2})?)?$/;

/** Reads an ISO day or moment, or one with the year last; null for anything else. */
export function readDate(cell: string, order: DayOrder): string | null {
  const iso = /^(\d{4}-\d{2}-\d{2})(?:[ T](\d{2}:\d{2})(?::\d{2}(?:\.\d+)?)?(?:Z|[+-]\d{2}:?\d{2})?)?$/.exec(cell);
  if (iso) {
    const words = iso[2] === undefined ? (iso[1] ?? '') : `${iso[1]} ${iso[2]}`;
    return readMoment(words) ? words : null;
  }
  const match = SLASHED.exec(cell);
  if (!match) return null;
  const [one, two, year] = [Number(match[1]), Number(match[2]), Number(match[3])];
  const [day, month] = order === 'day first' ? [one, two] : [two, one];
  if (!dateExists({ year, month, day })) return null;
  const found: Day = dayFrom({ year, month, day });
  return match[4] === undefined ? isoDay(found) : `${isoDay(found)} ${timeName(Number(match[4]) * 60 + Number(match[5]))}`;
}

/** Whether a table has days that can be read both ways, and none that tells which is meant. */
export function asksOrder(rows: readonly (readonly string[])[]): boolean {
  const days = rows.flatMap((row) => row.flatMap((cell) => [SLASHED.exec(cell.trim())].filter((match) => match !== null)));
  return days.length > 0 && days.every((match) => Number(match[1]) <= 12 && Number(match[2]) <= 12);
}

/** How the days of a table are written, where some of them can be read one way only: day first, unless a second number is past twelve. */
export function orderOfDays(rows: readonly (readonly string[])[]): DayOrder {
  for (const row of rows)
    for (const cell of row) {
      const match = SLASHED.exec(cell.trim());
      if (match && Number(match[2]) > 12) return 'month first';
    }
  return 'day first';
}
