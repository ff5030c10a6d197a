import { useCallback } from 'react';
import type { BoardColumn } from '../../../core/gather/forms/board';
import type { GroupKeyName } from '../../../core/gather/language/ast';
import { dropOnColumn } from '../../../core/gather/writing/drop-on-column';
import type { RowView } from '../../../core/index/live/view';
import { foldPath } from '../../../core/note/names/path';
import { refuse } from '../../session/telling/messages';
import { type DialogTask, dialogTask } from '../../session/acting/task-dialog';
import { useAct, useToldDone } from '../../session/acting/use-act';
import { useServices } from '../../session/state/services';
import { useAddedStatuses } from '../../session/state/use-statuses';
import type { ActOnRow } from '../list/use-list-actions';
import { useMoveNote } from './use-move-note';

/** Where among the cards of a column something was let go. */
export interface BesideCard {
  row: RowView;
  side: 'before' | 'behind';
}

/** Puts cards into another column of their board, or to another place in one whose order is that of the lines. */
export interface BoardMoves {
  /** Cards that were dragged there. */
  drop: (tasks: readonly DialogTask[], from: BoardColumn<RowView> | null, to: BoardColumn<RowView>, beside: BesideCard | null) => void;
  /** One card, by key: the focus goes with it. */
  move: (row: RowView, from: BoardColumn<RowView>, to: BoardColumn<RowView>) => void;
  /** One card before or behind another one of its column, by key. */
  place: (row: RowView, beside: BesideCard) => void;
}

/** How cards go from column to column: their lines get what the column demands, and what cannot be is said. */
export function useBoardMoves(by: GroupKeyName, columns: readonly BoardColumn<RowView>[], onAct: ActOnRow): BoardMoves {
  const { actions } = useServices();
  const { actAll } = useAct();
  const told = useToldDone();
  const added = useAddedStatuses();
  const moveNote = useMoveNote();
  const putBeside = useCallback(
    (task: DialogTask, { row, side }: BesideCard): void => {
      const label = `Moved: ${task.text}`;
      void actions.placeBeside(task.ref, dialogTask(row).ref, side, label).then((result) => {
        if ('refused' in result) refuse(result.refused);
        else told(label, result.step);
      });
    },
    [actions, told],
  );
  const drop = useCallback<BoardMoves['drop']>(
    (tasks, from, to, beside) => {
      const [first] = tasks;
      // On a board by heading the order is that of the lines: the line goes to where it was let go.
      const isLine = by === 'heading' && tasks.length === 1 && !to.finished && from?.finished !== true;
      if (first && beside && isLine && foldPath(first.ref.path) === foldPath(beside.row.path)) {
        if (first.ref.line !== beside.row.line) putBeside(first, beside);
        return;
      }
      const row = first && tasks.length === 1 ? cardOf(columns, first) : undefined;
      const demanded = dropOnColumn(by, from, to, added, row ? borneBy(by, row) : []);
      if ('refused' in demanded) refuse(demanded.refused);
      else if (demanded.intentions.length > 0) void actAll([...tasks], demanded.intentions);
    },
    [by, columns, added, actAll, putBeside],
  );
  const move = useCallback<BoardMoves['move']>(
    (row, from, to) => {
      if (row.what === 'note') return void moveNote(row, by, to);
      const demanded = dropOnColumn(by, from, to, added, borneBy(by, row));
      if ('refused' in demanded) refuse(demanded.refused);
      else if (demanded.intentions.length > 0) onAct(row, demanded.intentions, true);
    },
    [by, added, onAct, moveNote],
  );
  const place = useCallback<BoardMoves['place']>((row, beside) => putBeside(dialogTask(row), beside), [putBeside]);
  return { drop, move, place };
}

/** The card of a task that is dragged. */
const cardOf = (columns: readonly BoardColumn<RowView>[], { ref }: DialogTask): RowView | undefined =>
  columns.flatMap(({ all }) => all).find(({ path, raw }) => path === ref.path && raw === ref.expected);

/** The tags or people that a card bears, where the board is of those. */
const borneBy = (by: GroupKeyName, row: RowView): readonly string[] => (by === 'tag' ? row.tags : by === 'person' ? row.people : []);
