import { dayName } from '../../calendar/day-name';
import { durationName } from '../../calendar/duration';
import type { DayRange } from '../../calendar/span';
import { STATUS_NAMES } from '../../task/line/status';
import type { Condition, Gather, GatherContext, Sign, Source } from '../language/ast';
import { resolveDate, resolveRange } from '../answer/dates';
import { formText, groupKeyText, orderKeyText, whoText } from './print';

/** The clauses that a sentence says; the title stands above it. */
export const SAID_CLAUSES = [
  'from',
  'steps apart',
  'where',
  'including resting',
  'group by',
  'order by',
  'limit',
  'limit per group',
  'columns',
  'totals',
  'as',
  'into',
] as const;
export type SaidClause = (typeof SAID_CLAUSES)[number];

/** A piece of a gather's sentence; pieces that come from a clause say which, so that they can be edited there. */
export interface SentencePart {
  words: string;
  clause: SaidClause | null;
  /** For parts of the condition: the places to take at each `and` and `or`, from the outside in. */
  path: number[];
}

/** A gather in plain English, with the dates it comes to today. */
export function sentenceOf(gather: Gather, context: GatherContext): SentencePart[] {
  const parts: SentencePart[] = [];
  const add = (words: string, clause: SentencePart['clause'] = null, path: number[] = []): void => void parts.push({ words, clause, path });
  if (gather.from === 'tasks') add(gather.stepsApart ? 'Tasks and steps' : 'Tasks', gather.stepsApart ? 'steps apart' : null);
  else if (gather.from === 'outside') {
    const of = gather.list === null ? ' of outside lists' : ` of the outside list “${gather.list}”`;
    if (gather.stepsApart) add('Tasks and steps', 'steps apart');
    add(gather.stepsApart ? of : `Tasks${of}`, 'from');
  } else add(SOURCE_WORDS[gather.from], 'from');
  if (gather.where) {
    add(' that ');
    addCondition(parts, gather.where, { ...context, from: gather.from }, [], false);
  }
  if (gather.includingResting) add(', resting ones too', 'including resting');
  if (gather.groupBy.length > 0) add(`, grouped by ${joinWords(gather.groupBy.map(groupKeyText), 'and')}`, 'group by');
  add(gather.orderBy ? `, ordered by ${joinWords(gather.orderBy.map(orderKeyText), 'then')}` : '', gather.orderBy ? 'order by' : null);
  if (gather.limit !== null) add(`, at most ${gather.limit}`, 'limit');
  if (gather.limitPerGroup !== null) add(`, at most ${gather.limitPerGroup} a group`, 'limit per group');
  if (gather.columns) add(`, showing ${joinWords(gather.columns, 'and')}`, 'columns');
  if (gather.totals) add(`, summed up by ${joinWords(gather.totals, 'and')}`, 'totals');
  if (gather.form) add(`, as ${formText(gather.form)}`, 'as');
  if (gather.into !== null) add(`, and what is written here goes into ${gather.into}`, 'into');
  add('.');
  return parts.filter((part) => part.words !== '');
}

const SOURCE_WORDS = { notes: 'Notes', meetings: 'Meetings', 'key points': 'Key points' };

/** The sentence as one text. */
export function sentenceText(gather: Gather, context: GatherContext): string {
  return sentenceOf(gather, context)
    .map((part) => part.words)
    .join('');
}

