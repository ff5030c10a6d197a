import { useCallback } from 'react';
import type { BoardColumn } from '../../../core/gather/answer/board';
import type { GroupKeyName } from '../../../core/gather/language/ast';
import { dropOnColumn } from '../../../core/gather/writing/drop-on-column';
import type { RowView } from '../../../core/index/live/view';
import { refuse } from '../../session/acting/messages';
import type { DialogTask } from '../../session/acting/task-dialog';
import { useAct } from '../../session/acting/use-act';
import { useAddedStatuses } from '../../session/state/use-statuses';
import type { ActOnRow } from '../list/use-list-actions';
import { useMoveNote } from './use-move-note';

/** Puts cards into another column of their board. */
export interface BoardMoves {
  /** Cards that were dragged there. */
  drop: (tasks: readonly DialogTask[], from: BoardColumn<RowView> | null, to: BoardColumn<RowView>) => void;
  /** One card, by key: the focus goes with it. */
  move: (row: RowView, from: BoardColumn<RowView>, to: BoardColumn<RowView>) => void;
}

/** How cards go from column to column: their lines get what the column demands, and what cannot be is said. */
export function useBoardMoves(by: GroupKeyName, onAct: ActOnRow): BoardMoves {
  const { actAll } = useAct();
  const added = useAddedStatuses();
  const moveNote = useMoveNote();
  const drop = useCallback<BoardMoves['drop']>(
    (tasks, from, to) => {
      const demanded = dropOnColumn(by, from, to, added);
      if ('refused' in demanded) refuse(demanded.refused);
      else if (demanded.intentions.length > 0) void actAll([...tasks], demanded.intentions);
    },
    [by, added, actAll],
  );
  const move = useCallback<BoardMoves['move']>(
    (row, from, to) => {
      if (row.what === 'note') return void moveNote(row, by, to);
      const demanded = dropOnColumn(by, from, to, added);
      if ('refused' in demanded) refuse(demanded.refused);
      else if (demanded.intentions.length > 0) onAct(row, demanded.intentions, true);
    },
    [by, added, onAct, moveNote],
  );
  return { drop, move };
}
