import { isoDay } from '../../src/core/calendar/day';
import { type AnswerGroup, type AnswerRow, flatten } from '../../src/core/gather/answer/answer';
import { type CardFacts, boardColumns } from '../../src/core/gather/forms/board';
import { barsOf, curveOf } from '../../src/core/gather/forms/series';
import { type Totals, sumsOf, totalsFrom } from '../../src/core/gather/answer/sums';
import type { Form } from '../../src/core/gather/language/ast';
import { sentenceText } from '../../src/core/gather/saying/sentence';
import { type Why, explain } from '../../src/core/gather/answer/why';
import type { Library } from '../../src/core/index/library';
import type { Row } from '../../src/core/gather/rows/row';
import type { LiveGather } from '../../src/core/index/live/live-gather';
import { closedMinute, rowId } from '../../src/core/index/live/view';
import { isOpen } from '../../src/core/task/line/status';
import { PlainError } from '../plain-error';
import { type Desk, noteAt } from '../desk';
import { type Reading, libraryOf } from '../library-of';
import { type ScannedTask, scan } from './scan';

type GatheredTask = ScannedTask & { steps: GatheredTask[] };

/** A note that was gathered: what its front matter says, and how its tasks stand. */
export interface GatheredNote {
  note: string;
  title: string;
  kind: string;
  date: string | null;
  due: string | null;
  state: string | null;
  level: string | null;
  tags: readonly string[];
  people: readonly string[];
  about: readonly string[];
  open: number;
  done: number;
  /** Done ÷ (all − cancelled); null without tasks. */
  progress: number | null;
}

/** A key point that is no task. */
export interface GatheredPoint {
  note: string;
  line: number;
  raw: string;
  text: string;
  tags: readonly string[];
  inheritedTags: readonly string[];
  people: readonly string[];
  links: readonly string[];
  heading: readonly string[];
  key: true;
}

export type GatheredRow = GatheredTask | GatheredNote | GatheredPoint;

export interface GatherAnswer {
  title: string | null;
  sentence: string;
  /** Matching tasks, steps included, before limits. */
  total: number;
  groups: GatheredGroup[];
  /** Of bars and curves, in the place of groups. */
  series?: { key: string | null; values: { key: string | null; value: number }[] }[];
}

export interface GatheredGroup {
  key: string | null | (string | null)[];
  count: number;
  totals: Omit<Totals, 'kept'>;
  rows: GatheredRow[];
  /** Of the column of a board where finished cards go; it gives the last ten. */
  finished?: true;
}

export interface Question extends Reading {
  query: string;
}

function ask(library: Library, query: string): ReturnType<Library['ask']> {
  const asked = library.ask(query);
  const error = asked.live.errors[0];
  if (error) throw new PlainError(`The query cannot be read at ${error.from}: ${error.message}`);
  return asked;
}

/** `gather`: the answer to a query over a folder. */
export function gather(desk: Desk, question: Question): GatherAnswer {
  const library = libraryOf(desk, question);
  const { live, answer } = ask(library, question.query);
  const scanned = new Map(scan(desk, question.today).tasks.map((task) => [`${task.note}:${task.line}:${task.depth}`, task]));
  const rows = (list: readonly AnswerRow[]): GatheredTask[] =>
    list.flatMap(({ row, steps }) => {
      const task = scanned.get(`${row.head.path}:${row.task.line + 1}:${row.task.depth}`);
      return task ? [{ ...task, steps: rows(steps) }] : [];
    });
  const gathered = (list: readonly AnswerRow[]): GatheredRow[] =>
    list.flatMap((entry): GatheredRow[] => {
      if (entry.row.what === 'note') return [noteOf(entry.row)];
      return entry.row.what === 'point' ? [pointOf(entry.row)] : rows([entry]);
    });
  const { form } = live.gather;
  if (form?.is === 'bars' || form?.is === 'curve')
    return {
      title: live.gather.title,
      sentence: sentenceText(live.written, library.contextAt(null)),
      total: answer.total,
      groups: [],
      series: (form.is === 'bars' ? barsOf(form, answer.groups) : curveOf(form, answer.groups, question.today)).map(({ key, values }) => ({
        key,
        values: values.map(({ key: of, value }) => ({ key: of, value })),
      })),
    };
  return {
    title: live.gather.title,
    sentence: sentenceText(live.written, library.contextAt(null)),
    total: answer.total,
    groups:
      live.gather.form?.is === 'board'
        ? columns(live.gather.form, answer.groups, gathered)
        : answer.groups.map(({ keys, count, totals, rows: list }) => ({
            key: keys.length > 1 ? keys : (keys[0] ?? null),
            count,
            totals: printedTotals(totals),
            rows: gathered(list),
          })),
  };
}

const printedTotals = ({ kept: _kept, ...totals }: Totals): Omit<Totals, 'kept'> => totals;

/** A board is printed by its columns. */
function columns(
  form: Extract<Form, { is: 'board' }>,
  groups: readonly AnswerGroup[],
  gathered: (list: readonly AnswerRow[]) => GatheredRow[],
): GatheredGroup[] {
  return boardColumns(form, groups, CARDS).map(({ key, cards, all, finished }) => {
    const totals = totalsFrom(sumsOf(flatten(all)));
    return { key, count: totals.count, totals: printedTotals(totals), rows: gathered(cards), ...(finished && { finished }) };
  });
}

const CARDS: CardFacts<AnswerRow> = {
  idOf: ({ row }) => rowId(row),
  isClosed: ({ row }) => !isOpen(row.task.status),
  closedAt: ({ row }) => closedMinute(row.task),
};

function noteOf({ head, task, facts }: Row): GatheredNote {
  return {
    note: head.path,
    title: head.title,
    kind: head.kind,
    date: head.date === null ? null : isoDay(head.date),
    due: task.due ? isoDay(task.due.from) : null,
    state: facts?.state ?? null,
    level: facts?.level ?? null,
    tags: task.tags,
    people: task.people,
    about: task.inheritedLinks,
    open: facts?.open ?? 0,
    done: facts?.done ?? 0,
    progress: facts && facts.all > 0 ? facts.done / facts.all : null,
  };
}

function pointOf({ head, task, ownLinks }: Row): GatheredPoint {
  return {
    note: head.path,
    line: task.line + 1,
    raw: task.raw,
    text: task.text,
    tags: task.tags,
    inheritedTags: task.inheritedTags,
    people: task.people,
    links: ownLinks,
    heading: task.headings,
    key: true,
  };
}

/** `why`: why a task is in the answer to a query, or what keeps it out. */
export function why(desk: Desk, at: string, question: Question): Why {
  const [, name = '', digits = ''] = /^(.*?):?(\d+)$/.exec(at) ?? [];
  const note = digits === '' ? null : noteAt(desk, name);
  const library = libraryOf(desk, question);
  const found = note && [...library.rows()].findLast((row) => row.head.path === note.path && row.task.line === Number(digits) - 1);
  if (!found) throw new PlainError(`There is no task at ${at}.`);
  const { live, answer }: { live: LiveGather; answer: ReturnType<Library['ask']>['answer'] } = ask(library, question.query);
  return explain(live.plan, answer, found, library.lookup);
}