function joinWords(words: readonly string[], last: string): string {
  return words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} ${last} ${words[words.length - 1]}`;
}

/** What is asked against, and what it is that is asked for. */
type Asked = GatherContext & { from?: Source };

function addCondition(parts: SentencePart[], condition: Condition, context: Asked, path: number[], inner: boolean): void {
  if (condition.is !== 'and' && condition.is !== 'or') {
    parts.push({ words: conditionWords(condition, context), clause: 'where', path });
    return;
  }
  // “either … or …” and brackets keep apart what belongs together.
  if (inner) parts.push({ words: condition.is === 'or' ? 'either ' : '(', clause: null, path: [] });
  condition.parts.forEach((part, index) => {
    if (index > 0) parts.push({ words: ` ${condition.is} `, clause: null, path: [] });
    addCondition(parts, part, context, [...path, index], true);
  });
  if (inner && condition.is === 'and') parts.push({ words: ')', clause: null, path: [] });
}

/** One condition as what a task does: “are open”, “are due before today (Mon 23 Nov)”. */
export function conditionWords(condition: Condition, context: Asked): string {
  if (context.from === 'notes' || context.from === 'meetings') {
    const words = noteWords(condition);
    if (words !== null) return words;
  }
  switch (condition.is) {
    case 'and':
    case 'or':
      return condition.parts.map((part) => conditionWords(part, context)).join(` ${condition.is} `);
    case 'not':
      return notWords(condition.part, context);
    case 'status':
      return `are ${condition.status === 'open' || condition.status === 'closed' ? condition.status : STATUS_NAMES[condition.status].toLowerCase()}`;
    case 'tag':
      return `${condition.own ? 'bear' : 'bear or inherit'} #${condition.name}`;
    case 'person':
      return condition.own ? `name @${condition.name} themselves` : `are with @${condition.name}`;
    case 'link':
      return condition.own ? `link to ${condition.target} themselves` : `are about or stand in ${condition.target}`;
    case 'words':
      return `say “${condition.words}”`;
    case 'like':
      return `fit the pattern /${condition.source}/${condition.flags}`;
    case 'date':
      return `${fieldWords(condition.field)} ${signWords(condition.sign)} ${daysWords(resolveDate(condition.date, context), context)}`;
    case 'in':
      return `${fieldWords(condition.field)} from ${daysWords(resolveRange(condition.range, context), context, ' to ')}`;
    case 'presence':
      return `${condition.present ? 'have' : 'have no'} ${presenceWords(condition.field)}`;
    case 'flag':
      return FLAG_WORDS[condition.flag];
    case 'priority':
      return `have a priority ${compareWords(condition.sign)} ${condition.priority}`;
    case 'measure':
      return measureWords(condition);
    case 'who':
      return `${condition.field === 'owner' ? 'belong to' : 'were asked for by'} ${condition.same ? '' : 'somebody other than '}${whoText(condition.person)}`;
    case 'place':
      return placeWords(condition);
    case 'under':
      return `stand ${condition.heading === null ? '' : `under “${condition.heading}” `}in ${condition.note}`;
    case 'under ref':
      return `stand under the task ${condition.ref}`;
    case 'kind':
      return `stand in ${condition.same ? 'a note' : 'no note'} of kind ${condition.kind}`;
    case 'added status':
      return `are ${condition.same ? '' : 'not '}“${condition.name}”`;
    case 'joined':
      return `are ${condition.same ? '' : 'not '}kept in step with the outside list “${condition.list}”`;
    case 'this':
      return THIS_WORDS[condition.what];
    case 'to this note':
      return 'link to this note from elsewhere';
    case 'to raise':
      return 'are to be raised';
    case 'this day is':
      return `stand on a day’s page, and that day is ${signWords(condition.sign)} ${daysWords(resolveDate(condition.date, context), context)}`;
    case 'tasks':
      return `hold a number of ${condition.field} tasks ${compareWords(condition.sign)} ${condition.value}`;
    case 'said':
      return condition.field === 'title'
        ? `are ${condition.same ? '' : 'not '}called “${condition.value}”`
        : `have ${condition.same ? 'the' : 'another'} ${condition.field} ${condition.same ? '' : 'than '}${condition.value}`;
    case 'met':
      return `stand in a meeting with ${whoText(condition.person)}`;
    case 'own key':
      return `have ${condition.same ? '' : 'another '}${condition.key} ${condition.same ? '' : 'than '}“${condition.value}”`;
    case 'title has':
      return `have “${condition.words}” in their title`;
  }
}

/** What conditions say of notes, where that is not what they say of tasks. */
function noteWords(condition: Condition): string | null {
  switch (condition.is) {
    case 'kind':
      return `are ${condition.same ? '' : 'not '}of kind ${condition.kind}`;
    case 'link':
      return `are about ${condition.target}`;
    case 'place':
      return condition.field === 'path' ? `lie in the folder “${condition.value}”` : null;
    case 'this':
      return condition.what === 'note' ? 'are this note' : null;
    case 'to this note':
      return 'are about this note';
    default:
      return null;
  }
}

