import Papa from 'papaparse';
import { type Day, dateExists, dayFrom, isoDay } from '../calendar/day';
import { readDuration, minutesText } from '../calendar/duration';
import { readMoment, readSpan, timeName } from '../calendar/span';
import { readRepeat } from '../calendar/repeat/repeat-phrase';
import { foldName } from '../note/names/names';
import { type Status, STATUSES, STATUS_NAMES, signOf } from '../task/line/status';
import { type Draft, draftLine, draftsText } from './draft';

/** What a column of a table may become. */
export const CSV_FIELDS = [
  'task',
  'status',
  'priority',
  'due',
  'plan',
  'start',
  'every',
  'takes',
  'owner',
  'asked',
  'tags',
  'people',
  'remind',
  'made',
  'done',
  'cancelled',
  'ref',
  'note under it',
] as const;
export type CsvField = (typeof CSV_FIELDS)[number];

/** The column of each field, by its name in the first line. */
export type CsvMap = Partial<Record<CsvField, string>>;

/** How days that are no ISO days are written. */
export type DayOrder = 'day first' | 'month first';

export interface CsvTable {
  columns: string[];
  rows: string[][];
  /** What is wrong with it, in plain words; empty when nothing is. */
  problems: string[];
}

/** Reads a table by RFC 4180; the separator is found out. What cannot be read is told and the rest is there. */
export function readTable(text: string): CsvTable {
  const { data, errors } = Papa.parse<string[]>(text.replace(/^\ufeff/, ''), { skipEmptyLines: 'greedy' });
  const [columns = [], ...rows] = data;
  const told = errors.filter(({ code }) => code !== 'UndetectableDelimiter');
  return {
    columns: columns.map((name) => name.trim()),
    rows,
    problems: told.map(({ message, row }) => (row === undefined ? message : `Line ${row + 1}: ${message}`)),
  };
}

const ALSO: Partial<Record<CsvField, readonly string[]>> = {
  task: ['title', 'name', 'summary', 'subject', 'what', 'todo', 'content', 'description'],
  due: ['deadline', 'due date', 'until'],
  plan: ['planned', 'when', 'date', 'scheduled'],
  status: ['state', 'done?', 'completed'],
  priority: ['importance'],
  owner: ['assignee', 'who', 'responsible'],
  tags: ['labels', 'categories', 'keywords'],
  takes: ['estimate', 'duration', 'effort'],
  'note under it': ['notes', 'remark', 'remarks', 'comment', 'comments'],
};

/** Which column is likely which field, by their names. */
export function guessedMap(columns: readonly string[]): CsvMap {
  const map: CsvMap = {};
  for (const field of CSV_FIELDS) {
    const names = [field, ...(ALSO[field] ?? [])];
    const found = names.flatMap((name) => columns.find((column) => column.toLowerCase() === name) ?? [])[0];
    if (found !== undefined && !Object.values(map).includes(found)) map[field] = found;
  }
  return map;
}

/** What the rows of a table came to. */
export interface CsvTasks {
  text: string;
  tasks: number;
  /** Cells that say nothing that can be read, which stand under their task as words. */
  kept: { row: number; field: CsvField; cell: string }[];
}

/**
 * The rows of a table as the tasks of a note. A cell that cannot be read for its field stands under the task as words.
 *
 * @param order how a day such as `3/4/2026` is meant
 */
