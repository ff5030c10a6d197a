import { act } from '../../core/task/acts/act';
import type { ActionContext } from '../../core/task/acts/action-context';
import { type LineRef, applyChanges } from '../../core/task/writing/edit';
import type { WideIntention } from '../../core/task/acts/intention';
import { type Clause, clauseOf, readTail } from '../../core/task/line/tail';
import { readTaskLine } from '../../core/task/line/task';
import type { ClauseName, Priority } from '../../core/task/line/clause';
import { type AddedStatuses, type Status, isAddedSign } from '../../core/task/line/status';

/** The clauses that a form of details shows, each in a field of its own. */
export const DETAIL_CLAUSES = ['due', 'plan', 'start', 'every', 'until', 'lapses', 'takes', 'owner', 'asked', 'remind'] as const;
export type DetailClause = (typeof DETAIL_CLAUSES)[number];

/** A task that must be closed first: one that the line names already, or one that was just picked. */
export interface Need {
  /** Null for one that was picked, which may have none yet. */
  ref: string | null;
  text: string;
  /** Where it stands; null for a ref that nothing bears. */
  at: LineRef | null;
}

export const needKey = ({ ref, at }: Need): string => ref ?? `${at?.path}:${at?.line}`;

/** Everything about a task that can be changed, as a form holds it. */
export interface TaskDetails {
  text: string;
  status: Status;
  /** The sign of a status that a note adds; null for one of the five. */
  sign: string | null;
  priority: Priority | 'normal';
  clauses: Record<DetailClause, string>;
  /** The refs of what must be closed first, as written; empty for none. */
  needs: string;
}

/** What the line of a task says; null when it is no task. */
export function detailsOf(raw: string, statuses?: AddedStatuses): TaskDetails | null {
  const from = raw.indexOf('[');
  const task = from === -1 ? null : readTaskLine(raw, from);
  if (!task) return null;
  const tail = readTail(raw, from);
  const clauses = Object.fromEntries(
    DETAIL_CLAUSES.map((name) => [name, valueOf(clauseOf(tail, name as ClauseName))]),
  ) as TaskDetails['clauses'];
  const sign = isAddedSign(task.sign) ? task.sign : null;
  return {
    text: task.text,
    status: (sign === null ? undefined : statuses?.get(sign)?.means) ?? task.status,
    sign,
    priority: task.priority ?? 'normal',
    clauses,
    needs: valueOf(clauseOf(tail, 'needs')),
  };
}

const valueOf = (clause: Clause | undefined): string => clause?.value ?? '';

/** What must be done so that a task comes to say what the form says; dates first, so that a repeat finds its day. */
export function intentionsFor(before: TaskDetails, after: TaskDetails): WideIntention[] {
  const intentions: WideIntention[] = [];
  if (after.text.trim() !== before.text) intentions.push({ do: 'reword', text: after.text });
  if (after.priority !== before.priority)
    intentions.push({ do: 'priority', priority: after.priority === 'normal' ? null : after.priority });
  for (const name of DETAIL_CLAUSES) {
    const next = after.clauses[name].trim();
    if (next === before.clauses[name].trim()) continue;
    if (next === '') intentions.push({ do: 'unset', clause: name });
    else intentions.push({ do: 'set', clause: clauseWords(name, next) });
  }
  // Last: finishing a repeat moves its dates.
  if (after.status !== before.status || after.sign !== before.sign)
    intentions.push({ do: 'status', status: after.status, ...(after.sign !== null && { sign: after.sign }) });
  return intentions;
}

/** A clause as it is set; people may be typed without their sign. */
function clauseWords(name: DetailClause, typed: string): string {
  const person = (name === 'owner' || name === 'asked') && !/^@|^nobody$|^me$/.test(typed);
  return `${name} ${person ? `@${typed}` : typed}`;
}

/** What a clause that was typed would be stored as, or why it cannot be. */
export function understoodAs(raw: string, name: DetailClause, typed: string, context: ActionContext): { words: string; fine: boolean } {
  // By itself, so that an indented line is no code.
  const line = raw.trimStart();
  const outcome = act(line, { line: 0, expected: line }, { do: 'set', clause: clauseWords(name, typed.trim()) }, context);
  if ('refused' in outcome) return { words: outcome.refused.replace(/,? so nothing was changed\.$/, '.'), fine: false };
  return { words: detailsOf(applyChanges(line, outcome.changes))?.clauses[name] ?? '', fine: true };
}

/** What must be done so that a task needs these others, and no longer those that were taken out. */
export function needsIntentions(before: readonly Need[], after: readonly Need[]): WideIntention[] {
  const kept = before.flatMap(({ ref }) => (ref !== null && after.some((one) => one.ref === ref) ? [ref] : []));
  const intentions: WideIntention[] = [];
  if (kept.length < before.length)
    intentions.push(kept.length === 0 ? { do: 'unset', clause: 'needs' } : { do: 'set', clause: `needs ${kept.join(', ')}` });
  for (const { ref, at } of after) if (ref === null && at) intentions.push({ do: 'need', other: at });
  return intentions;
}
