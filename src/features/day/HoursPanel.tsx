import { Minus, Plus } from 'lucide-react';
import { type DragEvent, type PointerEvent, useMemo, useRef, useState } from 'react';
import { Link, useLocation } from 'react-router';
import { isoDay, readIsoDay } from '../../core/calendar/day';
import { dayName } from '../../core/calendar/day-name';
import { durationName } from '../../core/calendar/duration';
import { timeName } from '../../core/calendar/span';
import { workingStretch } from '../../core/day/hours';
import { type HoursLayout, layHours, toQuarter } from '../../core/day/hours-layout';
import type { PlanItem } from '../../core/index/days/day-plan';
import { isOpen } from '../../core/task/line/status';
import { draggedTasks, endDrag, isTaskDrag, startDrag } from '../gather/rows/task-drag';
import { dialogTask } from '../session/acting/task-dialog';
import { useAct } from '../session/acting/use-act';
import { noteAddress } from '../session/places/addresses';
import { restOf } from '../session/places/routes';
import { useNow } from '../session/state/services';
import { useAppSelector } from '../session/state/state';
import { plainWords } from '../strip/plain-words';
import { HoursBlock } from './HoursBlock';
import { NewAppointment } from './NewAppointment';
import { useDayPlan } from './use-day-plan';

/** Pixels an hour may take. */
const SCALES = [28, 40, 52, 72, 104];

/** The hours of the day on the page, else of today: what has a time, the present minute, and what is free between. */
export function HoursPanel() {
  const { day: today } = useNow();
  const { pathname } = useLocation();
  const day = readIsoDay(restOf('day', pathname) ?? '') ?? today;
  const shown = useDayPlan(day);
  const settings = useAppSelector((state) => state.settings);
  const [scale, setScale] = useState(2);
  const items = useMemo(() => shown?.items.filter(({ status }) => status !== 'cancelled') ?? [], [shown]);
  const layout = useMemo(() => layHours(items, workingStretch(day, settings)), [items, day, settings]);
  if (!shown) return <p className="text-muted">Looking at the day…</p>;
  const waiting = items.filter(({ row, start }) => row && start === null && isOpen(row.status));
  const overlap = layout.placed.filter(({ lanes }) => lanes > 1).length;
  return (
    <>
      <div className="mb-2 flex items-center justify-between gap-2 text-[0.86rem] text-muted">
        <span>
          {dayName(day, today, settings.dateStyle)}
          {overlap > 0 && ` · ${overlap} things overlap`}
        </span>
        <span className="flex">
          <button
            type="button"
            className="quiet-button"
            aria-label="Squeeze the hours"
            disabled={scale === 0}
            onClick={() => setScale(scale - 1)}
          >
            <Minus size={14} aria-hidden="true" />
          </button>
          <button
            type="button"
            className="quiet-button"
            aria-label="Stretch the hours"
            disabled={scale === SCALES.length - 1}
            onClick={() => setScale(scale + 1)}
          >
            <Plus size={14} aria-hidden="true" />
          </button>
        </span>
      </div>
      <Hours key={day} day={day} layout={layout} height={(SCALES[scale] ?? 52) / 60} />
      {waiting.length > 0 && <Waiting items={waiting} />}
      <p className="mt-2 text-[0.84rem] text-muted">
        Drag to the quarter of an hour, or use ↑ and ↓; with Shift the length changes. Drag over free hours to write an appointment.
      </p>
    </>
  );
}

interface HoursProps {
  day: number;
  layout: HoursLayout<PlanItem>;
  /** Pixels a minute takes. */
  height: number;
}

