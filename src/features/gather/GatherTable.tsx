import { ArrowDown, ArrowUp } from 'lucide-react';
import { type ReactNode, useCallback, useMemo, useRef } from 'react';
import { Link } from 'react-router';
import type { Column } from '../../core/gather/ast';
import type { AnswerView, RowView } from '../../core/index/view';
import type { WideIntention } from '../../core/task/intention';
import { isOpen } from '../../core/task/status';
import { InlineText } from '../../ui/InlineText';
import { TaskMark } from '../../ui/TaskMark';
import { noteAddress } from '../session/addresses';
import { frameSlice } from '../session/frame-slice';
import { selectionSlice } from '../session/selection-slice';
import { useNow } from '../session/services';
import { useAppDispatch, useAppSelector } from '../session/state';
import { dialogTask } from '../session/task-dialog';
import { useAct } from '../session/use-act';
import { PickEdge } from './PickEdge';
import { RowMenuButton } from './RowMenu';
import { RowPicking, useRowPicking } from './row-picking';
import { cellText, markOf } from './row-columns';
import { moveByArrow, rowIdAt } from './list-focus';
import { itemsOf } from './list-items';
import { useRowCommands } from './use-row-commands';
import { useWindow } from '../../ui/use-window';

interface GatherTableProps {
  answer: AnswerView;
  name: string;
  /** The key by which the rows stand in order now; null for the usual order. */
  order: { key: string; descending: boolean } | null;
  onOrder: (key: string) => void;
}

const USUAL: readonly Column[] = ['due', 'plan', 'takes', 'note'];
const USUAL_OF_NOTES: readonly Column[] = ['kind', 'open', 'done', 'date'];
/** Columns by which rows cannot be put in order. */
const UNORDERED: ReadonlySet<Column> = new Set(['tag', 'person', 'link', 'about', 'heading', 'every', 'steps', 'remind', 'ref', 'needs']);
/** Columns of a few letters, which are not broken into lines. */
const NARROW: ReadonlySet<Column> = new Set([
  'due',
  'plan',
  'start',
  'back',
  'made',
  'done',
  'cancelled',
  'day',
  'date',
  'takes',
  'status',
  'priority',
]);
const NONE: ReadonlySet<string> = new Set();
/** What a row of a table takes until it was measured, in pixels. */
const rowHeight = (): number => 34;

/** A gather as a table: a column a field, put in order by a click on its head, as wide as one likes. */
export function GatherTable({ answer, name, order, onOrder }: GatherTableProps) {
  const { actAll } = useAct();
  const dispatch = useAppDispatch();
  const body = useRef<HTMLTableSectionElement>(null);
  const items = useMemo(() => itemsOf(answer.groups, NONE), [answer.groups]);
  const rows = useMemo(() => items.flatMap((item) => (item.is === 'row' ? [item.row] : [])), [items]);
  const keyOf = useCallback((index: number) => items[index]?.key ?? '', [items]);
  const shown = useWindow(body, items.length, keyOf, rowHeight);
  const act = useCallback(
    (changed: readonly RowView[], intentions: readonly WideIntention[]) => void actAll(changed.map(dialogTask), intentions),
    [actAll],
  );
  const commands = useRowCommands(rows, act);
  const pick = useRowPicking(rows);
  const selecting = useAppSelector((state) => state.frame.selecting);
  const ofNotes = answer.from === 'notes' || answer.from === 'meetings';
  const columns = (answer.columns ?? (ofNotes ? USUAL_OF_NOTES : USUAL)).filter((column) => column !== 'text' && column !== 'title');
  return (
    <RowPicking value={pick}>
      <div className="overflow-x-auto ps-4" data-table data-selecting={selecting || undefined}>
        <table className="w-full border-collapse text-[0.93rem]">
          <thead>
            <tr className="border-b border-edge text-start text-muted">
              <Head column={ofNotes ? 'title' : 'text'} name={name} order={order} onOrder={onOrder} words={ofNotes ? 'note' : 'task'} />
              {columns.map((column) => (
                <Head key={column} column={column} name={name} order={order} onOrder={onOrder} words={column} />
              ))}
              <th className="w-8">
                <span className="sr-only">Actions</span>
              </th>
            </tr>
          </thead>
          <tbody
            ref={body}
            onFocus={(event) => {
              const id = rowIdAt(event.target);
              commands.onFocus(
                event,
                rows.find((one) => one.id === id),
              );
            }}
            onBlur={commands.onBlur}
            onKeyDown={(event) => {
              const byId = (id: string | null): RowView | undefined => rows.find((one) => one.id === id);
              const row = byId(rowIdAt(event.target));
              const select = (other: string): void =>
                void dispatch(selectionSlice.actions.selected([row, byId(other)].filter((one) => one !== undefined)));
              if (!row || moveByArrow(event, body.current, select)) return;
              if (event.target instanceof HTMLElement && event.target.matches('.task-mark, .row-focus') && commands.onKey(event, row))
                event.preventDefault();
            }}
          >
            <Spacer height={shown.before} columns={columns.length + 2} />
            {items.slice(shown.from, shown.to).map((item, at) => {
              const index = shown.from + at;
              if (item.is === 'heading')
                return (
                  <tr key={item.key} data-index={index}>
                    <th colSpan={columns.length + 2} scope="rowgroup" className="pt-3 pb-1 text-start font-title font-semibold">
                      {item.group.label} <span className="font-sans font-normal text-muted">{item.group.count}</span>
                    </th>
                  </tr>
                );
              if (item.is === 'more')
                return (
                  <tr key={item.key} data-index={index}>
                    <td colSpan={columns.length + 2} className="text-muted">
                      {item.count} more in this group
                    </td>
                  </tr>
                );
              return <Row key={item.key} row={item.row} index={index} columns={columns} onAct={act} />;
            })}
            <Spacer height={shown.behind} columns={columns.length + 2} />
          </tbody>
        </table>
      </div>
    </RowPicking>
  );
}

