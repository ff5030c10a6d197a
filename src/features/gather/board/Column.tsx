import { type DragEvent, useCallback, useMemo, useRef } from 'react';
import type { BoardColumn } from '../../../core/gather/forms/board';
import type { Column as Field, GroupKeyName } from '../../../core/gather/language/ast';
import { columnGather } from '../../../core/gather/writing/column-gather';
import { NO_GROUP } from '../../../core/index/live/no-group';
import type { GroupView, RowView } from '../../../core/index/live/view';
import { useWindow } from '../../../ui/window/use-window';
import type { FormProps } from '../list/form-props';
import { NewTaskLine } from '../list/NewTaskLine';
import type { ActOnRow } from '../list/use-list-actions';
import { GatherRow } from '../rows/GatherRow';
import type { TaskDrag } from '../rows/task-drag';
import { useTaskDrop } from '../rows/use-task-drop';
import { ArchiveColumn } from './ArchiveColumn';
import { COLUMN_TYPE, ColumnHead, type ColumnHeadProps } from './ColumnHead';
import { columnId } from './column-id';

interface ColumnProps {
  by: GroupKeyName;
  column: BoardColumn<RowView>;
  fields: readonly Field[] | null;
  level: 'h3' | 'h4';
  writing: FormProps['writing'];
  isFolded: boolean;
  onFold: () => void;
  onMove: ColumnHeadProps['onMove'];
  onDrag: ColumnHeadProps['onDrag'];
  boxes: ColumnHeadProps['boxes'];
  /** Another column was let go over it. */
  onColumn: () => void;
  onAct: ActOnRow;
  /** Cards were let go over it, or over one of its cards. */
  onDrop: (drag: TaskDrag, event: DragEvent) => void;
}

/** What a card takes until it was measured, in pixels. */
const cardHeight = (): number => 72;

/** A column of a board: its head, its cards, and where another is written. */
export function Column({
  by,
  column,
  fields,
  level,
  writing,
  isFolded,
  onFold,
  onMove,
  onDrag,
  boxes,
  onColumn,
  onAct,
  onDrop,
}: ColumnProps) {
  const list = useRef<HTMLUListElement>(null);
  const { isOver, handlers } = useTaskDrop(onDrop);
  const cards = isFolded ? NONE : column.cards;
  const keyOf = useCallback((index: number) => cards[index]?.key ?? '', [cards]);
  const shown = useWindow(list, cards.length, keyOf, cardHeight);
  // A card knows its column by its key.
  const group = useMemo((): GroupView => ({ ...NO_GROUP, keys: [column.group] }), [column.group]);
  const gather = useMemo(() => writing && columnGather(writing.gather, by, column), [writing, by, column]);
  return (
    <section
      aria-label={column.label}
      data-column={columnId(column)}
      className={`board-column min-w-0 ${isOver ? 'board-column-over' : ''}`}
      {...handlers}
      onDragOver={(event) => {
        handlers.onDragOver(event);
        if (event.dataTransfer.types.includes(COLUMN_TYPE)) event.preventDefault();
      }}
      onDrop={(event) => {
        handlers.onDrop(event);
        if (event.dataTransfer.types.includes(COLUMN_TYPE)) onColumn();
      }}
    >
      <ColumnHead by={by} column={column} level={level} isFolded={isFolded} onFold={onFold} onMove={onMove} onDrag={onDrag} boxes={boxes} />
      {!isFolded && (
        <>
          <ul ref={list} className="board-cards">
            {shown.before > 0 && <li style={{ height: shown.before }} aria-hidden="true" />}
            {cards.slice(shown.from, shown.to).map((row, at) => (
              <GatherRow key={row.key} row={row} group={group} index={shown.from + at} columns={fields} withSource onAct={onAct} />
            ))}
            {shown.behind > 0 && <li style={{ height: shown.behind }} aria-hidden="true" />}
          </ul>
          {column.finished && <ArchiveColumn column={column} />}
          {gather && writing && <NewTaskLine gather={gather} at={writing.at} written={writing.written} label="Write a card" />}
        </>
      )}
    </section>
  );
}

const NONE: readonly RowView[] = [];
