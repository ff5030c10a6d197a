import { type Day, isoDay } from '../../calendar/day';
import type { Row } from '../rows/row';
import { statusName } from '../../task/line/added-status';
import { isOpen } from '../../task/line/status';
import type { Answer, AnswerRow, Plan } from './answer';
import type { Condition, GatherContext } from '../language/ast';
import { type NameLookup, compile, measureOf } from './evaluate';
import { fieldWords } from '../../note/facts/front-matter';
import { dateField } from '../language/fields';
import { minutesText } from '../../calendar/duration';
import { conditionText, rangeText } from '../saying/print';

/** A condition with what was found at it, and whether it holds. */
export interface WhyNode {
  /** The condition in the words of the language; `and`, `or` or `not` where it has parts. */
  condition: string;
  holds: boolean;
  /** The value that was looked at; null where the parts tell. */
  found: string | null;
  /** Where it stands among the conditions: the part to take at each `and` and `or`, from the outside in; of a `not` what it turns round stands where it does. */
  place: number[];
  parts: WhyNode[];
}

/** Why a task is in an answer, or what keeps it out. */
export interface Why {
  in: boolean;
  /** One plain sentence. */
  because: string;
  tree: WhyNode;
  /** The smallest changes that would let it in: each list is one way, all of its conditions together. */
  changes: string[][];
}

/** Tells for a row and an answered gather why it is in or out. */
export function explain(plan: Plan, answer: Answer, row: Row, lookup: NameLookup): Why {
  const { gather, context } = plan;
  const tree: WhyNode = gather.where
    ? treeOf(gather.where, row, context, lookup)
    : { condition: 'everything', holds: true, found: null, place: [], parts: [] };
  const changes = tree.holds || !gather.where ? [] : waysIn(gather.where, row, context, lookup);
  const out = (because: string): Why => ({ in: false, because, tree, changes });
  if (!tree.holds) return out(`It is left out, because ${failures(tree).join('; ')}.`);
  if (!plan.matches(row)) return out('It is left out, because it stands in a note of kind archive.');
  if (plan.hides(row))
    return out(`It rests until ${row.back === null ? 'a later day' : isoDay(row.back)}; “including resting” would show it.`);
  const place = placeIn(answer, row);
  if (place.is === 'below') return { in: true, because: 'It matches, but stands below the limit; the footer shows it.', tree, changes };
  const where = place.is === 'inside' ? ` It stands inside the row of “${place.parent}”.` : '';
  return { in: true, because: `It is in, because every condition holds.${where}`, tree, changes };
}

function treeOf(condition: Condition, row: Row, context: GatherContext, lookup: NameLookup, place: number[] = []): WhyNode {
  const holds = compile(condition, context, lookup)(row);
  switch (condition.is) {
    case 'and':
    case 'or': {
      const parts = condition.parts.map((part, index) => treeOf(part, row, context, lookup, [...place, index]));
      return { condition: condition.is, holds, found: null, place, parts };
    }
    case 'not':
      return { condition: 'not', holds, found: null, place, parts: [treeOf(condition.part, row, context, lookup, place)] };
    default:
      return { condition: conditionText(condition), holds, found: foundAt(condition, row, context, lookup), place, parts: [] };
  }
}

/** The conditions that fail, each with what was found. */
function failures(node: WhyNode): string[] {
  if (node.holds) return [];
  if (node.condition === 'not') return [`“not ${leafWords(node.parts[0])}” fails`];
  if (node.parts.length > 0) return node.parts.flatMap(failures);
  return [`“${node.condition}” fails${node.found === null ? '' : ` (${node.found})`}`];
}

function leafWords(node: WhyNode | undefined): string {
  if (!node) return '';
  return node.parts.length === 0 ? node.condition : `(${node.parts.map(leafWords).join(` ${node.condition} `)})`;
}

/** Every smallest set of conditions that must come to hold; for `or` one way a branch. */
function waysIn(condition: Condition, row: Row, context: GatherContext, lookup: NameLookup): string[][] {
  if (compile(condition, context, lookup)(row)) return [[]];
  switch (condition.is) {
    case 'or':
      return condition.parts.flatMap((part) => waysIn(part, row, context, lookup)).slice(0, MOST_WAYS);
    case 'and':
      return condition.parts.reduce<string[][]>(
        (ways, part) => ways.flatMap((way) => waysIn(part, row, context, lookup).map((more) => [...way, ...more])).slice(0, MOST_WAYS),
        [[]],
      );
    default:
      return [[conditionText(condition)]];
  }
}

