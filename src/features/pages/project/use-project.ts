import { useMemo } from 'react';
import type { RowView } from '../../../core/index/live/view';
import { useAnswer } from '../../session/asked/use-answer';

/** How a project stands. */
export interface ProjectFigures {
  done: number;
  all: number;
  open: number;
  state: string | null;
  /** Day number of its deadline; null for none. */
  due: number | null;
}

/** How a project or goal stands, as its own tasks come to; null until it is known, and for notes of other kinds. */
export function useProject(path: string | null): ProjectFigures | null {
  const answer = useAnswer(path === null ? null : 'from notes\nwhere this note and (kind = project or kind = goal)', path);
  const row = answer?.groups[0]?.rows[0];
  return useMemo(() => {
    if (!row?.facts) return null;
    const { open, done, all, state } = row.facts;
    return { open, done, all, state, due: row.due?.from ?? null };
  }, [row]);
}

const NO_ROWS: readonly RowView[] = [];

/** The open tasks elsewhere that link to a note; and how many of its own were done this week. */
export function useAround(path: string): { linking: readonly RowView[]; thisWeek: number | null } {
  const linking = useAnswer('where open and to this note\nsteps apart\nincluding resting', path);
  const done = useAnswer('where this note and done in this week\nsteps apart\nlimit 1', path);
  const rows = useMemo(() => linking?.groups.flatMap((group) => group.rows) ?? NO_ROWS, [linking]);
  return { linking: rows, thisWeek: done?.total ?? null };
}
