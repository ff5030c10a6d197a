import { type CSSProperties, type PointerEvent, useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { dayName } from '../../../core/calendar/day-name';
import type { DayRange } from '../../../core/calendar/span';
import type { SpanBar } from '../../../core/gather/forms/spans';
import type { RowView } from '../../../core/index/live/view';
import { isOpen } from '../../../core/task/line/status';
import { TaskMark } from '../../../ui/marks/TaskMark';
import { noteAddress } from '../../session/places/addresses';
import { useNow } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { useAddedStatus } from '../../session/state/use-statuses';
import { plainWords } from '../../frame/strip/plain-words';
import type { ActOnRow } from '../list/use-list-actions';
import { PickEdge } from '../rows/picking/PickEdge';
import { markOf } from '../rows/row-columns';
import { acrossOf } from './SpanAxis';
import { type MoveSpan, type SpanPart, movedEnd } from './use-span-moves';

interface SpanLineProps {
  bar: SpanBar<RowView>;
  axis: DayRange;
  onMove: MoveSpan;
  onAct: ActOnRow;
  /** Leads the axis to the days of a bar that lies outside it. */
  onShow: (bar: SpanBar<RowView>) => void;
}

/** The room that words take at most, in percent of the axis. */
const ROOM = 38;

/** How far the pointer goes before a press is a drag, in pixels. */
const SLACK = 4;

/** A task on an axis of days: its mark and words, and a bar from its start or plan to when it is due. */
export function SpanLine({ bar, axis, onMove, onAct, onShow }: SpanLineProps) {
  const { row } = bar;
  const { day: today } = useNow();
  const style = useAppSelector((state) => state.settings.dateStyle);
  const selected = useAppSelector((state) => state.selection[row.id] !== undefined);
  const added = useAddedStatus(row.sign);
  const { held, take } = useBarDrag(bar, axis, onMove);
  const open = isOpen(row.status);
  const drawn = held ? movedBar(bar, held.part, held.days) : bar;
  const isOutside = drawn.to < axis.from || drawn.from > axis.to;
  const begin = Math.max(0, acrossOf(axis, drawn.from));
  const end = Math.min(100, acrossOf(axis, drawn.to + 1));
  const words = `${bar.begins ? `${bar.begins === 'start' ? 'starts' : 'planned'} ${dayName(drawn.from, today, style)}` : ''}${
    bar.begins && bar.ends ? ', ' : ''
  }${bar.ends ? `due ${dayName(drawn.to, today, style)}` : ''}`;
  const done = row.stepCount > 0 ? row.stepsDone / row.stepCount : open ? 0 : 1;
  return (
    <li
      data-row={row.id}
      data-raw={row.raw}
      data-path={row.path}
      className={`relative flex h-8 items-center text-[0.86rem] ${selected ? 'row-selected' : ''}`}
    >
      {row.what === 'task' && <PickEdge row={row} selected={selected} />}
      {isOutside ? (
        <button
          type="button"
          className="absolute inset-y-1 rounded-md border border-edge bg-sheet px-1.5 text-[0.8rem] text-muted hover:underline"
          style={drawn.to < axis.from ? { insetInlineStart: 2 } : { insetInlineEnd: 2 }}
          onClick={() => onShow(bar)}
        >
          {drawn.to < axis.from
            ? `← ${plainWords(row.text)}, ${dayName(drawn.to, today, style)}`
            : `${plainWords(row.text)}, ${dayName(drawn.from, today, style)} →`}
        </button>
      ) : (
        <>
          <div
            className={`span-bar ${open ? '' : 'span-closed'} ${row.late ? 'span-late' : ''} ${
              row.restsUntil === null ? '' : 'span-rests'
            }`}
            data-begins={bar.begins ?? 'due'}
            data-ends={bar.ends ?? 'plan'}
            title={words}
            style={{ insetInlineStart: `${begin}%`, width: `${end - begin}%`, '--span-done': `${100 * done}%` } as CSSProperties}
            {...take('whole')}
          >
            {row.what === 'task' && (
              <>
                <span className="span-end start-0" {...take('begin')} />
                <span className="span-end end-0" {...take('end')} />
              </>
            )}
          </div>
          <div className="span-words" style={wordsPlace(begin, end)}>
            {row.what === 'task' && (
              <TaskMark
                look={markOf(row, added)}
                of={`${row.text}, ${words}`}
                selected={selected}
                onTick={(byKey) => onAct(row, [{ do: 'status', status: open ? 'done' : 'todo' }], byKey)}
                onRaise={() => onAct(row, [{ do: 'raise', wraps: true }], false)}
              />
            )}
            <Link
              to={noteAddress(row.path, row.what === 'note' ? undefined : row.line)}
              title={`${plainWords(row.text)}\n${words}`}
              className={`min-w-0 truncate hover:underline ${row.what === 'task' ? '' : 'row-focus'} ${open ? '' : 'closed-text'}`}
            >
              {row.late && <span className="font-semibold text-late">late </span>}
              {plainWords(row.text)}
            </Link>
          </div>
        </>
      )}
    </li>
  );
}

/** The words of a bar stand in it where it is long, else behind it, at the far end before it. */
function wordsPlace(begin: number, end: number): CSSProperties {
  if (end - begin >= ROOM) return { insetInlineStart: `${begin}%`, maxWidth: `${end - begin}%` };
  return end + ROOM <= 100 ? { insetInlineStart: `${end}%` } : { insetInlineEnd: `${100 - begin}%`, maxWidth: `${Math.min(ROOM, begin)}%` };
}

function movedBar(bar: SpanBar<RowView>, part: SpanPart, days: number): DayRange {
  if (part === 'whole') return { from: bar.from + days, to: bar.to + days };
  const day = movedEnd(bar, part, days);
  return part === 'begin' ? { from: day, to: bar.to } : { from: bar.from, to: day };
}

/** A bar, or an end of it, follows the pointer by whole days, and is moved when it is let go; Escape lets it stay. */
function useBarDrag(bar: SpanBar<RowView>, axis: DayRange, onMove: MoveSpan) {
  const [held, setHeld] = useState<{ part: SpanPart; days: number } | null>(null);
  const listening = useRef<AbortController | null>(null);
  useEffect(() => () => listening.current?.abort(), []);
  const taken = useRef<{ x: number; perDay: number; part: SpanPart } | null>(null);
  const letGo = (): void => {
    listening.current?.abort();
    taken.current = null;
    setHeld(null);
  };
  const take = (part: SpanPart) => ({
    onPointerDown: (event: PointerEvent<HTMLElement>): void => {
      const width = event.currentTarget.closest('[data-row]')?.clientWidth ?? 0;
      if (event.button !== 0 || width === 0 || bar.row.what !== 'task') return;
      event.stopPropagation();
      event.preventDefault();
      event.currentTarget.setPointerCapture(event.pointerId);
      taken.current = { x: event.clientX, perDay: width / (axis.to - axis.from + 1), part };
      const escape = (key: KeyboardEvent): void => {
        if (key.key !== 'Escape') return;
        key.stopPropagation();
        letGo();
      };
      const { signal } = (listening.current = new AbortController());
      window.addEventListener('keydown', escape, { capture: true, signal });
    },
    onPointerMove: (event: PointerEvent<HTMLElement>): void => {
      const { current } = taken;
      if (!current) return;
      const by = event.clientX - current.x;
      const days = Math.abs(by) < SLACK ? 0 : Math.round(by / current.perDay);
      setHeld({ part: current.part, days });
    },
    onPointerUp: (): void => {
      if (held && held.days !== 0) onMove(bar, held.part, held.days, false);
      letGo();
    },
    onPointerCancel: letGo,
  });
  return { held, take };
}
