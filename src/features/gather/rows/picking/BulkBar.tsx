import { ListChecks, X } from 'lucide-react';
import { useCallback, useEffect } from 'react';
import type { WideIntention } from '../../../../core/task/acts/intention';
import { foldPath } from '../../../../core/note/names/path';
import { Menu } from '../../../../ui/menu/menu';
import { useServices } from '../../../session/state/services';
import { frameSlice } from '../../../session/state/frame-slice';
import { selectionSlice } from '../../../session/state/selection-slice';
import { useAppDispatch, useAppSelector } from '../../../session/state/state';
import { dialogTask } from '../../../session/acting/task-dialog';
import { counted, useAct } from '../../../session/acting/use-act';
import { late } from '../../../../ui/late';

const TaskEntries = late(() => import('../TaskEntries').then((part) => part.TaskEntries));

/** What is selected, and what can be done to all of it in one step. */
export function BulkBar() {
  const selection = useAppSelector((state) => state.selection);
  const dispatch = useAppDispatch();
  const { actAll } = useAct();
  const { store } = useServices();
  useEffect(
    () =>
      store.listen({
        changed: (changes) => {
          const went = changes.filter(({ content }) => content === null).map(({ path }) => foldPath(path));
          if (went.length > 0) dispatch(selectionSlice.actions.notesWent(went));
        },
      }),
    [store, dispatch],
  );
  const selecting = useAppSelector((state) => state.frame.selecting);
  const rows = Object.values(selection);
  const clear = useCallback((): void => {
    dispatch(selectionSlice.actions.cleared());
    dispatch(frameSlice.actions.selectingChanged(false));
  }, [dispatch]);
  const shown = rows.length > 0 || selecting;
  useEffect(() => {
    if (!shown) return;
    // Wherever the focus is; but what lies over the page steps back first.
    const leave = (event: KeyboardEvent): void => {
      if (event.key === 'Escape' && !event.defaultPrevented && !document.querySelector('[role=dialog], [role=menu]')) clear();
    };
    window.addEventListener('keydown', leave);
    return () => window.removeEventListener('keydown', leave);
  }, [shown, clear]);
  if (!shown) return null;
  const notes = new Set(rows.map((row) => row.path)).size;
  const act = (intentions: readonly WideIntention[]): void => {
    // Two days are swapped by acting on one of the two.
    const acted = intentions[0]?.do === 'swap' ? rows.slice(0, 1) : rows;
    void actAll(acted.map(dialogTask), intentions).then(clear);
  };
  return (
    <div
      role="region"
      aria-label="Selected tasks"
      className="no-print fixed bottom-9 left-1/2 z-30 flex -translate-x-1/2 items-center gap-2 rounded-xl border border-line bg-sheet px-3 py-1.5 shadow-xl max-sm:bottom-24"
    >
      <ListChecks size={16} aria-hidden="true" className="text-primary" />
      <span className="font-semibold">
        {rows.length === 0 ? 'Press the tasks that you mean' : `${counted(rows.length, 'task')} in ${counted(notes, 'note')}`}
      </span>
      {rows.length > 0 && (
        <>
          <button type="button" className="line-button" onClick={() => act([{ do: 'status', status: 'done' }])}>
            Done
          </button>
          <button type="button" className="line-button" onClick={() => act([{ do: 'push', to: 'tomorrow' }])}>
            To tomorrow
          </button>
          <Menu
            trigger={
              <button type="button" className="line-button">
                More…
              </button>
            }
          >
            <TaskEntries rows={rows} onAct={act} />
          </Menu>
        </>
      )}
      <button type="button" className="quiet-button" aria-label="Select nothing" onClick={clear}>
        <X size={16} aria-hidden="true" />
      </button>
    </div>
  );
}
