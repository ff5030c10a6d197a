import { type Day, isoDay, isoWeekName, isoWeekOf } from '../../calendar/day';
import { NoteHead, taskRowOf } from '../rows/row';
import { readSpokenTask } from '../../slip/spoken-task';
import type { ActionContext } from '../../task/acts/action-context';
import { readNote } from '../../task/reading/read-note';
import { withTypedClauses } from '../../task/line/typed-tail';
import { planGather } from '../answer/answer';
import { anyPart } from '../language/any-part';
import type { Gather, GatherContext } from '../language/ast';
import { type Demands, demandsOf, lineFor } from './demands';

/** What a list gives to a task that is written into it. */
export interface Proposal extends Demands {
  /** Nobody writes tasks that are late already: it is planned for today instead. */
  late: boolean;
}

/**
 * What a task gets that is written into a gather. Where the condition leaves a choice of days, the nearest that holds is proposed, the
 * plan before the due day; other choices are not guessed.
 *
 * @param path the note in which it is written, as far as it is known
 * @example proposalFor(parseGather('open and plan >= today').gather, context, acting).clauses // ['plan 2026-11-23']
 */
export function proposalFor(gather: Gather, context: GatherContext, acting: ActionContext, path = ''): Proposal {
  const demands = demandsOf(gather, context);
  const stands = standingTest(gather, context, acting, path);
  if (stands(lineFor(PLACEHOLDER, demands))) return { ...demands, choices: [], late: false };
  for (const clause of dayClauses(context.today)) {
    const [name] = clause.split(' ');
    const tried = { ...demands, clauses: [...demands.clauses.filter((one) => one.split(' ')[0] !== name), clause] };
    if (stands(lineFor(PLACEHOLDER, tried))) return { ...tried, choices: [], late: false };
  }
  const yesterday = { ...demands, clauses: [...demands.clauses, `due ${isoDay(context.today - 1)}`] };
  if (!stands(lineFor(PLACEHOLDER, yesterday))) return { ...demands, late: false };
  return { ...demands, clauses: [...demands.clauses, `plan ${isoDay(context.today)}`], choices: [], late: true };
}

const PLACEHOLDER = 'x';
/** So far ahead, in days, a day is proposed. */
const FURTHEST = 400;

/** The days that may be proposed, the nearest first: plans (then this week, this month), then due days, then since when it may be done. */
function* dayClauses(today: Day): Generator<string> {
  for (let ahead = 0; ahead <= FURTHEST; ahead++) yield `plan ${isoDay(today + ahead)}`;
  yield `plan ${isoWeekName(isoWeekOf(today))}`;
  yield `plan ${isoDay(today).slice(0, 7)}`;
  for (let ahead = 0; ahead <= FURTHEST; ahead++) yield `due ${isoDay(today + ahead)}`;
  yield `start ${isoDay(today)}`;
  yield `start ${isoDay(today + 1)}`;
}

/** Whether a task line would stand in a gather, written in a note. */
export function standingTest(gather: Gather, context: GatherContext, acting: ActionContext, path: string): (line: string) => boolean {
  const plan = planGather(gather, context, 'words');
  // What it must say is said by whoever writes it.
  const said: string[] = [];
  anyPart(gather.where, (part) => {
    if (part.is === 'words') said.push(part.words);
    return false;
  });
  return (line) => {
    const words = said.length === 0 ? line : line.replace('] ', `] ${said.join(' ')} `);
    const note = readNote(path, words, acting.settings);
    const [task] = note.tasks;
    if (!task) return false;
    const head = new NoteHead(note, NO_ROWS);
    const row = taskRowOf(task, 0, head, null, acting.settings.repeatLead === undefined ? 0 : acting.settings.repeatLead, null);
    return plan.matches(row) && !plan.hides(row);
  };
}

const NO_ROWS = {
  rowAt: () => {
    throw new Error('a task that is only tried has no place in an index');
  },
};

/** A task as it would be written into a gather. */
export interface WrittenTask {
  line: string;
  /** Clauses that were read from its words. */
  read: string[];
  /** Whether it would stand in the list. */
  stands: boolean;
}

/** What typed words become when they are written into a gather: dates in words are read, and what they say goes before what is proposed. */
export function writtenTask(
  typed: string,
  gather: Gather,
  context: GatherContext,
  acting: ActionContext,
  proposal: Proposal,
  path = '',
): WrittenTask {
  const [, words = typed, tail = ''] = /^(.*?)\s*\{([^{}]*)\}\s*$/s.exec(typed) ?? [];
  const spoken = readSpokenTask(words.replace(/\s+/g, ' ').trim(), acting);
  const read = spoken.parts.flatMap(({ clauses }) => clauses.map((clause) => clause.words));
  const said = [tail.trim(), ...read].filter((clause) => clause !== '');
  const line = lineFor(`${spoken.words}${said.length === 0 ? '' : ` {${said.join('; ')}}`}`, proposal);
  const stored = withTypedClauses(line, line.indexOf('['), acting);
  const stands = standingTest(gather, context, acting, path)(stored);
  return { line: stored, read, stands: stands || proposal.late };
}