export function tasksOfTable({ columns, rows }: CsvTable, map: CsvMap, order: DayOrder = orderOfDays(rows)): CsvTasks {
  const kept: CsvTasks['kept'] = [];
  const drafts: Draft[] = [];
  const at = (field: CsvField): number => (map[field] === undefined ? -1 : columns.indexOf(map[field]));
  const last: { draft: Draft; words: string; names: readonly string[] }[] = [];
  const parentAt = columns.indexOf('step of');
  for (const [row, cells] of rows.entries()) {
    const cell = (field: CsvField): string => unquoted(cells[at(field)] ?? '').trim();
    const words = cell('task');
    const description: string[] = cell('note under it') === '' ? [] : cell('note under it').split(/\r\n|\r|\n/);
    const clauses: { word: string; value: string }[] = [];
    for (const field of CLAUSES) {
      const said = cell(field);
      if (said === '') continue;
      const value = clauseOf(field, said, order);
      if (value !== null) clauses.push(...(value.word === '' ? [] : [value]));
      else {
        kept.push({ row: row + 1, field, cell: said });
        description.push(`${field}: ${said}`);
      }
    }
    const parent = parentAt === -1 ? '' : unquoted(cells[parentAt] ?? '').trim();
    const above = parent === '' ? undefined : last.findLast((one) => one.words === parent);
    const said = [...namesOf(cell('tags'), '#'), ...namesOf(cell('people'), '@')];
    // What stands in its words already, or is handed down to a step, is not written again.
    const names = said.filter((name) => !words.toLowerCase().includes(name.toLowerCase()) && !above?.names.includes(foldName(name)));
    if (words === '' && clauses.length === 0 && description.length === 0) continue;
    const status = statusOfCell(cell('status'));
    if (status === null) {
      kept.push({ row: row + 1, field: 'status', cell: cell('status') });
      description.push(`status: ${cell('status')}`);
    }
    const line = draftLine({ sign: signOf(status ?? 'todo'), words: [words, ...names].join(' '), clauses });
    const draft: Draft = { line, description, drafts: [] };
    (above?.draft.drafts ?? drafts).push(draft);
    last.push({ draft, words, names: [...(above?.names ?? []), ...said.map(foldName)] });
  }
  return { text: draftsText(drafts), tasks: last.length, kept };
}

const CLAUSES = [
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
] as const satisfies readonly CsvField[];

/** What was made harmless for a spreadsheet. */
const unquoted = (cell: string): string => (/^'[=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell);

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

function clauseOf(field: (typeof CLAUSES)[number], cell: string, order: DayOrder): { word: string; value: string } | null {
  switch (field) {
    case 'priority': {
      const word = PRIORITIES[cell.toLowerCase()];
      return word === undefined ? (UNMARKED.has(cell.toLowerCase()) ? { word: '', value: '' } : null) : { word, value: '' };
    }
    case 'takes': {
      const minutes = readDuration(cell.toLowerCase()) ?? (/^\d{1,4}$/.test(cell) ? Number(cell) : null);
      return minutes === null ? null : { word: field, value: minutesText(minutes) };
    }
    case 'owner':
    case 'asked':
      return { word: field, value: cell === 'nobody' ? cell : `@${handleOf(cell)}` };
    case 'every':
      return readRepeat(cell) ? { word: field, value: cell.replace(/^every\s+/i, '') } : null;
    case 'remind':
      return { word: field, value: cell };
    case 'ref':
      return /^[a-z0-9]{6}$/.test(cell) ? { word: field, value: cell } : null;
    case 'start': {
      const moment = readDate(cell, order);
      return moment === null ? null : { word: field, value: moment.slice(0, 10) };
    }
    default: {
      const moment = (field === 'plan' ? readSpan(cell) && cell : null) ?? readDate(cell, order);
      return moment === null ? null : { word: field, value: moment };
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

function namesOf(cell: string, sign: string): string[] {
  const parts = cell.includes(sign) ? cell.split(/[\s,;]+/) : cell.split(/[,;]+/);
  return parts.flatMap((part) => {
    const name = part.trim().replace(sign, '').trim();
    if (name === '') return [];
    return [`${sign}${sign === '@' ? handleOf(name) : name.replace(/[^\p{L}\p{M}\p{N}_/-]+/gu, '-')}`];
  });
}

function statusOfCell(cell: string): Status | null {
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

/** How the days of a table are written, where some of them can be read one way only: day first, unless a second number is past twelve. */
export function orderOfDays(rows: readonly (readonly string[])[]): DayOrder {
  for (const row of rows)
    for (const cell of row) {
      const match = SLASHED.exec(cell.trim());
      if (match && Number(match[2]) > 12) return 'month first';
    }
  return 'day first';
}
