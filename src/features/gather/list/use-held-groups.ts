import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { NO_GROUP } from '../../../core/index/live/no-group';
import type { AnswerView, GroupView, RowView } from '../../../core/index/live/view';
import { groupName } from './list-items';

interface Held {
  row: RowView;
  /** The group it stood in, and how many rows stood before it. */
  group: string;
  index: number;
}

/**
 * The groups of an answer in which nothing moves under the pointer: a row that was just acted on and no longer
 * belongs keeps its place for some seconds, as `hold` last described it.
 */
export function useHeldGroups(
  answer: AnswerView | undefined,
  seconds: number,
): {
  groups: readonly GroupView[];
  hold: (before: RowView, after: RowView) => void;
} {
  const [held, setHeld] = useState<Held[]>([]);
  const timers = useRef(new Set<ReturnType<typeof setTimeout>>());
  useEffect(() => {
    const running = timers.current;
    return () => running.forEach(clearTimeout);
  }, []);
  const groups = useMemo(() => withHeld(answer?.groups ?? [], held), [answer, held]);
  const shown = useRef(groups);
  useEffect(() => {
    shown.current = groups;
  });
  const hold = useCallback(
    (before: RowView, after: RowView): void => {
      if (seconds === 0) return;
      for (const group of shown.current) {
        const index = group.rows.findIndex((row) => row.key === before.key);
        if (index === -1) continue;
        const entry: Held = { row: after, group: groupName(group), index };
        setHeld((present) => [...present.filter((one) => one.row.key !== after.key || one.group !== entry.group), entry]);
        const timer = setTimeout(() => setHeld((present) => present.filter((one) => one !== entry)), 1000 * seconds);
        timers.current.add(timer);
      }
    },
    [seconds],
  );
  return { groups, hold };
}

function withHeld(groups: readonly GroupView[], held: readonly Held[]): readonly GroupView[] {
  if (held.length === 0) return groups;
  const result = groups.map((group) => ({ ...group, rows: [...group.rows] }));
  for (const { row, group: id, index } of [...held].sort((a, b) => a.index - b.index)) {
    let group = result.find((one) => groupName(one) === id);
    if (group?.rows.some((one) => one.key === row.key)) continue;
    if (!group) {
      const [, ...label] = id.split(' ');
      group = { ...NO_GROUP, id: -1, label: label.join(' '), rows: [] };
      result.unshift(group);
    }
    group.rows.splice(index, 0, row);
  }
  return result;
}
