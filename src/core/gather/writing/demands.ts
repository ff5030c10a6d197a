import { notNowTag } from '../answer/state';
import { personMeant } from '../answer/meant-here';
import { isoDay } from '../../calendar/day';
import { bearsName } from '../../note/names/bears-name';
import { outsidePath } from '../../note/names/outside-path';
import { journalPath } from '../../note/names/path';
import type { DayRange } from '../../calendar/span';
import { statusNamed } from '../../task/line/added-status';
import { signOf, type Status } from '../../task/line/status';
import type { Condition, DateField, Gather, GatherContext, ThisWhat } from '../language/ast';
import { resolveDate, resolveRange } from '../answer/dates';
import { minutesText } from '../../calendar/duration';
import { conditionText, rangeText } from '../saying/print';

/** What a task that is written into a gather gets, so that it stands in its answer. */
export interface Demands {
  /** Clauses of its tail, such as `due 2026-11-27`. */
  clauses: string[];
  /** Tags, people and links behind its words, with their signs. */
  names: string[];
  status: Status;
  /** The sign of a status that a note adds, where one is demanded. */
  sign?: string;
  /** Where it must stand: a link's target; null for anywhere. */
  place: string | null;
  /** Conditions that leave a choice, in the words of the language; nothing is guessed for them. */
  choices: string[];
}

/**
 * What a gather demands of a task that is written into it.
 *
 * @example demandsOf(parseGather('open and #loans and due = today').gather, context).clauses // ['due 2026-11-23']
 */
export function demandsOf(gather: Gather, context: GatherContext): Demands {
  const demands: Demands = {
    clauses: [],
    names: [],
    status: 'todo',
    place: gather.list === null ? gather.into : outsidePath(gather.list),
    choices: [],
  };
  if (gather.where) demand(gather.where, context, demands);
  return demands;
}

function demand(condition: Condition, context: GatherContext, into: Demands): void {
  const choose = (): void => void into.choices.push(conditionText(condition));
  switch (condition.is) {
    case 'and':
      for (const part of condition.parts) demand(part, context, into);
      return;
    case 'not':
      // A new task bears nothing that would have to be kept off; off the table is what bears its tag.
      if (condition.part.is === 'flag' && condition.part.flag === 'now') into.names.push(`#${notNowTag(context)}`);
      return;
    case 'status':
      if (condition.status === 'closed') choose();
      else if (condition.status !== 'open') into.status = condition.status;
      return;
    case 'added status': {
      const added = condition.same ? statusNamed(condition.name, context.statuses) : undefined;
      if (added) Object.assign(into, { status: added.means, sign: added.sign });
      return;
    }
    case 'tag':
      into.names.push(`#${condition.name}`);
      return;
    case 'to raise':
      into.names.push(`#${context.raiseTag ?? 'raise'}`);
      return;
    case 'person':
      into.names.push(`@${condition.name === 'me' ? (context.me ?? 'me') : condition.name}`);
      return;
    case 'link':
      into.names.push(`[[${condition.target}]]`);
      return;
    case 'date':
      if (condition.sign !== '=' || !setDay(condition.field, resolveDate(condition.date, context), into)) choose();
      return;
    case 'in':
      if (!setDay(condition.field, resolveRange(condition.range, context), into)) choose();
      return;
    case 'priority':
      if (condition.sign !== '=') choose();
      else if (condition.priority !== 'normal') into.clauses.push(condition.priority);
      return;
    case 'who':
      demandWho(condition, personMeant(condition.person, context), into, choose);
      return;
    case 'measure':
      if (condition.field === 'takes' && condition.sign === '=') into.clauses.push(`takes ${minutesText(condition.value)}`);
      else if (condition.field !== 'age') choose();
      return;
    case 'place':
      if (condition.field === 'note' && condition.same) into.place ??= condition.value;
      else choose();
      return;
    case 'under':
      into.place ??= condition.heading === null ? condition.note : `${condition.note}#${condition.heading}`;
      return;
    case 'this':
      demandThis(condition.what, context, into, choose);
      return;
    case 'presence':
      if (condition.present) choose();
      return;
    case 'flag':
      if (condition.flag !== 'unsorted' && condition.flag !== 'now') choose();
      return;
    default:
      choose();
  }
}

function demandWho({ field, same }: Extract<Condition, { is: 'who' }>, person: string | null, into: Demands, choose: () => void): void {
  if (!same || person === null) return choose();
  // Without an owner a task is one's own.
  if (field === 'owner' && person === 'me') return;
  into.clauses.push(`${field} ${person === 'nobody' || person === 'me' ? person : `@${person}`}`);
}

function demandThis(what: ThisWhat, context: GatherContext, into: Demands, choose: () => void): void {
  const here = context.thisNote;
  if (what === 'person' && here?.handle != null) into.names.push(`@${here.handle}`);
  else if (what === 'tag' && here?.tag != null) into.names.push(`#${here.tag}`);
  else if (what === 'note' && here?.path != null) into.place ??= here.path;
  else if (what === 'day' && here?.journal != null) {
    // Written on the page of the day it belongs to it; elsewhere it is due then.
    if (into.place === null && here.path !== null) into.place = here.path;
    else into.clauses.push(`due ${isoDay(here.journal)}`);
  } else choose();
}

/** A range of one day, or for a plan also a week or a month, can be written, and a journal day written on; whether it was. */
function setDay(field: DateField, range: DayRange | null, into: Demands): boolean {
  if (range && field === 'journal' && range.from === range.to) {
    into.place ??= journalPath(isoDay(range.from));
    return true;
  }
  if (!range || (field !== 'due' && field !== 'plan' && field !== 'start')) return false;
  const text = rangeText(range);
  const writable = range.from === range.to || (field === 'plan' && !text.includes('..'));
  if (writable) into.clauses.push(`${field} ${text}`);
  return writable;
}

/**
 * The line of a task that is written into a gather: what a person typed, and what it demands that was not typed.
 *
 * @example lineFor('Ring the lender', { …, names: ['#loans'], clauses: ['high'] }) // '- [ ] Ring the lender #loans {high}'
 */
export function lineFor(words: string, demands: Demands): string {
  const typed = words.replace(/\s+/g, ' ').trim();
  const names = demands.names.filter((name) => !bearsName(typed, name));
  const [, before = typed, tail = ''] = /^(.*?)\s*\{([^{}]*)\}$/.exec(typed) ?? [];
  const said = tail
    .split(';')
    .map((clause) => clause.trim())
    .filter((clause) => clause !== '');
  const clauses = demands.clauses.filter((clause) => !said.some((one) => one.split(' ')[0] === clause.split(' ')[0]));
  const all = [...said, ...clauses];
  return `- [${demands.sign ?? signOf(demands.status)}] ${[before, ...names].filter((part) => part !== '').join(' ')}${all.length === 0 ? '' : ` {${all.join('; ')}}`}`;
}
