import { selectionSlice } from '../../session/state/selection-slice';
import { useAppDispatch, useAppSelector } from '../../session/state/state';
import { dialogTask } from '../../session/acting/task-dialog';
import { useAct } from '../../session/acting/use-act';
import { useListAnswers } from '../../session/asked/use-answer';

/**
 * Takes what a list holds, or what is selected of it, along into the note above: moved with all under it, or as echoes.
 *
 * @param lists names the list, by which its answer is found
 */
export function TakeAlong({ lists, at }: { lists: string; at: string }) {
  const [answer] = useListAnswers(lists, 0, 1);
  const selection = useAppSelector((state) => state.selection);
  const dispatch = useAppDispatch();
  const { actAll } = useAct();
  const rows = answer?.groups.flatMap((group) => group.rows) ?? [];
  const chosen = rows.filter(({ id }) => selection[id] !== undefined);
  const taken = chosen.length > 0 ? chosen : rows;
  if (rows.length === 0) return null;
  const act = (how: 'move' | 'echo'): void => {
    void actAll(taken.map(dialogTask), [how === 'move' ? { do: 'move', to: at } : { do: 'echo', in: at }]);
    dispatch(selectionSlice.actions.cleared());
  };
  return (
    <p className="no-print flex flex-wrap gap-1 pb-2 text-[0.9rem]">
      <button type="button" className="quiet-button" onClick={() => act('move')}>
        Take {chosen.length > 0 ? `${chosen.length} selected` : 'all'} along
      </button>
      <button type="button" className="quiet-button" onClick={() => act('echo')}>
        as echoes
      </button>
    </p>
  );
}
