import type { Day } from '../calendar/day';
import { bearsName } from '../note/names/bears-name';
import { type ActionContext, stampOf } from '../task/acts/action-context';
import { storedValue } from '../task/line/clause-value';
import { statusNamed } from '../task/line/added-status';
import { type Status, signOf } from '../task/line/status';
import { type Task, readTaskLine } from '../task/line/task';
import { withTypedClauses } from '../task/line/typed-tail';
import { withClause, withoutClause } from '../task/writing/write-tail';
import { type SpokenPart, readSpokenTask } from './spoken-task';

/** The attributes of a task that a slip has a field for, in the order in which Tab visits them. */
export const SLIP_FIELDS = ['due', 'plan', 'start', 'priority', 'status', 'takes', 'owner', 'tags', 'people', 'every'] as const;
export type SlipField = (typeof SLIP_FIELDS)[number];

/** What a person fills in for one task. */
export interface SlipEntry {
  /** The words as they were typed; of several lines only this one. */
  typed: string;
  /** Parts (by where they begin) that are left as words. */
  left?: ReadonlySet<number>;
  /** What was typed into fields of their own; it goes before what the words say. Empty is nothing said. */
  fields?: Partial<Record<SlipField, string>>;
  /** The title of the note to which it links, where its words do not anyway; null for none. */
  link?: string | null;
}

/** A slip as it will be stored. */
export interface SlipLine {
  /** The whole Markdown line. */
  line: string;
  task: Task;
  /** What was read, where the parts stand, and what they are. */
  spoken: string;
  parts: readonly SpokenPart[];
  /** Fields that cannot be read, with what is wrong. */
  wrong: Partial<Record<SlipField, string>>;
}

const STATUS_WORDS: Record<string, Status> = {
  todo: 'todo',
  'to do': 'todo',
  underway: 'underway',
  'under way': 'underway',
  waiting: 'waiting',
  done: 'done',
  cancelled: 'cancelled',
};

/**
 * The line of a task that is written down: what its words say and its fields say, stamped with when it was made.
 *
 * @example slipLine({ typed: 'Ring @lars tomorrow 15:00 high' }, context).line // '- [ ] Ring @lars {plan 2026-11-24 15:00; high; made 2026-11-23 09:14}'
 */
export function slipLine({ typed, left, fields = {}, link = null }: SlipEntry, context: ActionContext): SlipLine {
  const { words: said, tail, sign } = ownBox(typed);
  const spoken = readSpokenTask(said, context, left);
  const wrong: SlipLine['wrong'] = {};
  const box = signFrom(fields.status, context, wrong) ?? sign ?? signOf(spoken.status);
  const links = link === null ? [] : [`[[${link}]]`];
  const names = [...namesFrom(fields.tags, '#'), ...namesFrom(fields.people, '@'), ...links].filter(
    (name) => !bearsName(spoken.words, name),
  );
  const words = [spoken.words, ...names].filter((part) => part !== '').join(' ');
  let line = `- [${box}] ${words}${tail === '' ? '' : ` {${tail}}`}`;
  for (const { clauses } of spoken.parts) for (const { name, words: clause } of clauses) line = withClause(line, BOX, name, clause);
  line = withTypedClauses(line, BOX, context);
  for (const name of ['due', 'plan', 'start', 'priority', 'takes', 'owner', 'every'] as const) {
    const value = fields[name]?.trim() ?? '';
    if (value === '') continue;
    const clause = clauseFrom(name, value, context);
    if (clause === null) wrong[name] = `“${value}” cannot be read`;
    else line = clause === '' ? withoutClause(line, BOX, name) : withClause(line, BOX, name, clause);
  }
  line = withClause(line, BOX, 'made', `made ${stampOf(context.now)}`);
  line = withStamp(line, context);
  const task = readTaskLine(line, BOX, context.settings);
  if (!task) throw new Error('a line with a box is a task');
  return { line, task, spoken: said, parts: spoken.parts, wrong };
}

/** Where the box of a line begins that is written here. */
const BOX = 2;

/** What was typed as a whole Markdown line keeps its box and its tail; other words are the words alone. */
function ownBox(typed: string): { words: string; tail: string; sign: string | null } {
  const [, sign = null, rest = typed] = /^\s*(?:(?:[-*+•]|\d+[.)])\s+)?\[(.)\]\s+(.*)$/su.exec(typed) ?? [];
  const bare = sign === null ? typed.replace(/^\s*(?:[-*+•]|\d+[.)])\s+(?=\S)/, '') : rest;
  const [, words = bare, tail = ''] = /^(.*?)\s*\{([^{}]*)\}\s*$/s.exec(bare.replace(/\s+/g, ' ').trim()) ?? [];
  return { words: tail === '' ? bare.replace(/\s+/g, ' ').trim() : words, tail: tail.trim(), sign };
}

/** The sign of a status that was typed by its name: one of the five, or one that a note adds. */
function signFrom(typed: string | undefined, { settings }: ActionContext, wrong: SlipLine['wrong']): string | null {
  const words = typed?.trim().toLowerCase() ?? '';
  if (words === '') return null;
  const status = STATUS_WORDS[words];
  const sign = status ? signOf(status) : statusNamed(words, settings.statuses)?.sign;
  if (sign === undefined) wrong.status = `“${typed?.trim() ?? ''}” is no status`;
  return sign ?? null;
}

/** Empty for a value that says that there is none. */
function clauseFrom(name: Exclude<SlipField, 'status' | 'tags' | 'people'>, typed: string, context: ActionContext): string | null {
  const words = typed.toLowerCase();
  if (words === 'none' || (name === 'priority' && words === 'normal')) return '';
  if (name === 'priority') return ['top', 'high', 'low'].includes(words) ? words : null;
  const value = storedValue(name, name === 'owner' ? typed : words, context);
  return value === null ? null : `${name} ${value}`;
}

const namesFrom = (typed: string | undefined, sign: '#' | '@'): string[] =>
  (typed ?? '')
    .split(/[\s,]+/)
    .map((name) => name.replace(/^[#@]/, ''))
    .filter((name) => /\p{L}/u.test(name))
    .map((name) => sign + name);

const STAMPS: Partial<Record<Status, 'done' | 'cancelled' | 'since'>> = {
  done: 'done',
  cancelled: 'cancelled',
  waiting: 'since',
  underway: 'since',
};

/** What is written down as done, cancelled, waiting or under way bears since when. */
function withStamp(line: string, { now, settings }: ActionContext): string {
  const task = readTaskLine(line, BOX, settings);
  const stamp = task ? STAMPS[task.status] : undefined;
  if (!task || !stamp || task[stamp] !== null) return line;
  return withClause(line, BOX, stamp, `${stamp} ${stampOf(now)}`);
}

/** The days of a slip that are past, which is asked about and not refused: `due Sun 22`. */
export function pastDays({ due, plan }: Task, today: number): ('due' | 'plan')[] {
  const past: ('due' | 'plan')[] = [];
  if (due && due.to < today) past.push('due');
  if (plan && plan.to < today) past.push('plan');
  return past;
}

/** The day on which a task is first asked for: that of its plan, else its due day; null without either. */
export function dayAsked({ due, plan }: Pick<Task, 'due' | 'plan'>): Day | null {
  return (plan ?? due)?.from ?? null;
}
