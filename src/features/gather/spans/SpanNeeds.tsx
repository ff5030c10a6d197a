import type { DayRange } from '../../../core/calendar/span';
import type { SpanNeed } from '../../../core/gather/forms/spans';
import { acrossOf } from './SpanAxis';

interface SpanNeedsProps {
  needs: readonly SpanNeed[];
  axis: DayRange;
  /** How many lines the axis bears. */
  lines: number;
}

/** What must be closed first, as lines from the end of one bar to the beginning of the other; dashed where the two overlap. */
export function SpanNeeds({ needs, axis, lines }: SpanNeedsProps) {
  if (needs.length === 0 || lines === 0) return null;
  const down = (line: number): string => `${((line + 0.5) * 100) / lines}%`;
  return (
    <svg className="pointer-events-none absolute inset-0 h-full w-full overflow-hidden" aria-hidden="true">
      {needs.map((need) => {
        const [left, right] = [`${acrossOf(axis, need.leaves)}%`, `${acrossOf(axis, need.reaches)}%`];
        const look = { stroke: 'var(--ink)', strokeWidth: 1.4, ...(need.leaves > need.reaches && { strokeDasharray: '3 3' }) };
        return (
          <g key={`${need.from} ${need.to}`}>
            <line x1={left} x2={left} y1={down(need.from)} y2={down(need.to)} {...look} />
            <line x1={left} x2={right} y1={down(need.to)} y2={down(need.to)} {...look} />
            <circle cx={right} cy={down(need.to)} r={3} fill="var(--ink)" />
          </g>
        );
      })}
    </svg>
  );
}
