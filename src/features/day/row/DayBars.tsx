import type { DayFigures } from '../../../core/day/plan/day-figures';

/** More edges than this are one thick one; the number stands in the name of the day. */
const MOST_EDGES = 5;

/** What is due on a day: a small upright edge for each task, as the edge of its mark. */
export function DueEdges({ count }: { count: number }) {
  if (count === 0) return null;
  return (
    <span className="flex h-[9px] flex-none items-end gap-[3px]" aria-hidden="true" data-due={count}>
      {count > MOST_EDGES ? (
        <span className="h-[9px] w-[7px] bg-current" />
      ) : (
        Array.from({ length: count }, (_, index) => <span key={index} className="h-[9px] w-[2.5px] bg-current" />)
      )}
    </span>
  );
}

/** The share of a past day's plan that was kept; no plan or excused, no bar. */
export function KeptBar({ counts }: { counts: DayFigures }) {
  if (counts.planned === 0 || counts.excused !== null) return <span className="h-[5px]" />;
  return (
    <span className="block h-[5px] border border-kept" aria-hidden="true">
      <span className="block h-full bg-kept" style={{ width: `${(100 * Math.min(counts.kept, counts.planned)) / counts.planned}%` }} />
    </span>
  );
}

/** Planned time against the hours of the day, hatched when it is more. */
export function PlannedBar({ minutes, available }: { minutes: number; available: number }) {
  if (available === 0 && minutes === 0) return <span className="h-[5px]" />;
  const over = minutes > available;
  return (
    <span className="block h-[5px] bg-line" aria-hidden="true">
      <span
        className={`block h-full ${over ? '' : 'bg-primary'}`}
        style={
          over
            ? { width: '100%', background: 'repeating-linear-gradient(135deg, var(--ink) 0 2px, var(--sheet) 2px 4px)' }
            : { width: `${available === 0 ? 0 : (100 * minutes) / available}%` }
        }
      />
    </span>
  );
}
