import { type DragEvent, useEffect, useState } from 'react';
import { type Day, civilFrom, isoDay } from '../../../core/calendar/day';
import { draggedTasks, isTaskDrag } from '../../gather/rows/task-drag';
import { useAct } from '../../session/acting/use-act';

/** While a task is dragged over a day, its two halves: one to plan it then, one to have it due then. */
export function DayDrop({ day }: { day: Day }) {
  const [dragging, setDragging] = useState(false);
  useEffect(() => {
    const over = (event: Event): void => setDragging(isTaskDrag(event as unknown as DragEvent));
    const end = (): void => setDragging(false);
    window.addEventListener('dragenter', over);
    window.addEventListener('dragend', end);
    window.addEventListener('drop', end);
    return () => {
      window.removeEventListener('dragenter', over);
      window.removeEventListener('dragend', end);
      window.removeEventListener('drop', end);
    };
  }, []);
  if (!dragging) return null;
  return (
    <span className="absolute inset-0 grid grid-rows-2 overflow-hidden rounded-t-lg text-[0.74rem] font-semibold">
      <Half day={day} what="plan" />
      <Half day={day} what="due" />
      <span className="pointer-events-none absolute end-1 top-1/2 -translate-y-1/2 font-title text-[1.1rem] text-ink">
        {civilFrom(day).day}
      </span>
    </span>
  );
}

function Half({ day, what }: { day: Day; what: 'plan' | 'due' }) {
  const { actAll } = useAct();
  const [over, setOver] = useState(false);
  return (
    <span
      data-drop={what}
      className={`flex items-center border border-dashed border-edge ps-1 ${over ? 'bg-primary text-on-primary' : 'bg-[color-mix(in_srgb,var(--sheet)_94%,transparent)]'}`}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setOver(false);
        const drag = draggedTasks(event);
        if (drag) void actAll(drag.tasks, [{ do: 'push', to: `${what === 'due' ? 'by' : 'plan'} ${isoDay(day)}` }]);
      }}
    >
      {what}
    </span>
  );
}
