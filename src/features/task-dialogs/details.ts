import type { WideIntention } from '../../core/task/intention';
import { type Clause, clauseOf, readTail } from '../../core/task/tail';
import { readTaskLine } from '../../core/task/task';
import type { ClauseName, Priority } from '../../core/task/clause';
import type { Status } from '../../core/task/status';

/** The clauses that a form of details shows, each in a field of its own. */
export const DETAIL_CLAUSES = ['due', 'plan', 'start', 'every', 'until', 'takes', 'owner', 'asked', 'remind', 'needs'] as const;
export type DetailClause = (typeof DETAIL_CLAUSES)[number];

/** Everything about a task that can be changed, as a form holds it. */
export interface TaskDetails {
  text: string;
  status: Status;
  priority: Priority | 'normal';
  clauses: Record<DetailClause, string>;
}

/** What the line of a task says; null when it is no task. */
export function detailsOf(raw: string): TaskDetails | null {
  const from = raw.indexOf('[');
  const task = from === -1 ? null : readTaskLine(raw, from);
  if (!task) return null;
  const tail = readTail(raw, from);
  const clauses = Object.fromEntries(
    DETAIL_CLAUSES.map((name) => [name, valueOf(clauseOf(tail, name as ClauseName))]),
  ) as TaskDetails['clauses'];
  return { text: task.text, status: task.status, priority: task.priority ?? 'normal', clauses };
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
    else
      intentions.push({
        do: 'set',
        clause: `${name} ${(name === 'owner' || name === 'asked') && !/^[@]|^nobody$|^me$/.test(next) ? `@${next}` : next}`,
      });
  }
  // Last: finishing a repeat moves its dates.
  if (after.status !== before.status) intentions.push({ do: 'status', status: after.status });
  return intentions;
}
