import { minutesText } from '../../calendar/duration';
import { THIS_PERSON } from '../language/ast';
import { endOfMonth, isoDay, isoWeekName, isoWeekOf, startOfMonth } from '../../calendar/day';
import type { DayRange } from '../../calendar/span';
import type { Condition, DateValue, Form, Gather, GroupKey, OrderKey, RangeValue } from '../language/ast';

const WEEKDAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];
const RELATIVE: Record<number, string> = { [-1]: 'yesterday', 0: 'today', 1: 'tomorrow' };

/** `2026-11-27`, `2026-W48`, `2026-11`, or `a..b` for other spans. */
export function rangeText({ from, to }: DayRange): string {
  if (from === to) return isoDay(from);
  if (to - from === 6 && isoWeekOf(from).week === isoWeekOf(to).week) return isoWeekName(isoWeekOf(from));
  if (from === startOfMonth(from) && to === endOfMonth(from)) return isoDay(from).slice(0, 7);
  return `${isoDay(from)}..${isoDay(to)}`;
}

const counted = (count: number, unit: string): string => `${count} ${unit}${count === 1 ? '' : 's'}`;

function dateText(date: DateValue): string {
  switch (date.is) {
    case 'range':
      return rangeText(date.range);
    case 'relative':
      return RELATIVE[date.days] ?? `today ${date.days < 0 ? '-' : '+'} ${counted(Math.abs(date.days), 'day')}`;
    case 'weekday':
      return WEEKDAYS[date.weekday - 1] ?? '';
    case 'edge':
      return `${date.edge} of ${date.unit}`;
    case 'this day':
      return 'this day';
    case 'shifted':
      return `${dateText(date.base)} ${date.count < 0 ? '-' : '+'} ${counted(Math.abs(date.count), date.unit)}`;
  }
}

function rangeValueText(range: RangeValue): string {
  switch (range.is) {
    case 'date':
      return dateText(range.date);
    case 'between':
      return `${dateText(range.from)}..${dateText(range.to)}`;
    case 'calendar':
      return `${['last', 'this', 'next'][range.which + 1]} ${range.unit}`;
    case 'rolling':
      return `${range.direction} ${counted(range.count, range.unit)}`;
  }
}

export const quoted = (words: string): string => `"${words.replace(/[\\"]/g, '\\$&')}"`;

/** Prints a condition so that reading it gives the same tree; brackets stand only where they must. */
export function conditionText(condition: Condition): string {
  switch (condition.is) {
    case 'and':
      return condition.parts
        .map((part) => (part.is === 'or' || part.is === 'and' ? `(${conditionText(part)})` : conditionText(part)))
        .join(' and ');
    case 'or':
      return condition.parts.map((part) => (part.is === 'or' ? `(${conditionText(part)})` : conditionText(part))).join(' or ');
    case 'not': {
      const { part } = condition;
      return part.is === 'and' || part.is === 'or' || part.is === 'not' ? `not (${conditionText(part)})` : `not ${conditionText(part)}`;
    }
    case 'status':
      return condition.status;
    case 'tag':
      return `${condition.own ? 'own ' : ''}#${condition.name}`;
    case 'person':
      return `${condition.own ? 'own ' : ''}@${condition.name}`;
    case 'link':
      return `${condition.own ? 'own ' : ''}[[${condition.target}]]`;
    case 'words':
      return condition.folded ? `text has ${quoted(condition.words)}` : quoted(condition.words);
    case 'like':
      return `text like /${condition.source.replace(/\//g, '\\/')}/${condition.flags}`;
    case 'date':
      return `${condition.field} ${condition.sign} ${dateText(condition.date)}`;
    case 'in':
      return `${condition.field} in ${rangeValueText(condition.range)}`;
    case 'presence':
      return `${condition.present ? 'with' : 'without'} ${condition.field}`;
    case 'flag':
      return condition.flag === 'step' || condition.flag === 'question' ? `is ${condition.flag}` : condition.flag;
    case 'priority':
      return `priority ${condition.sign} ${condition.priority}`;
    case 'measure':
      return `${condition.field} ${condition.sign} ${measureText(condition.field, condition.value)}`;
    case 'who':
      return `${condition.field} ${condition.same ? '=' : '!='} ${whoText(condition.person)}`;
    case 'place':
      return condition.field === 'path'
        ? `path in ${quoted(condition.value)}`
        : `${condition.field} ${condition.same ? '=' : '!='} ${quoted(condition.value)}`;
    case 'under':
      return `under [[${condition.note}${condition.heading === null ? '' : `#${condition.heading}`}]]`;
    case 'under ref':
      return `under recado:${condition.ref}`;
    case 'kind':
      return `kind ${condition.same ? '=' : '!='} ${condition.kind}`;
    case 'added status':
      return `status ${condition.same ? '=' : '!='} ${quoted(condition.name)}`;
    case 'joined':
      return `joined ${condition.same ? '=' : '!='} ${quoted(condition.list)}`;
    case 'this':
      return `this ${condition.what}`;
    case 'to raise':
      return 'to raise';
    case 'to this note':
      return 'to this note';
    case 'this day is':
      return `this day ${condition.sign} ${dateText(condition.date)}`;
    case 'tasks':
      return `${condition.field} ${condition.sign} ${condition.value}`;
    case 'said':
      return `${condition.field} ${condition.same ? '=' : '!='} ${condition.field === 'state' ? condition.value : quoted(condition.value)}`;
    case 'met':
      return `met ${whoText(condition.person)}`;
    case 'own key':
      return `${condition.key} ${condition.same ? '=' : '!='} ${quoted(condition.value)}`;
    case 'title has':
      return `title has ${quoted(condition.words)}`;
  }
}

