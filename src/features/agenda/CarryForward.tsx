import { CalendarArrowUp } from 'lucide-react';
import { useMemo } from 'react';
import type { AnswerView, RowView } from '../../core/index/view';
import { isOpen } from '../../core/task/status';
import { frameSlice } from '../session/frame-slice';
import { useAppDispatch } from '../session/state';
import { dialogTask } from '../session/task-dialog';
import { counted, useAct } from '../session/use-act';

/** Takes what today leaves open to another day, in one stroke. */
export function CarryForward({ answers }: { answers: readonly (AnswerView | undefined)[] }) {
  const { actAll } = useAct();
  const dispatch = useAppDispatch();
  const rows = useMemo(() => openRows(answers), [answers]);
  const tasks = useMemo(() => rows.map(dialogTask), [rows]);
  if (rows.length === 0) return null;
  const notes = new Set(rows.map((row) => row.path)).size;
  return (
    <p className="no-print mb-4 flex flex-wrap items-center gap-2 text-[0.92rem] text-muted">
      <span>
        {counted(rows.length, 'open task')} in {counted(notes, 'note')}, without repeats:
      </span>
      <button type="button" className="line-button" onClick={() => void actAll(tasks, [{ do: 'push', to: 'tomorrow' }])}>
        <CalendarArrowUp size={14} aria-hidden="true" />
        All to tomorrow
      </button>
      <button
        type="button"
        className="quiet-button"
        onClick={() => dispatch(frameSlice.actions.taskDialogShown({ is: 'day', tasks, what: 'plan' }))}
      >
        To another day…
      </button>
    </p>
  );
}

/** The different open rows of the lists; a repeat keeps its own pattern and stays. */
function openRows(answers: readonly (AnswerView | undefined)[]): RowView[] {
  const found = new Map<string, RowView>();
  for (const answer of answers)
    for (const group of answer?.groups ?? [])
      for (const row of group.rows) if (isOpen(row.status) && row.every === null) found.set(row.id, row);
  return [...found.values()];
}
