import { type KeyboardEvent, type PointerEvent, type RefObject, useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { timeName } from '../../../core/calendar/span';
import { type Placed, toQuarter } from '../../../core/day/hours/hours-layout';
import type { HoursScale } from '../../../core/day/hours/hours-scale';
import type { PlanItem } from '../../../core/index/days/day-plan';
import { isOpen } from '../../../core/task/line/status';
import { noteAddress } from '../../session/places/addresses';
import { plainWords } from '../../frame/strip/plain-words';
import { useItemPlace } from './use-item-place';

interface HoursBlockProps {
  day: number;
  placed: Placed<PlanItem>;
  scale: HoursScale;
  /** Whether no other day stands beside this one. */
  isAlone: boolean;
  /** Whether it belongs to none of the sides that are looked at; it takes its time all the same. */
  isAside: boolean;
  /** Of what is moved to another day by key, so that it is looked at there. */
  moved: RefObject<string | null>;
}

interface Moving {
  /** Where the pointer went down, and how far it went from there, in pixels. */
  x: number;
  y: number;
  down: number;
  /** The day above which it is, and how far to the side that stands. */
  day: number;
  aside: number;
  grows: boolean;
}

/** One thing among the hours; it is dragged, at its foot its length. */
export function HoursBlock({ day, placed, scale, isAlone, isAside, moved }: HoursBlockProps) {
  const { item, from, to, lane, lanes } = placed;
  const { row } = item;
  const words = plainWords(item.text);
  const [moving, setMoving] = useState<Moving | null>(null);
  const box = useRef<HTMLDivElement>(null);
  const { place, resize, canMove, canLeave } = useItemPlace(item, from, to, day);
  const under = (minute: number): number => toQuarter(scale.minuteAt(scale.topOf(minute) + (moving?.down ?? 0)));
  const start = moving && !moving.grows ? under(from) : from;
  const end = moving?.grows ? Math.max(from + 15, under(to)) : start + (to - from);
  const key = `${item.path}:${item.line}`;
  // What was set shows until the answer comes.
  useEffect(() => setMoving(null), [from, to]);
  useEffect(() => {
    if (moved.current !== key) return;
    moved.current = null;
    box.current?.querySelector('a')?.focus();
  }, [moved, key]);
  const onKeyDown = (event: KeyboardEvent): void => {
    if (!canMove || event.ctrlKey || event.metaKey || event.altKey) return;
    const by = { ArrowUp: -15, ArrowDown: 15 }[event.key];
    const days = isAlone || !canLeave || event.shiftKey ? undefined : { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (by === undefined && days === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    if (days !== undefined) {
      moved.current = key;
      void place(day + days, from);
    } else if (event.shiftKey) void resize(Math.max(15, to - from + (by ?? 0)));
    else void place(day, toQuarter(from + (by ?? 0)));
  };
  const drag = (grows: boolean) => (event: PointerEvent<HTMLElement>) => {
    if (!canMove || event.button !== 0) return;
    event.stopPropagation();
    event.currentTarget.setPointerCapture(event.pointerId);
    setMoving({ x: event.clientX, y: event.clientY, down: 0, day, aside: 0, grows });
  };
  const follow = (event: PointerEvent): void => {
    if (!moving) return;
    const column = moving.grows || isAlone || !canLeave ? null : columnAt(event.clientX, event.clientY);
    const own = column && box.current?.closest('[data-hours-day]');
    setMoving({
      ...moving,
      down: event.clientY - moving.y,
      day: column ? Number(column.dataset['hoursDay']) : day,
      aside: column && own ? column.getBoundingClientRect().left - own.getBoundingClientRect().left : 0,
    });
  };
  const drop = (): void => {
    if (!moving) return;
    // Where it is refused, it goes back to where it was.
    const settle = (done: Promise<boolean>): void => void done.then((was) => was || setMoving(null));
    if (!moving.grows && (start !== from || moving.day !== day)) settle(place(moving.day, start));
    else if (moving.grows && end !== to) settle(resize(end - from));
    else setMoving(null);
  };
  const isClosed = row !== null && !isOpen(row.status);
  const times = `${timeName(start % 1440)}–${timeName(end % 1440)}`;
  const height = scale.topOf(end) - scale.topOf(start);
  return (
    <div
      ref={box}
      className={`absolute z-[2] overflow-hidden rounded-md px-2 py-0.5 text-[0.84rem] leading-tight ${
        row
          ? `cut-corner touch-none bg-primary-soft ${isClosed ? '' : 'cursor-grab'}`
          : `border border-edge bg-sheet ${canMove ? 'touch-none cursor-grab' : ''}`
      } ${isClosed || isAside ? 'opacity-60' : ''}`}
      style={{
        top: scale.topOf(start),
        height: Math.max(18, height - 1),
        left: `calc(2px + (100% - 4px) * ${lane / lanes})`,
        width: `calc((100% - 4px) / ${lanes} - 2px)`,
        transform: moving?.aside ? `translateX(${moving.aside}px)` : undefined,
      }}
      onPointerDown={drag(false)}
      onPointerMove={follow}
      onPointerUp={drop}
      onPointerCancel={() => setMoving(null)}
    >
      <Link
        to={noteAddress(item.path, item.line ?? undefined)}
        draggable={false}
        title={isAlone ? undefined : words}
        aria-label={`${words}, ${times}`}
        className={`font-semibold hover:underline ${isAlone || height < 30 ? 'block truncate' : 'line-clamp-2 break-words'} ${isClosed ? 'line-through' : ''}`}
        onKeyDown={onKeyDown}
        onClick={(event) => {
          if (moving && Math.abs(moving.down) + Math.abs(moving.aside) > 3) event.preventDefault();
        }}
      >
        {words}
      </Link>
      {height > (isAlone ? 34 : 52) && <span className="block truncate text-muted">{times}</span>}
      {canMove && !isClosed && (
        <span
          aria-hidden="true"
          className="absolute inset-x-0 bottom-0 h-1.5 cursor-ns-resize"
          onPointerDown={drag(true)}
          onPointerMove={follow}
          onPointerUp={drop}
          onPointerCancel={() => setMoving(null)}
        />
      )}
    </div>
  );
}

/** The day that stands under a point of the screen. */
function columnAt(x: number, y: number): HTMLElement | null {
  const found = document.elementsFromPoint(x, y).flatMap((one) => one.closest<HTMLElement>('[data-hours-day]') ?? []);
  return found.find((one) => one.getBoundingClientRect().left <= x && one.getBoundingClientRect().right > x) ?? null;
}