function measureText(field: Extract<Condition, { is: 'measure' }>['field'], value: number): string {
  switch (field) {
    case 'takes':
      return minutesText(value);
    case 'pushed':
      return String(value);
    case 'age':
    case 'untouched':
      return counted(value, 'day');
    case 'progress':
      return `${value}%`;
  }
}

/** A person as the language says them: `me`, `nobody`, `this person`, `@lars`. */
export const whoText = (person: string): string =>
  person === 'me' || person === 'nobody' || person === THIS_PERSON ? person : `@${person}`;

export function groupKeyText({ key, of, byCount, descending }: GroupKey): string {
  return `${key}${of === null ? '' : ` of ${of}`}${byCount ? ' by count' : ''}${descending ? ' desc' : ''}`;
}

export function orderKeyText({ key, descending }: OrderKey): string {
  return `${key}${descending ? ' desc' : ''}`;
}

export function formText(form: Form): string {
  switch (form.is) {
    case 'board': {
      const columns = form.columns.map((column) =>
        // A bare word is read in small letters.
        column === null ? 'none' : /^[\p{L}_][\p{L}\p{N}_]*$/u.test(column) && column === column.toLowerCase() ? column : quoted(column),
      );
      return `board by ${form.by}${columns.length === 0 ? '' : ` (${columns.join(', ')})`}`;
    }
    case 'summary':
      return `summary by ${form.by}`;
    case 'spans':
      return `spans by ${form.by}`;
    case 'bars':
      return `bars of ${form.measure} by ${form.by}${form.of === undefined ? '' : ` of ${form.of}`}${form.second === null ? '' : `, ${form.second}`}`;
    case 'curve':
      return `curve of ${form.measure} by ${form.by}`;
    default:
      return form.is;
  }
}

/** Prints a gather with one clause a line, in the order of the language's table; reading it gives the same gather. */
export function printGather(gather: Gather): string {
  const lines: string[] = [];
  if (gather.title !== null) lines.push(`title ${gather.title}`);
  if (gather.from !== 'tasks') lines.push(`from ${gather.from}${gather.list === null ? '' : ` ${quoted(gather.list)}`}`);
  if (gather.where) lines.push(`where ${conditionText(gather.where)}`);
  if (gather.groupBy.length > 0) lines.push(`group by ${gather.groupBy.map(groupKeyText).join(', ')}`);
  if (gather.orderBy) lines.push(`order by ${gather.orderBy.map(orderKeyText).join(', ')}`);
  if (gather.limit !== null) lines.push(`limit ${gather.limit}`);
  if (gather.limitPerGroup !== null) lines.push(`limit ${gather.limitPerGroup} per group`);
  if (gather.columns) lines.push(`columns ${gather.columns.join(', ')}`);
  if (gather.totals) lines.push(`totals ${gather.totals.join(', ')}`);
  if (gather.includingResting) lines.push('including resting');
  if (gather.stepsApart) lines.push('steps apart');
  if (gather.form) lines.push(`as ${formText(gather.form)}`);
  if (gather.into !== null) lines.push(`into [[${gather.into}]]`);
  return lines.join('\n');
}
