import type { NotedStatus } from '../../../core/index/live/overview';
import { useAnswer } from '../../session/asked/use-answer';

/** Where a status stands: how many tasks bear it, and in which notes. */
export interface StatusUse {
  count: number;
  notes: { path: string; title: string; count: number }[];
}

/** Where the tasks stand that bear a status, archived and resting ones too; null until it is known. */
export function useStatusUse(status: NotedStatus | null): StatusUse | null {
  const name = status?.name.replace(/[\\"]/g, '\\$&');
  const answer = useAnswer(
    name === undefined
      ? null
      : `where status = "${name}" and (kind = archive or kind != archive)\ngroup by note\nsteps apart\nincluding resting`,
    null,
  );
  if (!answer) return null;
  return {
    count: answer.total,
    notes: answer.groups.map(({ key, label, count }) => ({ path: key ?? '', title: label, count })),
  };
}
