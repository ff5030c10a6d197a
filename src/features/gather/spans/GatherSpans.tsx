import { ChevronLeft, ChevronRight, Minus, Plus } from 'lucide-react';
import { type KeyboardEvent, useMemo, useRef, useState } from 'react';
import { startOfWeek } from '../../../core/calendar/day';
import type { DayRange } from '../../../core/calendar/span';
import { SPAN_DAYS, type SpanBar, spanAxis, spanGroups, spanNeeds } from '../../../core/gather/forms/spans';
import type { RowView } from '../../../core/index/live/view';
import { useNow } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { ListFooter } from '../list/ListFooter';
import type { FormProps } from '../list/form-props';
import { useListActions } from '../list/use-list-actions';
import { rowIdAt } from '../rows/list-focus';
import { RowPicking } from '../rows/picking/row-picking';
import { SpanAxis } from './SpanAxis';
import { SpanLine } from './SpanLine';
import { SpanNeeds } from './SpanNeeds';
import { useSpanMoves } from './use-span-moves';

/** So many lines are drawn at first. */
const MOST_LINES = 300;

/** A gather on an axis of days: rows by its key, and in them a bar a task from its start or plan to when it is due. */
export function GatherSpans({ answer, groupHeading: Heading, showAll }: FormProps) {
  const { day: today } = useNow();
  const first = useAppSelector((state) => state.settings.firstDayOfWeek);
  const whole = useRef<HTMLDivElement>(null);
  const [most, setMost] = useState(MOST_LINES);
  const [chosen, setChosen] = useState<DayRange | null>(null);
  const groups = useMemo(() => spanGroups(answer.groups.map(({ rows }) => rows)), [answer]);
  const lines = groups.reduce((sum, { bars }) => sum + bars.length, 0);
  const fitting = useMemo(
    () =>
      spanAxis(
        groups.flatMap(({ bars }) => bars),
        today,
        first,
      ),
    [groups, today, first],
  );
  const axis = chosen ?? fitting;
  const drawn = useMemo(
    () => groups.map((group) => ({ ...group, bars: group.bars.slice(0, Math.max(0, most - group.first)) })),
    [groups, most],
  );
  const needs = useMemo(() => spanNeeds(drawn), [drawn]);
  const rows = useMemo(() => drawn.flatMap(({ bars }) => bars.map(({ row }) => row)), [drawn]);
  const held = useMemo(() => ({ groups: answer.groups, hold: () => undefined }), [answer]);
  const { onAct, pick, list } = useListActions(whole, held, rows);
  const move = useSpanMoves(onAct);
  const onKeyDown = (event: KeyboardEvent): void => {
    const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    const id = rowIdAt(event.target);
    const bar = drawn.flatMap(({ bars }) => bars).find(({ row }) => row.id === id);
    if (by === undefined || !event.shiftKey || !bar || event.metaKey || event.altKey) return list.onKeyDown(event);
    event.preventDefault();
    event.stopPropagation();
    move(bar, event.ctrlKey ? 'end' : 'whole', by, true);
  };
  const days = axis.to - axis.from + 1;
  const at = SPAN_DAYS.findIndex((one) => one >= days);
  const shownFrom = (from: number, length: number): void => {
    const start = startOfWeek(from, first);
    setChosen({ from: start, to: start + length - 1 });
  };
  // Its middle stays where it is, or today where that is in sight.
  const stretched = (length: number): void => {
    const middle = today >= axis.from && today <= axis.to ? today : axis.from + Math.floor(days / 2);
    shownFrom(middle - Math.floor(((middle - axis.from) * length) / days), length);
  };
  const show = ({ from }: SpanBar<RowView>): void => shownFrom(from - Math.floor(days / 4), days);
  const undated = answer.groups.reduce((sum, { rows: all }) => sum + all.length, 0) - lines;
  const shownLines = drawn.reduce((sum, { bars }) => sum + bars.length, 0);
  return (
    <RowPicking value={pick}>
      <div className="no-print mb-1 flex items-center gap-1">
        <button
          type="button"
          className="quiet-button"
          aria-label="Earlier days"
          onClick={() => shownFrom(axis.from - Math.floor(days / 2), days)}
        >
          <ChevronLeft size={16} aria-hidden="true" />
        </button>
        <button type="button" className="quiet-button text-[0.86rem]" disabled={chosen === null} onClick={() => setChosen(null)}>
          All near today
        </button>
        <button
          type="button"
          className="quiet-button"
          aria-label="Later days"
          onClick={() => shownFrom(axis.from + Math.floor(days / 2), days)}
        >
          <ChevronRight size={16} aria-hidden="true" />
        </button>
        <span className="ms-auto flex">
          <button
            type="button"
            className="quiet-button"
            aria-label="Squeeze the days"
            disabled={at === SPAN_DAYS.length - 1}
            onClick={() => stretched(SPAN_DAYS[at + 1] ?? days)}
          >
            <Minus size={16} aria-hidden="true" />
          </button>
          <button
            type="button"
            className="quiet-button"
            aria-label="Stretch the days"
            disabled={at === 0}
            onClick={() => stretched(SPAN_DAYS[at - 1] ?? days)}
          >
            <Plus size={16} aria-hidden="true" />
          </button>
        </span>
      </div>
      <div className="relative overflow-x-auto">
        <div ref={whole} {...list} onKeyDown={onKeyDown} className="relative min-w-[40rem] border-t border-line ps-36">
          <div className="relative">
            <SpanAxis axis={axis} />
            <div className="relative">
              {drawn.map(({ first: line, bars }, index) => {
                const group = answer.groups[index];
                return (
                  bars.length > 0 && (
                    <section key={group?.id === 0 ? line : group?.id} aria-label={group?.label} className="span-group">
                      <Heading className="span-head">
                        <span className="truncate">{group?.label}</span> <span className="font-normal text-muted">{bars.length}</span>
                      </Heading>
                      <ul>
                        {bars.map((bar) => (
                          <SpanLine key={bar.row.key} bar={bar} axis={axis} onMove={move} onAct={onAct} onShow={show} />
                        ))}
                      </ul>
                    </section>
                  )
                );
              })}
              <SpanNeeds needs={needs} axis={axis} lines={shownLines} />
            </div>
          </div>
        </div>
      </div>
      {(lines > shownLines || undated > 0) && (
        <p className="mt-1 text-[0.86rem] text-muted">
          {lines > shownLines && (
            <>
              {lines - shownLines} more lines.{' '}
              <button type="button" className="line-button" onClick={() => setMost(most + MOST_LINES)}>
                Show some more
              </button>{' '}
            </>
          )}
          {undated > 0 && `${undated} without a date ${undated === 1 ? 'lies' : 'lie'} on no day.`}
        </p>
      )}
      <ListFooter answer={answer} showAll={showAll} />
    </RowPicking>
  );
}