interface HeadProps {
  column: Column;
  words: string;
  name: string;
  order: GatherTableProps['order'];
  onOrder: (key: string) => void;
}

function Head({ column, words, name, order, onOrder }: HeadProps) {
  const widthName = `${name}\n${column}`;
  const width = useAppSelector((state) => state.frame.widths[widthName]);
  const dispatch = useAppDispatch();
  const cell = useRef<HTMLTableCellElement>(null);
  const here = order?.key === column ? order : null;
  const resize = (to: number): void =>
    void dispatch(frameSlice.actions.columnResized({ column: widthName, width: Math.max(48, Math.min(900, to)) }));
  const sort = here ? (here.descending ? 'descending' : 'ascending') : undefined;
  return (
    <th
      ref={cell}
      scope="col"
      aria-sort={sort}
      className="relative py-1 pe-3 text-start font-semibold whitespace-nowrap"
      style={width === undefined ? undefined : { width, minWidth: width }}
    >
      {UNORDERED.has(column) ? (
        <span className="px-1">{words}</span>
      ) : (
        <button type="button" className="flex min-h-6 items-center gap-1 rounded-md px-1 hover:bg-raised" onClick={() => onOrder(column)}>
          {words}
          {here && (here.descending ? <ArrowDown size={13} aria-hidden="true" /> : <ArrowUp size={13} aria-hidden="true" />)}
        </button>
      )}
      <span
        role="separator"
        tabIndex={0}
        aria-orientation="vertical"
        aria-label={`Width of ${words}`}
        aria-valuenow={width ?? 0}
        className="absolute end-0 top-0 h-full w-2 cursor-col-resize border-e border-line"
        onPointerDown={(event) => {
          const start = event.clientX;
          const from = cell.current?.offsetWidth ?? 120;
          const move = (next: PointerEvent): void => resize(from + next.clientX - start);
          window.addEventListener('pointermove', move);
          window.addEventListener('pointerup', () => window.removeEventListener('pointermove', move), { once: true });
        }}
        onKeyDown={(event) => {
          const step = event.key === 'ArrowRight' ? 16 : event.key === 'ArrowLeft' ? -16 : 0;
          if (step !== 0) resize((cell.current?.offsetWidth ?? 120) + step);
        }}
      />
    </th>
  );
}

interface RowProps {
  row: RowView;
  index: number;
  columns: readonly Column[];
  onAct: (rows: readonly RowView[], intentions: readonly WideIntention[]) => void;
}

function Row({ row, index, columns, onAct }: RowProps) {
  const { day: today } = useNow();
  const style = useAppSelector((state) => state.settings.dateStyle);
  const selected = useAppSelector((state) => state.selection[row.id] !== undefined);
  const open = isOpen(row.status);
  return (
    <tr
      data-index={index}
      data-row={row.id}
      className={`group/row border-b border-line align-top ${selected ? 'row-selected' : 'hover:bg-raised'}`}
    >
      <td className="py-1 pe-3">
        <span className="relative flex items-start gap-1.5">
          {row.what === 'task' && <PickEdge row={row} selected={selected} />}
          {row.what === 'task' ? (
            <TaskMark
              look={markOf(row)}
              of={row.text}
              selected={selected}
              onTick={() => onAct([row], [{ do: 'status', status: open ? 'done' : 'todo' }])}
              onRaise={() => onAct([row], [{ do: 'raise', wraps: true }])}
            />
          ) : null}
          {row.what === 'note' ? (
            <Link className="row-focus name-link" to={noteAddress(row.path)}>
              {row.text}
            </Link>
          ) : (
            <span className={open ? '' : 'closed-text'}>
              <InlineText text={row.text} />
            </span>
          )}
        </span>
      </td>
      {columns.map((column) => (
        <td
          key={column}
          className={`py-1 pe-3 ${NARROW.has(column) ? 'whitespace-nowrap' : ''} ${column === 'due' && row.late ? 'font-semibold text-late' : ''}`}
        >
          <Cell row={row} column={column}>
            {cellText(row, column, today, style)}
          </Cell>
        </td>
      ))}
      <td className="py-0.5">
        {row.what === 'task' && <RowMenuButton row={row} onAct={(intentions) => onAct([row], intentions)} onReword={null} />}
      </td>
    </tr>
  );
}

/** What names a place leads there. */
function Cell({ row, column, children }: { row: RowView; column: Column; children: ReactNode }) {
  if (column !== 'note' && column !== 'heading') return children;
  return (
    <Link className="hover:underline" to={noteAddress(row.path, row.line)}>
      {children}
    </Link>
  );
}

function Spacer({ height, columns }: { height: number; columns: number }) {
  return height > 0 ? (
    <tr aria-hidden="true">
      <td colSpan={columns} style={{ height }} />
    </tr>
  ) : null;
}