function notWords(part: Condition, context: Asked): string {
  const words = conditionWords(part, context);
  if (words.startsWith('are ')) return `are not ${words.slice(4)}`;
  return part.is === 'and' || part.is === 'or' ? `do not fit (${words})` : `do not ${words}`;
}

const FLAG_WORDS: Record<Extract<Condition, { is: 'flag' }>['flag'], string> = {
  late: 'are late',
  resting: 'are resting',
  blocked: 'are blocked by an open need',
  repeats: 'are repeating',
  unsorted: 'are not sorted yet',
  step: 'are steps',
  question: 'are open questions',
  now: 'are on the table',
};

const THIS_WORDS = {
  note: 'stand in this note',
  day: 'belong to this day',
  person: 'are with this person',
  tag: 'bear this tag',
  series: 'belong to this series of meetings',
};

function fieldWords(field: Extract<Condition, { is: 'date' }>['field']): string {
  switch (field) {
    case 'due':
      return 'are due';
    case 'plan':
      return 'are planned';
    case 'start':
      return 'start';
    case 'lapses':
      return 'lapse';
    case 'journal':
      return 'stand on a journal page';
    case 'date':
      return 'are dated';
    case 'since':
      return 'have waited or been under way since a day';
    default:
      return `were ${field}`;
  }
}

function signWords(sign: Sign): string {
  switch (sign) {
    case '=':
      return 'on';
    case '!=':
      return 'not on';
    case '<':
      return 'before';
    case '<=':
      return 'up to';
    case '>':
      return 'after';
    case '>=':
      return 'from';
  }
}

function compareWords(sign: Sign): string {
  switch (sign) {
    case '=':
      return 'of';
    case '!=':
      return 'other than';
    case '<':
      return 'below';
    case '<=':
      return 'of at most';
    case '>':
      return 'above';
    case '>=':
      return 'of at least';
  }
}

function daysWords(range: DayRange | null, context: GatherContext, between = ' to '): string {
  if (!range) return 'a day that this note does not have';
  const name = (day: number): string => dayName(day, context.today);
  return range.from === range.to ? name(range.from) : `${name(range.from)}${between}${name(range.to)}`;
}

function presenceWords(field: string): string {
  const dated = ['due', 'plan', 'start', 'lapses', 'made', 'done', 'cancelled', 'since', 'journal'];
  if (field === 'lapses') return 'last day on which they apply';
  if (field === 'joined' || field === 'sent')
    return field === 'joined' ? 'an outside list they are kept in step with' : 'an outside list they were put onto';
  if (dated.includes(field)) return field === 'journal' ? 'journal day' : `${field} date`;
  if (field === 'takes') return 'estimate';
  if (field === 'next step') return 'next step that can be begun';
  return field === 'any date' ? 'date of any kind' : field;
}

function measureWords({ field, sign, value }: Extract<Condition, { is: 'measure' }>): string {
  switch (field) {
    case 'takes':
      return `take a time ${compareWords(sign)} ${durationName(value)}`;
    case 'pushed':
      return `were moved on a number of times ${compareWords(sign)} ${value}`;
    case 'untouched':
      return `were left as they are for a number of days ${compareWords(sign)} ${value}`;
    case 'age':
      return `are of an age ${compareWords(sign)} ${value} ${value === 1 ? 'day' : 'days'}`;
    case 'progress':
      return `have a progress ${compareWords(sign)} ${value}%`;
  }
}

function placeWords({ field, value, same }: Extract<Condition, { is: 'place' }>): string {
  switch (field) {
    case 'note':
      return `stand in ${same ? 'the note' : 'another note than'} “${value}”`;
    case 'path':
      return `stand in the folder “${value}”`;
    case 'heading':
      return `${same ? 'stand' : 'do not stand'} under a heading “${value}”`;
  }
}
