import { type DragEvent, type KeyboardEvent, useCallback, useMemo, useRef, useState } from 'react';
import type { BoardColumn } from '../../../core/gather/forms/board';
import { formText } from '../../../core/gather/saying/print';
import { finishing } from '../../../core/gather/writing/drop-on-column';
import { type RowView, columnsOf } from '../../../core/index/live/view';
import { ListFooter } from '../list/ListFooter';
import type { FormProps } from '../list/form-props';
import { useFolded } from '../list/use-folded';
import { type ActOnRow, useListActions } from '../list/use-list-actions';
import { useAppSelector } from '../../session/state/state';
import { rowIdAt } from '../rows/list-focus';
import { RowPicking } from '../rows/picking/row-picking';
import type { TaskDrag } from '../rows/task-drag';
import { Column } from './Column';
import { columnId } from './column-id';
import { type BesideCard, useBoardMoves } from './use-board-moves';

/** So many columns are drawn at first; a key may have thousands of values. */
const MOST_COLUMNS = 30;

/** The width of a folded column, and the least of one that is not, in rem. */
const FOLDED = 10;
const NARROWEST = 12.5;

/** What stands for the boxes of the cards among what is folded: no column is called so. */
const BOXES = '\nboxes';

/** A gather as a board: a column a value, and a card that is put into another one gets what that demands. */
export function GatherBoard({ answer, groupHeading, name, showAll, writing, onClause }: FormProps) {
  const board = useRef<HTMLDivElement>(null);
  const { form, columns: fields } = answer;
  const by = form?.is === 'board' ? form.by : 'status';
  const finishedHeading = useAppSelector((state) => state.settings.finishedHeading);
  const columns = useMemo(() => columnsOf(answer, finishedHeading) ?? [], [answer, finishedHeading]);
  const [most, setMost] = useState(MOST_COLUMNS);
  const [sought, setSought] = useState('');
  const drawn = useMemo(() => {
    const wanted = sought.trim().toLowerCase();
    const named = wanted === '' ? columns : columns.filter(({ label }) => label.toLowerCase().includes(wanted));
    return named.length <= most ? named : [...named.slice(0, most - 1), ...named.slice(-1)];
  }, [columns, most, sought]);
  const rows = useMemo(() => drawn.flatMap(({ cards }) => cards), [drawn]);
  // A card that is ticked goes to where finished cards are, and does not wait.
  const held = useMemo(() => ({ groups: answer.groups, hold: () => undefined }), [answer]);
  const { onAct, pick, list } = useListActions(board, held, rows);
  const { folded, toggle } = useFolded(name);
  const boxes = useMemo(() => ({ shown: !folded.has(BOXES), onChange: () => toggle(BOXES) }), [folded, toggle]);
  const dragged = useRef<number | null>(null);
  const isFolded = (column: BoardColumn<RowView>): boolean => folded.has(columnId(column));
  const moves = useBoardMoves(by, columns, onAct);
  const end = columns.find(({ finished }) => finished);
  const ticks = useCallback<ActOnRow>(
    (row, intentions, byKey) => {
      const [first] = intentions;
      // Its tick is the same deed as a drop among what is finished: on a board by heading its line goes there too.
      const goes = by === 'heading' && first?.do === 'status' && first.status === 'done' && row.every === null;
      const isThere = end?.all.some(({ path }) => path === row.path) === true;
      onAct(row, goes && end && isThere ? finishing(by, end.group) : intentions, byKey);
    },
    [by, end, onAct],
  );
  const columnOf = (row: RowView, target: EventTarget | null): BoardColumn<RowView> | undefined => {
    const id = target instanceof Element ? target.closest<HTMLElement>('[data-column]')?.dataset['column'] : undefined;
    return drawn.find((one) => columnId(one) === id) ?? drawn.find(({ cards }) => cards.includes(row));
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const side = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    const step = { ArrowUp: -1, ArrowDown: 1 }[event.key];
    const id = rowIdAt(event.target);
    const row = rows.find((one) => one.id === id);
    const column = row && columnOf(row, event.target);
    if (step !== undefined && event.altKey && !event.shiftKey && row && column && by === 'heading' && isOnMark(event.target)) {
      event.preventDefault();
      event.stopPropagation();
      const other = column.cards[column.cards.indexOf(row) + step];
      if (other?.path === row.path) moves.place(row, { row: other, side: step === 1 ? 'behind' : 'before' });
      return;
    }
    if (side === undefined || !row || !column || event.ctrlKey || event.metaKey || event.altKey || !isOnMark(event.target))
      return list.onKeyDown(event);
    const at = drawn.indexOf(column);
    event.preventDefault();
    event.stopPropagation();
    if (event.shiftKey) {
      const to = drawn[at + side];
      if (to) moves.move(row, column, to);
      return;
    }
    // The card beside it, in the next column that has any.
    const next = (side === 1 ? drawn.slice(at + 1) : drawn.slice(0, at).reverse()).find((one) => one.cards.length > 0 && !isFolded(one));
    const card = next?.cards[Math.min(column.cards.indexOf(row), next.cards.length - 1)];
    if (card && next) focusCard(board.current, columnId(next), card.id);
  };
  const drop = (to: BoardColumn<RowView>, { tasks, from: came }: TaskDrag, event: DragEvent): void => {
    const from = came?.length === 1 ? columns.find(({ group }) => group === came[0]) : undefined;
    moves.drop(tasks, from ?? null, to, besideOf(event, to.cards));
  };
  const rename = (next: readonly BoardColumn<RowView>[]): void => {
    if (form?.is !== 'board') return;
    // Where finished cards go stays last by itself, unless it is a heading.
    const keys = next.filter(({ finished }) => !finished || by === 'heading').map(({ key, label }) => (by === 'note' ? label : key));
    onClause('as', `as ${formText({ ...form, columns: keys })}`);
  };
  const putAt = (at: number, to: number): void => {
    const next = [...columns];
    const [one] = next.splice(at, 1);
    if (one) next.splice(to, 0, one);
    rename(next);
  };
  const moved = (at: number, side: number) => (): void => putAt(at, at + side);
  const canMove = (at: number, side: number): boolean => {
    const [one, other] = [columns[at], columns[at + side]];
    return one !== undefined && other !== undefined && !one.finished && !other.finished && columns.length <= most && sought === '';
  };
  const widths = drawn.map((column) => (isFolded(column) ? `${FOLDED}rem` : 'minmax(var(--column, 0px), var(--column, 1fr))')).join(' ');
  const minWidth = `${drawn.reduce((sum, column) => sum + (isFolded(column) ? FOLDED : NARROWEST), 0)}rem`;
  return (
    <RowPicking value={pick}>
      <div className="board-ways relative -mx-2 overflow-x-auto px-2 pb-2">
        <div
          ref={board}
          {...list}
          onKeyDown={onKeyDown}
          className={`board-grid grid items-start gap-3 rounded-xl bg-ground p-3 ${boxes.shown ? '' : 'board-boxless'}`}
          style={{ gridTemplateColumns: widths, minWidth }}
        >
          {drawn.map((column, at) => (
            <Column
              key={columnId(column)}
              by={by}
              column={column}
              fields={fields}
              level={groupHeading}
              writing={writing}
              isFolded={isFolded(column)}
              onFold={() => toggle(columnId(column))}
              onMove={{ back: canMove(at, -1) ? moved(at, -1) : null, on: canMove(at, 1) ? moved(at, 1) : null }}
              onDrag={
                canMove(at, -1) || canMove(at, 1)
                  ? (isHeld) => {
                      dragged.current = isHeld ? at : null;
                    }
                  : null
              }
              onColumn={() => {
                const { current } = dragged;
                if (current !== null && current !== at && !column.finished) putAt(current, at);
              }}
              boxes={boxes}
              onAct={ticks}
              onDrop={(drag, event) => drop(column, drag, event)}
            />
          ))}
        </div>
      </div>
      {(columns.length > most || sought !== '') && (
        <p className="mt-1 flex flex-wrap items-center gap-2 text-[0.86rem] text-muted">
          <input
            type="search"
            className="field w-56"
            aria-label="Find a column"
            placeholder="Find a column"
            value={sought}
            onChange={(event) => setSought(event.target.value)}
          />
          {drawn.length} of {columns.length} columns are drawn.{' '}
          <button type="button" className="line-button" onClick={() => setMost(most + MOST_COLUMNS)}>
            Show some more
          </button>{' '}
          Which ones, and in what order, can be said in the text: <code>{`board by ${by} (one, another, none)`}</code>
        </p>
      )}
      <ListFooter answer={answer} showAll={showAll} />
    </RowPicking>
  );
}

/** The card over which something was let go, and on which side of its middle. */
function besideOf(event: DragEvent, cards: readonly RowView[]): BesideCard | null {
  const id = rowIdAt(event.target);
  const row = cards.find((one) => one.id === id);
  const card = event.target instanceof Element ? event.target.closest('[data-row]')?.getBoundingClientRect() : undefined;
  return row && card ? { row, side: event.clientY < card.top + card.height / 2 ? 'before' : 'behind' } : null;
}

const isOnMark = (target: EventTarget): boolean => target instanceof HTMLElement && target.matches('.task-mark, .row-focus');

function focusCard(board: HTMLElement | null, column: string, id: string): void {
  const columns = [...(board?.querySelectorAll<HTMLElement>('[data-column]') ?? [])].filter((one) => one.dataset['column'] === column);
  const cards = columns.flatMap((one) => [...one.querySelectorAll<HTMLElement>('[data-row]')]);
  const mark = cards.find((one) => one.dataset['row'] === id)?.querySelector<HTMLElement>('.task-mark, .row-focus');
  mark?.focus();
  mark?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
}
