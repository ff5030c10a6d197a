import { Link } from 'react-router';
import { timeName } from '../../../core/calendar/span';
import type { SheetEntry } from '../../../core/gather/forms/sheet';
import type { RowView } from '../../../core/index/live/view';
import { isOpen } from '../../../core/task/line/status';
import { TaskMark } from '../../../ui/marks/TaskMark';
import { BY_TOUCH } from '../../../ui/input/by-touch';
import { dialogTask } from '../../session/acting/task-dialog';
import { noteAddress } from '../../session/places/addresses';
import { useAppSelector } from '../../session/state/state';
import { useAddedStatus } from '../../session/state/use-statuses';
import { plainWords } from '../../frame/strip/plain-words';
import type { ActOnRow } from '../list/use-list-actions';
import { markOf } from '../rows/row-columns';
import { endDrag, startDrag } from '../rows/task-drag';
import type { SheetMoves } from './use-sheet-moves';

interface EntryProps {
  entry: SheetEntry<RowView>;
  /** Whether it lies over several days. */
  isBar: boolean;
  moves: SheetMoves;
  onAct: ActOnRow;
}

/** A task on a sheet of days. What is due bears an edge and says so; what is planned is filled. */
export function Entry({ entry, isBar, moves, onAct }: EntryProps) {
  const { row, is } = entry;
  const selected = useAppSelector((state) => state.selection[row.id] !== undefined);
  const selection = useAppSelector((state) => (selected ? state.selection : null));
  const added = useAddedStatus(row.sign);
  const open = isOpen(row.status);
  const minute = is === 'due' ? row.due?.minute : row.plan?.minute;
  const look =
    is === 'plan'
      ? 'bg-primary-soft'
      : `border border-edge border-s-[4px] ${row.late ? 'border-s-late' : ''} ${is === 'both' ? 'bg-primary-soft' : ''}`;
  return (
    <li
      data-row={row.id}
      data-raw={row.raw}
      data-path={row.path}
      data-entry={is}
      className={`mb-0.5 flex min-h-[25px] items-center rounded-md text-[0.8rem] ${look} ${selected ? 'row-selected' : ''} ${isBar ? 'h-[1.65rem]' : ''}`}
      draggable={row.what === 'task' && !BY_TOUCH}
      onDragStart={(event) => {
        event.stopPropagation();
        moves.begin(is);
        startDrag(event, { tasks: (selection ? Object.values(selection) : [row]).map(dialogTask), from: null });
      }}
      onDragEnd={() => {
        endDrag();
        moves.end();
      }}
    >
      {row.what === 'task' && (
        <TaskMark
          look={markOf(row, added)}
          of={`${row.text}, ${is === 'plan' ? 'planned' : 'due'}`}
          selected={selected}
          onTick={(byKey) => onAct(row, [{ do: 'status', status: open ? 'done' : 'todo' }], byKey)}
          onRaise={() => onAct(row, [{ do: 'raise', wraps: true }], false)}
        />
      )}
      <Link
        to={noteAddress(row.path, row.what === 'note' ? undefined : row.line)}
        title={plainWords(row.text)}
        className={`min-w-0 flex-1 truncate pe-1 hover:underline ${row.what === 'task' ? '' : 'row-focus ps-1'} ${open ? '' : 'closed-text'}`}
      >
        {is !== 'plan' && <span className={`font-semibold ${row.late ? 'text-late' : 'text-muted'}`}>due </span>}
        {minute != null && <span className="text-muted tabular-nums">{timeName(minute)} </span>}
        {plainWords(row.text)}
      </Link>
    </li>
  );
}
