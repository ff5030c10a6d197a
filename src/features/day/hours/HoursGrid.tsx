import { ChevronsDownUp } from 'lucide-react';
import { useMemo, useRef, useState } from 'react';
import { durationName } from '../../../core/calendar/duration';
import { timeName } from '../../../core/calendar/span';
import { type Stretch, workingStretch } from '../../../core/day/hours/hours';
import { layHours } from '../../../core/day/hours/hours-layout';
import { hoursScale } from '../../../core/day/hours/hours-scale';
import type { PlanItem } from '../../../core/index/days/day-plan';
import { useAppSelector } from '../../session/state/state';
import { HoursColumn } from './HoursColumn';

interface HoursGridProps {
  /** Days beside each other, each with what has a time or none. */
  days: readonly { day: number; items: readonly PlanItem[] }[];
  /** Pixels a minute takes. */
  pixelsAMinute: number;
  /** The tasks of the sides that are looked at; null for all. */
  ids: ReadonlySet<string> | null;
}

/** The hours of one day, or of several beside each other: what has a time, the present minute, and what is free between. */
export function HoursGrid({ days, pixelsAMinute, ids }: HoursGridProps) {
  const settings = useAppSelector((state) => state.settings);
  const [opened, setOpened] = useState<ReadonlySet<number>>(new Set());
  /** What was moved to another day by key: it is looked at there. */
  const moved = useRef<string | null>(null);
  const layouts = useMemo(
    () =>
      days.map(({ day, items }) => {
        const working = workingStretch(day, settings);
        return { day, working, layout: layHours(items, working) };
      }),
    [days, settings],
  );
  const scale = useMemo(() => {
    const shown = {
      from: Math.min(...layouts.map(({ layout }) => layout.from)),
      to: Math.max(...layouts.map(({ layout }) => layout.to)),
    };
    const filled = layouts.flatMap(({ layout, working }): Stretch[] => [working, ...layout.placed]);
    return hoursScale(shown, filled, pixelsAMinute, opened);
  }, [layouts, pixelsAMinute, opened]);
  return (
    <div className="relative flex rounded-lg" style={{ height: scale.height }}>
      {scale.hours.map((hour) => (
        <span
          key={hour}
          aria-hidden="true"
          className="pointer-events-none absolute inset-x-0 z-[1] flex items-start gap-1"
          style={{ top: scale.topOf(hour) }}
        >
          <span className="w-11 ps-1.5 text-[0.74rem] text-muted tabular-nums">{timeName(hour % 1440)}</span>
          <span className="mt-px flex-1 border-t border-line" />
        </span>
      ))}
      <span className="w-12 shrink-0" />
      {layouts.map((one) => (
        <HoursColumn key={one.day} {...one} scale={scale} isAlone={layouts.length === 1} ids={ids} moved={moved} />
      ))}
      {scale.folds.map(({ from, to, top }) => {
        const open = (): void => setOpened(new Set([...opened, from]));
        const words = `${timeName(from)} to ${timeName(to % 1440)}, ${durationName(to - from)} with nothing`;
        return (
          <button
            key={from}
            type="button"
            aria-label={`Show ${words}`}
            className="absolute inset-x-0 z-[2] flex h-[27px] items-center justify-center gap-1.5 border-y border-edge bg-raised text-[0.76rem] text-muted hover:text-ink"
            style={{ top }}
            onClick={open}
            onDragEnter={open}
          >
            <ChevronsDownUp size={12} aria-hidden="true" />
            {durationName(to - from)}
          </button>
        );
      })}
    </div>
  );
}
