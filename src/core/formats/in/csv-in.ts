import Papa from 'papaparse';
import { foldName } from '../../note/names/names';
import { signOf } from '../../task/line/status';
import { readTail } from '../../task/line/tail';
import { CELL_CLAUSES, type DayOrder, clausesOfCell, namesOf, orderOfDays, statusOfCell, unquoted } from './csv-cells';
import { type Draft, draftLine, draftsText } from '../draft';

/** What a column of a table may become. */
export const CSV_FIELDS = ['task', 'status', ...CELL_CLAUSES, 'tags', 'people', 'more', 'note under it'] as const;
export type CsvField = (typeof CSV_FIELDS)[number];

/** The column of each field, by its name in the first line. */
export type CsvMap = Partial<Record<CsvField, string>>;

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
  /** The last row of some words, to which steps say they belong. */
  const last = new Map<string, { draft: Draft; names: readonly string[] }>();
  let tasks = 0;
  const parentAt = columns.indexOf('step of');
  for (const [row, cells] of rows.entries()) {
    const cell = (field: CsvField): string => unquoted(cells[at(field)] ?? '').trim();
    const words = cell('task');
    const description: string[] = cell('note under it') === '' ? [] : cell('note under it').split(/\r\n|\r|\n/);
    const clauses: { word: string; value: string }[] = [];
    for (const field of CELL_CLAUSES) {
      const said = cell(field);
      if (said === '') continue;
      const read = clausesOfCell(field, said, order);
      if (read !== null) clauses.push(...read);
      else {
        kept.push({ row: row + 1, field, cell: said });
        description.push(`${field}: ${said}`);
      }
    }
    // Clauses as a tail holds them, which have no column of their own.
    clauses.push(...(readTail(`{${cell('more')}}`, 0)?.clauses ?? []).map(({ word, value }) => ({ word, value })));
    const parent = parentAt === -1 ? '' : unquoted(cells[parentAt] ?? '').trim();
    const above = parent === '' ? undefined : last.get(parent);
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
    last.set(words, { draft, names: [...(above?.names ?? []), ...said.map(foldName)] });
    tasks++;
  }
  return { text: draftsText(drafts), tasks, kept };
}
