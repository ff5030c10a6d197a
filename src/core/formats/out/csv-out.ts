import Papa from 'papaparse';
import { isoDay } from '../../calendar/day';
import { minutesText } from '../../calendar/duration';
import { spanText } from '../../task/acts/shift-dates';
import type { Clause } from '../../task/line/tail';
import type { Task } from '../../task/line/task-line';
import { tasksIn } from '../branch';
import type { Writer } from './writer';

/** A column of a table of tasks: its name, which is also that of the clause where it is one, and what a task says there. */
interface Column {
  name: string;
  of: (task: Task, place: { path: string; parent: string; clauses: readonly Clause[] }) => string;
}

const COLUMNS: readonly Column[] = [
  { name: 'note', of: (_task, { path }) => path },
  { name: 'line', of: (task) => String(task.line + 1) },
  { name: 'heading', of: (task) => task.headings.join(' > ') },
  { name: 'step of', of: (_task, { parent }) => parent },
  { name: 'task', of: (task) => task.text },
  { name: 'status', of: (task) => task.status },
  { name: 'priority', of: (task) => task.priority ?? '' },
  { name: 'due', of: (task) => (task.due ? spanText(task.due) : '') },
  { name: 'plan', of: (task) => (task.plan ? spanText(task.plan) : '') },
  { name: 'start', of: (task) => (task.start === null ? '' : isoDay(task.start)) },
  { name: 'every', of: (task) => task.every ?? '' },
  { name: 'takes', of: (task) => (task.takes === null ? '' : minutesText(task.takes)) },
  { name: 'owner', of: (task) => nameOf(task.owner) },
  { name: 'asked', of: (task) => nameOf(task.asked) },
  { name: 'tags', of: (task) => [...task.tags, ...task.inheritedTags].map((tag) => `#${tag}`).join(' ') },
  { name: 'people', of: (task) => [...task.people, ...task.inheritedPeople].map((person) => `@${person}`).join(' ') },
  { name: 'links', of: (task) => task.links.map(({ target }) => target).join(', ') },
  { name: 'remind', of: (task) => task.remind ?? '' },
  { name: 'made', of: (task) => (task.made ? spanText(task.made) : '') },
  { name: 'done', of: (task) => (task.done ? spanText(task.done) : '') },
  { name: 'cancelled', of: (task) => (task.cancelled ? spanText(task.cancelled) : '') },
  { name: 'ref', of: (task) => task.ref ?? '' },
  // What has no column of its own, as it is written, so that nothing is lost.
  {
    name: 'more',
    of: (_task, { clauses }) =>
      clauses
        .filter(({ word, name }) => name === null || !isColumn(name, word))
        .map(({ word, value }) => `${word} ${value}`.trim())
        .join('; '),
  },
];

const isColumn = (name: string, word: string): boolean =>
  /^(?:top|high|low)$/i.test(word) || COLUMNS.some((column) => column.name === name);

const nameOf = (person: string | null): string => (person === null || person === 'nobody' ? (person ?? '') : `@${person}`);

/** The names of all columns, in their order. */
export const CSV_COLUMNS: readonly string[] = COLUMNS.map(({ name }) => name);

/**
 * Tasks as a table by RFC 4180: a line for each, the names of the columns first, lines that end with CR and LF. Cells that a
 * spreadsheet would take for a formula begin with an apostrophe, which `tasksOfTable` takes away again.
 *
 * @param columns which of `CSV_COLUMNS`, in their order; all when it is left out
 */
export function csvWriter(columns: readonly string[] = CSV_COLUMNS): Writer {
  const chosen = columns.flatMap((name) => COLUMNS.find((column) => column.name === name) ?? []);
  let harmless = 0;
  const lines = (rows: string[][]): string => (rows.length === 0 ? '' : `${Papa.unparse(rows, { newline: '\r\n' })}\r\n`);
  return {
    begin: lines([chosen.map(({ name }) => name)]),
    part: ({ outline }) => {
      const rows: string[][] = [];
      for (const { branch, task, above } of tasksIn(outline.branches))
        rows.push(
          chosen.map(({ of }) => {
            const cell = of(task, { path: branch.path, parent: above?.words ?? '', clauses: branch.clauses });
            if (!isFormula(cell)) return cell;
            harmless++;
            return `'${cell}`;
          }),
        );
      return lines(rows);
    },
    end: () => '',
    report: () =>
      harmless === 0
        ? []
        : [`A spreadsheet would have computed ${harmless} ${harmless === 1 ? 'cell' : 'cells'}: an apostrophe stands before each.`],
  };
}

/** How a cell begins that a spreadsheet computes (common practice, no source). People are named by `@`, so that a name alone is none. */
export const isFormula = (cell: string): boolean => /^[=+\-@\t\r]/.test(cell);
