import type { BoardColumn } from '../../../core/gather/forms/board';
import type { RowView } from '../../../core/index/live/view';
import { dialogTask } from '../../session/acting/task-dialog';
import { frameSlice } from '../../session/state/frame-slice';
import { useAppDispatch } from '../../session/state/state';

/** Takes the finished cards of a board into their archives, once it was said how many go where. */
export function ArchiveColumn({ column }: { column: BoardColumn<RowView> }) {
  const dispatch = useAppDispatch();
  const cards = column.all.filter(({ what }) => what === 'task');
  if (cards.length === 0) return null;
  return (
    <button
      type="button"
      className="line-button no-print mt-1"
      onClick={() => dispatch(frameSlice.actions.dialogShown({ is: 'archive', refs: cards.map((card) => dialogTask(card).ref) }))}
    >
      Archive {cards.length}…
    </button>
  );
}
