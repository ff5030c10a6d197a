import { ArrowDown, ArrowUp } from 'lucide-react';
import { type ReactNode, useCallback, useMemo, useRef } from 'react';
import { Link } from 'react-router';
import type { Column } from '../../../core/gather/language/ast';
import type { RowView } from '../../../core/index/live/view';
import { isOpen } from '../../../core/task/line/status';
import { InlineText } from '../../../ui/InlineText';
import { TaskMark } from '../../../ui/marks/TaskMark';
import { useWindow } from '../../../ui/window/use-window';
import { noteAddress } from '../../session/places/addresses';
import { frameSlice } from '../../session/state/frame-slice';
import { useNow } from '../../session/state/services';
import { useAppDispatch, useAppSelector } from '../../session/state/state';
import { PickEdge } from '../rows/picking/PickEdge';
import { RowMenuButton } from '../rows/RowMenu';
import type { FormProps } from './form-props';
import { itemsOf } from './list-items';
import { ListFooter } from './ListFooter';
import { cellText, markOf } from '../rows/row-columns';
import { RowPicking } from '../rows/picking/row-picking';
import { type ActOnRow, useListActions, useShownGroups } from './use-list-actions';
import { useAddedStatus } from '../../session/state/use-statuses';
import { soleLink } from '../../../core/note/names/sole-link';
import { DigestOf } from '../../meeting/digest/LazyDigest';
import { NextStepOf } from '../../pages/project/LazyNextStep';
import { ProjectProgress } from '../../pages/project/LazyProjectProgress';

const USUAL: readonly Column[] = ['due', 'plan', 'takes', 'note'];
const USUAL_OF_NOTES: readonly Column[] = ['kind', 'open', 'done', 'date'];
/** Columns by which rows cannot be put in order. */
const UNORDERED: ReadonlySet<Column> = new Set([
  'tag',
  'person',
  'link',
  'about',
  'heading',
  'every',
  'steps',
  'remind',
  'ref',
  'needs',
  'digest',
  'next step',
]);
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
  'created',
  'changed',
  'takes',
  'status',
  'priority',
]);
const NONE: ReadonlySet<string> = new Set();
/** What a row of a table takes until it was measured, in pixels. */
const rowHeight = (): number => 34;

/** A gather as a table: a column a field, put in order by a click on its head, as wide as one likes. */
export function GatherTable({ answer, name, showAll, order, onOrder }: FormProps) {
  const body = useRef<HTMLTableSectionElement>(null);
  const held = useShownGroups(answer);
  const items = useMemo(() => itemsOf(held.groups, NONE), [held.groups]);
  const rows = useMemo(() => items.flatMap((item) => (item.is === 'row' ? [item.row] : [])), [items]);
  const keyOf = useCallback((index: number) => items[index]?.key ?? '', [items]);
  const shown = useWindow(body, items.length, keyOf, rowHeight);
  const { onAct, pick, list } = useListActions(body, held, rows);
  const ofNotes = answer.from === 'notes' || answer.from === 'meetings';
  const columns = (answer.columns ?? (ofNotes ? USUAL_OF_NOTES : USUAL)).filter((column) => column !== 'text' && column !== 'title');
  return (
    <RowPicking value={pick}>
      <div className="relative overflow-x-auto ps-4" data-table>
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
          <tbody ref={body} {...list}>
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
              return <Row key={item.key} row={item.row} index={index} columns={columns} onAct={onAct} />;
            })}
            <Spacer height={shown.behind} columns={columns.length + 2} />
          </tbody>
        </table>
        <ListFooter answer={answer} showAll={showAll} />
      </div>
    </RowPicking>
  );
}

interface HeadProps {
  column: Column;
  words: string;
  name: string;
  order: FormProps['order'];
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
          const end = new AbortController();
          window.addEventListener('pointermove', move, { signal: end.signal });
          for (const last of ['pointerup', 'pointercancel']) window.addEventListener(last, () => end.abort(), { signal: end.signal });
        }}
        onKeyDown={(event) => {
          const step = event.key === 'ArrowRight' ? 16 : event.key === 'ArrowLeft' ? -16 : 0;
          if (step === 0) return;
          event.preventDefault();
          resize((cell.current?.offsetWidth ?? 120) + step);
        }}
      />
    </th>
  );
}

interface RowProps {
  row: RowView;
  index: number;
  columns: readonly Column[];
  onAct: ActOnRow;
}

function Row({ row, index, columns, onAct }: RowProps) {
  const { day: today } = useNow();
  const style = useAppSelector((state) => state.settings.dateStyle);
  const selected = useAppSelector((state) => state.selection[row.id] !== undefined);
  const open = isOpen(row.status);
  const added = useAddedStatus(row.sign);
  return (
    <tr
      data-index={index}
      data-row={row.id}
      data-raw={row.raw}
      data-path={row.path}
      className={`group/row border-b border-line align-top ${selected ? 'row-selected' : 'hover:bg-raised'}`}
    >
      <td className="py-1 pe-3">
        <span className="relative flex items-start gap-1.5">
          {row.what === 'task' && <PickEdge row={row} selected={selected} />}
          {row.what === 'task' ? (
            <TaskMark
              look={markOf(row, added)}
              of={row.text}
              selected={selected}
              onTick={(byKey) => onAct(row, [{ do: 'status', status: open ? 'done' : 'todo' }], byKey)}
              onRaise={() => onAct(row, [{ do: 'raise', wraps: true }], false)}
            />
          ) : null}
          {row.what === 'note' ? (
            <Link className="row-focus name-link" to={noteAddress(row.path)}>
              {row.text}
            </Link>
          ) : (
            <span className={`min-w-[9rem] [overflow-wrap:anywhere] ${open ? '' : 'closed-text'}`}>
              <InlineText text={row.text} leads />
              {row.what === 'task' && soleLink(row.text) !== null && <ProjectProgress text={row.text} from={row.path} />}
            </span>
          )}
        </span>
      </td>
      {columns.map((column) => (
        <td
          key={column}
          className={`py-1 pe-3 ${NARROW.has(column) ? 'whitespace-nowrap' : '[overflow-wrap:anywhere]'} ${column === 'due' && row.late ? 'font-semibold text-late' : ''}`}
        >
          <Cell row={row} column={column}>
            {column === 'status' && added ? added.name : cellText(row, column, today, style)}
          </Cell>
        </td>
      ))}
      <td className="py-0.5">
        {row.what === 'task' && <RowMenuButton row={row} onAct={(intentions) => onAct(row, intentions, false)} onReword={null} />}
      </td>
    </tr>
  );
}

/** What names a place leads there. */
function Cell({ row, column, children }: { row: RowView; column: Column; children: ReactNode }) {
  if (column === 'digest') return row.kind === 'meeting' && <DigestOf path={row.path} />;
  if (column === 'next step') return row.what === 'note' && <NextStepOf path={row.path} />;
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
