import { type KeyboardEvent, useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import type { Day } from '../../../core/calendar/day';
import { typedTime } from '../../../core/calendar/spoken/typed-time';
import { timeName } from '../../../core/calendar/span';
import type { PlanItem } from '../../../core/index/days/day-plan';
import { NO_GROUP } from '../../../core/index/live/no-group';
import type { RowView } from '../../../core/index/live/view';
import { InlineText } from '../../../ui/InlineText';
import { GatherRow } from '../../gather/rows/GatherRow';
import { RowMenus } from '../../gather/rows/RowMenu';
import { RowPicking } from '../../gather/rows/picking/row-picking';
import { useTaskDrop } from '../../gather/rows/use-task-drop';
import { rowIdAt } from '../../gather/rows/list-focus';
import { useListActions } from '../../gather/list/use-list-actions';
import { noteAddress } from '../../session/places/addresses';
import { LineField } from '../../../ui/form/LineField';
import { BY_TOUCH } from '../../../ui/input/by-touch';
import { OrderHandle } from './OrderHandle';
import { type Choosing, untimedRows } from './use-choosing';
import { useHandOrder } from './use-hand-order';

interface TheDayProps {
  day: Day;
  items: readonly PlanItem[];
  choosing: Choosing;
}

/** A day in its order: what has a time by its time, then what has none as it was put by hand. */
export function TheDay({ day, items, choosing }: TheDayProps) {
  const list = useRef<HTMLDivElement>(null);
  const rows = useMemo(() => items.flatMap(({ row }) => row ?? []), [items]);
  const held = useMemo(() => ({ groups: [{ ...NO_GROUP, count: rows.length, rows }], hold: () => undefined }), [rows]);
  const { onAct, pick, list: listens } = useListActions(list, held, rows);
  const { rows: untimed, moveTo } = useHandOrder(
    useMemo(() => untimedRows(items), [items]),
    choosing.order,
  );
  const inOrder = useMemo(() => withOrderOf(items, untimed), [items, untimed]);
  const onKeyDown = (event: KeyboardEvent): void => {
    const row = rows.find(({ id }) => id === rowIdAt(event.target));
    const isOnMark = event.target instanceof HTMLElement && event.target.matches('.task-mark');
    const by = { ArrowUp: -1, ArrowDown: 1 }[event.key];
    const isPlain = !event.ctrlKey && !event.metaKey && !event.shiftKey;
    if (row && isOnMark && isPlain && event.altKey && by !== undefined) {
      const at = untimed.findIndex(({ id }) => id === row.id);
      if (at !== -1) moveTo(row.id, at + by);
    } else if (row && isOnMark && isPlain && !event.altKey && event.key === 'ArrowRight') choosing.takeOut(row);
    else return listens.onKeyDown(event);
    event.preventDefault();
    event.stopPropagation();
  };
  const { isOver, handlers } = useTaskDrop(({ tasks }, event) => {
    const ids = new Set(tasks.map(({ ref }) => `${ref.path}:${ref.line}`));
    const own = rows.find(({ id }) => ids.has(id));
    const at = untimed.findIndex(({ id }) => id === rowIdAt(event.target));
    if (!own) choosing.choose(tasks);
    else if (at !== -1) moveTo(own.id, at);
  });
  return (
    <section aria-label="The day" className={`rounded-lg ${isOver ? 'outline-2 outline-primary outline-dashed' : ''}`} {...handlers}>
      <h2 className="mb-2 font-title text-[1.17rem] font-semibold">
        The day <span className="text-[0.86rem] font-semibold text-muted">{items.length} · in your order</span>
      </h2>
      <RowMenus>
        <RowPicking value={pick}>
          <div ref={list} {...listens} onKeyDown={onKeyDown}>
            {inOrder.map((item) => (
              <div
                key={item.row?.key ?? `${item.path}:${item.line}`}
                {...(item.row && untimed.includes(item.row) && { 'data-place': '' })}
                className={`grid items-start ${BY_TOUCH ? 'grid-cols-[3.6rem_minmax(0,1fr)_auto]' : 'grid-cols-[3.6rem_minmax(0,1fr)]'}`}
              >
                <TimeCell key={item.start} item={item} onSet={(row, minute) => choosing.setTime(row, minute)} />
                {item.row ? (
                  <ul>
                    <GatherRow row={item.row} group={null} columns={SHOWN} withSource onAct={onAct} />
                  </ul>
                ) : (
                  <p className="py-[3px] ps-[30px] leading-6">
                    <Link to={noteAddress(item.path, item.line ?? undefined)} className="hover:underline">
                      <InlineText text={item.text} />
                    </Link>{' '}
                    <span className="text-[0.84rem] text-muted">
                      {item.end === null ? item.kind : `until ${timeName(item.end % 1440)}${item.end > 1440 ? ' of the next day' : ''}`}
                    </span>
                  </p>
                )}
                {BY_TOUCH && item.row && untimed.length > 1 && untimed.includes(item.row) && (
                  <OrderHandle
                    of={item.row.text}
                    places={() => middlesIn(list.current)}
                    at={untimed.indexOf(item.row)}
                    onMove={(to) => item.row && moveTo(item.row.id, to)}
                  />
                )}
              </div>
            ))}
          </div>
        </RowPicking>
      </RowMenus>
      {items.length === 0 && <p className="text-muted">Nothing is chosen yet. What could be stands beside; an arrow puts it here.</p>}
      <LineField key={day} label="Only for this day" className="no-print ms-[3.6rem] mt-2" onWrite={choosing.write} />
    </section>
  );
}

/** The middles of the places that are put in order by hand. */
function middlesIn(list: HTMLElement | null): number[] {
  return [...(list?.querySelectorAll('[data-place]') ?? [])].map((place) => {
    const { top, height } = place.getBoundingClientRect();
    return top + height / 2;
  });
}

/** The things of a day with those that an order by hand holds in that order; all others keep their places. */
function withOrderOf(items: readonly PlanItem[], order: readonly RowView[]): readonly PlanItem[] {
  const rows = new Set(order);
  const held = new Map(items.flatMap((item) => (item.row && rows.has(item.row) ? [[item.row, item] as const] : [])));
  let next = 0;
  return items.map((item) => {
    if (!item.row || !held.has(item.row)) return item;
    const row = order[next++];
    return (row && held.get(row)) ?? item;
  });
}

/** The day stands in its head, and its time before the row. */
const SHOWN = ['due', 'takes', 'steps', 'note'] as const;

/** When something begins; of a task it is pressed and typed into. */
function TimeCell({ item, onSet }: { item: PlanItem; onSet: (row: RowView, minute: number | null) => void }) {
  const { row, start } = item;
  const [typed, setTyped] = useState<string | null>(null);
  const words = start === null ? '' : timeName(start);
  if (!row) return <span className="py-1 text-end pe-2 text-[0.9rem] tabular-nums text-muted">{words}</span>;
  if (typed === null)
    return (
      <button
        type="button"
        className="min-h-[28px] rounded-md pe-2 text-end text-[0.9rem] tabular-nums text-muted opacity-100 hover:bg-raised"
        aria-label={start === null ? `Give ${row.text} a time` : `Time of ${row.text}: ${words}`}
        onClick={() => setTyped(words)}
      >
        {words === '' ? <span className="opacity-40 print:hidden">–:–</span> : words}
      </button>
    );
  const isWrong = typed.trim() !== '' && typedTime(typed) === null;
  const store = (): void => {
    setTyped(null);
    const minute = typedTime(typed);
    if (typed !== words && (typed === '' || minute !== null)) onSet(row, minute);
  };
  return (
    <input
      autoFocus
      className="field w-full px-0.5 text-[0.84rem]"
      aria-label={`Time of ${row.text}`}
      aria-invalid={isWrong}
      title={isWrong ? 'A time such as 14:15, 1415 or 2pm' : undefined}
      value={typed}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={store}
      onKeyDown={(event) => {
        event.stopPropagation();
        // What is no time stays to be mended.
        if (event.key === 'Enter' && !isWrong) store();
        if (event.key === 'Escape') setTyped(null);
      }}
    />
  );
}
