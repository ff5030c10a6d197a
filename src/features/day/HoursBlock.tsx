import { type KeyboardEvent, type PointerEvent, useEffect, useState } from 'react';
import { Link } from 'react-router';
import { isoDay } from '../../core/calendar/day';
import { timeName } from '../../core/calendar/span';
import { withClock } from '../../core/day/appointments';
import { type Placed, toQuarter } from '../../core/day/hours-layout';
import type { PlanItem } from '../../core/index/days/day-plan';
import { isOpen } from '../../core/task/line/status';
import { refuse } from '../session/acting/messages';
import { dialogTask } from '../session/acting/task-dialog';
import { useAct, useToldDone } from '../session/acting/use-act';
import { noteAddress } from '../session/places/addresses';
import { useServices } from '../session/state/services';
import { plainWords } from '../strip/plain-words';

interface HoursBlockProps {
  day: number;
  placed: Placed<PlanItem>;
  top: number;
  height: number;
}

/** One thing among the hours; a task is dragged, at its foot its length. */
export function HoursBlock({ day, placed, top, height }: HoursBlockProps) {
  const { item, from, to, lane, lanes } = placed;
  const { row } = item;
  const { actions } = useServices();
  const told = useToldDone();
  const { act } = useAct();
  const words = plainWords(item.text);
  const [moving, setMoving] = useState<{ by: number; grows: boolean; y: number } | null>(null);
  const start = moving && !moving.grows ? toQuarter(from + moving.by) : from;
  const end = moving?.grows ? Math.max(from + 15, toQuarter(to + moving.by)) : start + (to - from);
  // What was set shows until the answer comes.
  useEffect(() => setMoving(null), [from, to]);
  const canMove = row !== null || item.raw !== null;
  /** An appointment says its times at the beginning of its line. */
  const rewrite = (at: number, until: number | null): void => {
    const line = item.raw === null ? null : withClock(item.raw, at, until);
    if (line === null || item.raw === null || item.line === null) return;
    void actions.replaceLine({ path: item.path, line: item.line, expected: item.raw }, line, `Moved: ${item.text}`).then((result) => {
      if ('refused' in result) refuse(result.refused);
      else told(`${timeName(at)} ${words}`, result.step);
    });
  };
  const saysEnd = item.raw !== null && withClock(item.raw, from, null) !== item.raw;
  const place = (at: number): void => {
    if (row) void act(dialogTask(row).ref, row.text, { do: 'set', clause: `plan ${isoDay(day)} ${timeName(at)}` });
    else rewrite(at, saysEnd ? at + (to - from) : null);
  };
  const resize = (minutes: number): void => {
    if (row) void act(dialogTask(row).ref, row.text, { do: 'set', clause: `takes ${durationClause(minutes)}` });
    else rewrite(from, from + minutes);
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const by = { ArrowUp: -15, ArrowDown: 15 }[event.key];
    if (by === undefined || !canMove || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    event.stopPropagation();
    if (event.shiftKey) resize(Math.max(15, to - from + by));
    else place(toQuarter(from + by));
  };
  const drag = (grows: boolean) => (event: PointerEvent<HTMLElement>) => {
    if (!canMove || event.button !== 0) return;
    event.stopPropagation();
    event.currentTarget.setPointerCapture(event.pointerId);
    setMoving({ by: 0, grows, y: event.clientY });
  };
  const follow = (event: PointerEvent): void => {
    if (moving) setMoving({ ...moving, by: (event.clientY - moving.y) / height });
  };
  const drop = (): void => {
    if (!moving) return;
    if (!moving.grows && start !== from) place(start);
    else if (moving.grows && end !== to) resize(end - from);
    else setMoving(null);
  };
  const isClosed = row !== null && !isOpen(row.status);
  const times = `${timeName(start % 1440)}–${timeName(end % 1440)}`;
  return (
    <div
      className={`absolute overflow-hidden rounded-md px-2 py-0.5 text-[0.84rem] leading-tight ${
        row
          ? `cut-corner touch-none bg-primary-soft ${isClosed ? 'opacity-60' : 'cursor-grab'}`
          : `border border-edge bg-sheet ${canMove ? 'touch-none cursor-grab' : ''}`
      }`}
      style={{
        top: top + (start - from) * height,
        height: Math.max(18, (end - start) * height - 1),
        left: `calc(3rem + (100% - 3.5rem) * ${lane / lanes})`,
        width: `calc((100% - 3.5rem) / ${lanes} - 2px)`,
      }}
      onPointerDown={drag(false)}
      onPointerMove={follow}
      onPointerUp={drop}
    >
      <Link
        to={noteAddress(item.path, item.line ?? undefined)}
        draggable={false}
        aria-label={`${words}, ${times}`}
        className={`block truncate font-semibold hover:underline ${isClosed ? 'line-through' : ''}`}
        onKeyDown={onKeyDown}
        onClick={(event) => {
          if (moving && Math.abs(moving.by) * height > 3) event.preventDefault();
        }}
      >
        {words}
      </Link>
      {(end - start) * height > 34 && <span className="block truncate text-muted">{times}</span>}
      {canMove && !isClosed && (
        <span
          aria-hidden="true"
          className="absolute inset-x-0 bottom-0 h-1.5 cursor-ns-resize"
          onPointerDown={drag(true)}
          onPointerMove={follow}
          onPointerUp={drop}
        />
      )}
    </div>
  );
}

/** `45m`, `2h`, `1h30m`. */
function durationClause(minutes: number): string {
  const hours = Math.floor(minutes / 60);
  const rest = minutes % 60;
  return `${hours > 0 ? `${hours}h` : ''}${rest > 0 ? `${rest}m` : ''}`;
}