function Hours({ day, layout, height }: HoursProps) {
  const { day: today, minute } = useNow();
  const { actAll } = useAct();
  const box = useRef<HTMLDivElement>(null);
  const [drawn, setDrawn] = useState<{ from: number; to: number; isOpen: boolean } | null>(null);
  const top = (at: number): number => (at - layout.from) * height;
  const minuteAt = (clientY: number): number => {
    const { top: edge = 0 } = box.current?.getBoundingClientRect() ?? {};
    return toQuarter(layout.from + (clientY - edge) / height);
  };
  const hours = Array.from({ length: Math.round((layout.to - layout.from) / 60) }, (_, index) => layout.from + index * 60);
  const drop = (event: DragEvent): void => {
    const drag = draggedTasks(event);
    if (!drag) return;
    event.preventDefault();
    void actAll(drag.tasks, [{ do: 'set', clause: `plan ${isoDay(day)} ${timeName(minuteAt(event.clientY))}` }]);
  };
  const draw = (event: PointerEvent): void => {
    if (event.target !== box.current || event.button !== 0 || event.pointerType === 'touch') return;
    const from = minuteAt(event.clientY);
    box.current.setPointerCapture(event.pointerId);
    setDrawn({ from, to: from + 15, isOpen: false });
  };
  return (
    <div
      ref={box}
      role="group"
      aria-label="Hours of the day"
      className="relative overflow-hidden rounded-lg bg-sheet"
      style={{ height: top(layout.to) }}
      onDragOver={(event) => isTaskDrag(event) && event.preventDefault()}
      onDrop={drop}
      onPointerDown={draw}
      onPointerMove={(event) => drawn && !drawn.isOpen && setDrawn({ ...drawn, to: Math.max(drawn.from + 15, minuteAt(event.clientY)) })}
      onPointerUp={() => drawn && setDrawn(drawn.to - drawn.from < 30 && !drawn.isOpen ? null : { ...drawn, isOpen: true })}
    >
      {hours.map((hour) => (
        <span
          key={hour}
          aria-hidden="true"
          className="pointer-events-none absolute inset-x-0 flex items-start gap-1"
          style={{ top: top(hour) }}
        >
          <span className="w-11 ps-1.5 text-[0.74rem] text-muted tabular-nums">{timeName(hour % 1440)}</span>
          <span className="mt-px flex-1 border-t border-line" />
        </span>
      ))}
      {layout.free
        .filter(({ from, to }) => to - from >= 30 && (to - from) * height > 22)
        .map(({ from, to }) => (
          <span
            key={from}
            className="pointer-events-none absolute start-12 end-2 text-center text-[0.76rem] text-muted"
            style={{ top: top((from + to) / 2) - 8 }}
          >
            {durationName(to - from)} free
          </span>
        ))}
      {layout.placed.map((placed) => (
        <HoursBlock key={`${placed.item.path}:${placed.item.line}`} day={day} placed={placed} top={top(placed.from)} height={height} />
      ))}
      {day === today && minute >= layout.from && minute <= layout.to && (
        <span className="pointer-events-none absolute inset-x-0 border-t-2 border-sun" style={{ top: top(minute) }}>
          <span className="absolute -top-[9px] start-0 rounded bg-sun px-1 text-[0.72rem] font-semibold text-[#14242b] tabular-nums">
            {timeName(minute)}
          </span>
        </span>
      )}
      {drawn && (
        <span
          className="absolute start-12 end-2 rounded-md border border-dashed border-primary bg-primary-soft"
          style={{ top: top(drawn.from), height: (drawn.to - drawn.from) * height }}
        >
          {drawn.isOpen && <NewAppointment day={day} from={drawn.from} to={drawn.to} onClose={() => setDrawn(null)} />}
        </span>
      )}
    </div>
  );
}

/** What is planned for the day and has no time waits, and is dropped among the hours. */
function Waiting({ items }: { items: readonly PlanItem[] }) {
  return (
    <section className="mt-3" aria-label="Without a time">
      <h3 className="section-label">Without a time</h3>
      <ul>
        {items.map(({ row, path, line, text, minutes }) => (
          <li key={`${path}:${line}`} className="flex items-baseline gap-2 py-0.5">
            {row && (
              <Link
                to={noteAddress(path, line ?? undefined)}
                className="min-w-0 flex-1 cursor-grab truncate hover:underline"
                onDragStart={(event) => startDrag(event, { tasks: [dialogTask(row)], from: null })}
                onDragEnd={endDrag}
              >
                {plainWords(text)}
              </Link>
            )}
            <span className="text-[0.84rem] text-muted">{minutes === null ? '' : durationName(minutes)}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