/** Ways multiply with every `or`; nobody reads more. */
const MOST_WAYS = 20;

function foundAt(condition: Condition, row: Row, context: GatherContext, lookup: NameLookup): string {
  const { task, head } = row;
  const list = (names: readonly string[], sign: string): string =>
    names.length === 0 ? 'none' : names.map((name) => sign + name).join(', ');
  switch (condition.is) {
    case 'and':
    case 'or':
    case 'not':
      return '';
    case 'status':
      return task.status;
    case 'tag':
      return list(condition.own ? row.ownTags : row.tags, '#');
    case 'person':
      return list(condition.own ? row.ownPeople : row.people, '@');
    case 'link':
      return list(condition.own ? row.ownLinks : row.links, '');
    case 'words':
    case 'like':
      return task.text;
    case 'date':
    case 'in':
      return dateFound(row, condition.field);
    case 'presence':
      return compile({ ...condition, present: true }, context, lookup)(row) ? 'there' : 'not there';
    case 'flag':
      return flagFound(row, condition.flag, lookup);
    case 'priority':
      return task.priority ?? 'normal';
    case 'measure': {
      const value = measureOf(row, condition.field, context);
      if (value === null) return 'none';
      if (condition.field === 'takes') return minutesText(value);
      return condition.field === 'progress' ? `${Math.round(value)}%` : String(value);
    }
    case 'who':
      return task[condition.field] ?? (condition.field === 'owner' ? 'me' : 'nobody asked');
    case 'place':
      return condition.field === 'note' ? head.title : condition.field === 'path' ? head.folder : task.headings.join(' › ') || 'no heading';
    case 'under':
      return [head.path, ...task.headings].join(' › ');
    case 'under ref':
      return row.parent ? row.parent.task.text : 'no step';
    case 'kind':
      return head.kind;
    case 'to raise':
      return row.tags.map((tag) => `#${tag}`).join(' ') || 'no tag';
    case 'this':
    case 'to this note':
    case 'this day is':
      return head.path;
    case 'tasks':
      return String(row.facts?.[condition.field] ?? 0);
    case 'said':
      return condition.field === 'title' ? head.title : (row.facts?.[condition.field] ?? 'none');
    case 'met':
      return list(head.present, '@');
    case 'own key':
      return fieldWords(row.fields?.[condition.key]) ?? 'none';
    case 'title has':
      return head.title;
    case 'added status':
      return statusName(task.status, task.sign, context.statuses);
    case 'joined':
      return task.joined ?? 'kept in step with no list';
  }
}

function dateFound(row: Row, field: Extract<Condition, { is: 'date' }>['field']): string {
  const range = dateField(row, field);
  return range ? rangeText(range) : 'none';
}

function flagFound(row: Row, flag: Extract<Condition, { is: 'flag' }>['flag'], lookup: NameLookup): string {
  switch (flag) {
    case 'late':
      return isOpen(row.task.status) ? `due ${dateFound(row, 'due')}` : row.task.status;
    case 'resting':
      return row.back === null ? 'never rests' : `back on ${isoDay(row.back)}`;
    case 'blocked':
      return lookup.isBlocked(row) ? 'an open need' : 'no open need';
    case 'repeats':
      return row.task.every ?? 'no repeat';
    case 'unsorted':
      return dayWords(row.task.due?.from ?? row.task.plan?.from ?? null);
    case 'step':
      return row.parent ? `a step of “${row.parent.task.text}”` : 'no step';
    case 'question':
      return row.task.question ? 'a question' : 'no question';
    case 'now':
      return row.head.later ? `in “${row.head.title}”, whose turn comes later` : row.tags.map((tag) => `#${tag}`).join(', ') || 'no tag';
  }
}

const dayWords = (day: Day | null): string => (day === null ? 'no date' : isoDay(day));

type Place = { is: 'row' } | { is: 'inside'; parent: string } | { is: 'below' };

function placeIn(answer: Answer, row: Row): Place {
  for (const group of answer.groups) {
    const found = placeAmong(group.rows, row, null);
    if (found) return found;
  }
  return { is: 'below' };
}

function placeAmong(rows: readonly AnswerRow[], wanted: Row, parent: Row | null): Place | null {
  for (const { row, steps } of rows) {
    if (row === wanted) return parent ? { is: 'inside', parent: parent.task.text } : { is: 'row' };
    const inside = placeAmong(steps, wanted, row);
    if (inside) return inside;
  }
  return null;
}
