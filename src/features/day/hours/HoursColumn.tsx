import { type PointerEvent, type RefObject, useRef, useState } from 'react';
import { isoDay } from '../../../core/calendar/day';
import { dayTitle } from '../../../core/calendar/day-name';
import { durationName } from '../../../core/calendar/duration';
import { timeName } from '../../../core/calendar/span';
import type { Stretch } from '../../../core/day/hours/hours';
import { type HoursLayout, toQuarter } from '../../../core/day/hours/hours-layout';
import type { HoursScale } from '../../../core/day/hours/hours-scale';
import type { PlanItem } from '../../../core/index/days/day-plan';
import { useTaskDrop } from '../../gather/rows/use-task-drop';
import { useAct } from '../../session/acting/use-act';
import { useNow } from '../../session/state/services';
import { HoursBlock } from './HoursBlock';
import { NewAppointment } from './NewAppointment';

interface HoursColumnProps {
  day: number;
  working: Stretch;
  layout: HoursLayout<PlanItem>;
  scale: HoursScale;
  /** Whether it is the only one; among several, what moves sideways goes to another day. */
  isAlone: boolean;
  ids: ReadonlySet<string> | null;
  moved: RefObject<string | null>;
}

/** One day among the hours. */
export function HoursColumn({ day, working, layout, scale, isAlone, ids, moved }: HoursColumnProps) {
  const { day: today, minute } = useNow();
  const { actAll } = useAct();
  const box = useRef<HTMLDivElement>(null);
  const [drawn, setDrawn] = useState<{ from: number; to: number; isOpen: boolean } | null>(null);
  const { topOf } = scale;
  const minuteAt = (clientY: number): number => {
    const { top: edge = 0 } = box.current?.getBoundingClientRect() ?? {};
    return toQuarter(scale.minuteAt(clientY - edge));
  };
  const { handlers } = useTaskDrop(({ tasks }, event) => {
    void actAll(tasks, [{ do: 'set', clause: `plan ${isoDay(day)} ${timeName(minuteAt(event.clientY))}` }]);
  });
  const draw = (event: PointerEvent): void => {
    if (event.target !== box.current || event.button !== 0 || event.pointerType === 'touch') return;
    const from = minuteAt(event.clientY);
    box.current.setPointerCapture(event.pointerId);
    setDrawn({ from, to: from + 15, isOpen: false });
  };
  const isWorked = working.to > working.from;
  return (
    <div
      ref={box}
      role="group"
      aria-label={isAlone ? 'Hours of the day' : `Hours of ${dayTitle(day)}`}
      data-hours-day={day}
      className={`relative min-w-0 flex-1 bg-raised ${isAlone ? 'rounded-lg' : 'border-s border-line'}`}
      {...handlers}
      onPointerDown={draw}
      onPointerMove={(event) => drawn && !drawn.isOpen && setDrawn({ ...drawn, to: Math.max(drawn.from + 15, minuteAt(event.clientY)) })}
      onPointerUp={() => drawn && setDrawn(drawn.to - drawn.from < 30 && !drawn.isOpen ? null : { ...drawn, isOpen: true })}
      onPointerCancel={() => drawn && !drawn.isOpen && setDrawn(null)}
    >
      {isWorked && (
        <span
          aria-hidden="true"
          className="pointer-events-none absolute inset-x-0 bg-sheet"
          style={{ top: topOf(working.from), height: topOf(working.to) - topOf(working.from) }}
        />
      )}
      {isAlone &&
        layout.free
          .filter(
            ({ from, to }) =>
              to - from >= 30 && topOf(to) - topOf(from) > 22 && !scale.folds.some((fold) => fold.from >= from && fold.to <= to),
          )
          .map(({ from, to }) => (
            <span
              key={from}
              className="pointer-events-none absolute inset-x-2 text-center text-[0.76rem] text-muted"
              style={{ top: topOf((from + to) / 2) - 8 }}
            >
              {durationName(to - from)} free
            </span>
          ))}
      {layout.placed.map((placed) => (
        <HoursBlock
          key={placed.item.row?.key ?? `${placed.item.path}:${placed.item.line}`}
          day={day}
          placed={placed}
          scale={scale}
          isAlone={isAlone}
          isAside={placed.item.row !== null && ids !== null && !ids.has(placed.item.row.id)}
          moved={moved}
        />
      ))}
      {day === today && minute >= layout.from && minute <= layout.to && (
        <span
          className="pointer-events-none absolute end-0 z-[3] border-t-2 border-sun"
          style={{ top: topOf(minute), insetInlineStart: isAlone ? '-3rem' : 0 }}
        >
          {isAlone && (
            <span className="absolute -top-[9px] start-0 rounded bg-sun px-1 text-[0.72rem] font-semibold text-[#14242b] tabular-nums">
              {timeName(minute)}
            </span>
          )}
        </span>
      )}
      {drawn && (
        <span
          className="absolute inset-x-1 z-[4] rounded-md border border-dashed border-primary bg-primary-soft"
          style={{ top: topOf(drawn.from), height: topOf(drawn.to) - topOf(drawn.from) }}
        >
          {drawn.isOpen && <NewAppointment day={day} from={drawn.from} to={drawn.to} onClose={() => setDrawn(null)} />}
        </span>
      )}
    </div>
  );
}
