import { CalendarArrowUp } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { PLANNED_LATER } from '../../../core/agenda/shipped-names';
import type { AnswerView, RowView } from '../../../core/index/live/view';
import { isOpen } from '../../../core/task/line/status';
import { noteAddress } from '../../session/places/addresses';
import { frameSlice } from '../../session/state/frame-slice';
import { useAppDispatch } from '../../session/state/state';
import { LeftOpenLine } from '../journal/LeftOpenLine';
import { dialogTask } from '../../session/acting/task-dialog';
import { useAnswer } from '../../session/asked/use-answer';
import { counted, useAct } from '../../session/acting/use-act';

/** The head of Today: what is due by now but planned later, and all that is left, to be carried to another day in one stroke. */
export function CarryForward({ answers }: { answers: readonly (AnswerView | undefined)[] }) {
  return (
    <div className="no-print mb-4 grid gap-1 text-[0.92rem] text-muted empty:hidden">
      <LeftOpenLine />
      <PlannedLater />
      <CarryAll answers={answers} />
    </div>
  );
}

/** Nothing is hidden by a plan: what is due by now is named, and leads to where it stands. */
function PlannedLater() {
  const count = useAnswer(`${PLANNED_LATER}\nlimit 0`, null)?.total ?? 0;
  if (count === 0) return null;
  return (
    <p>
      <Link className="name-link" to={noteAddress('Agenda/Ahead.md')}>
        {counted(count, 'task')} due by now, but planned later
      </Link>
    </p>
  );
}

function CarryAll({ answers }: { answers: readonly (AnswerView | undefined)[] }) {
  const { actAll } = useAct();
  const dispatch = useAppDispatch();
  const [repeats, setRepeats] = useState<'skip' | 'along'>('skip');
  const rows = useMemo(() => openRows(answers), [answers]);
  const tasks = useMemo(() => rows.map(dialogTask), [rows]);
  if (rows.length === 0) return null;
  const notes = new Set(rows.map((row) => row.path)).size;
  // One without a date has no time to be left out.
  const repeating = rows.filter((row) => row.every !== null && (row.due ?? row.plan) !== null).length;
  return (
    <div className="flex flex-wrap items-center gap-x-2 gap-y-1">
      <span>
        {counted(rows.length, 'open task')} in {counted(notes, 'note')}:
      </span>
      <button type="button" className="line-button" onClick={() => void actAll(tasks, [{ do: 'carry', to: 'tomorrow', repeats }])}>
        <CalendarArrowUp size={14} aria-hidden="true" />
        All to tomorrow
      </button>
      <button
        type="button"
        className="quiet-button"
        onClick={() => dispatch(frameSlice.actions.dialogShown({ is: 'day', tasks, what: 'plan', repeats }))}
      >
        To another day…
      </button>
      {repeating > 0 && (
        <span className="flex items-center gap-1" role="group" aria-label="What repeats">
          {repeating === 1 ? '1 repeats:' : `${repeating} repeat:`}
          {(['skip', 'along'] as const).map((choice) => (
            <button
              key={choice}
              type="button"
              aria-pressed={repeats === choice}
              className={`quiet-button ${repeats === choice ? 'bg-primary-soft font-semibold text-ink' : ''}`}
              title={
                choice === 'skip'
                  ? 'What is due by today is left out; it comes back with its next time'
                  : 'It gets that day as its plan, too'
              }
              onClick={() => setRepeats(choice)}
            >
              {choice === 'skip' ? 'skip this time' : 'take along'}
            </button>
          ))}
        </span>
      )}
    </div>
  );
}

/** The different open tasks of the lists, the steps inside their rows too. */
function openRows(answers: readonly (AnswerView | undefined)[]): RowView[] {
  const found = new Map<string, RowView>();
  const take = (row: RowView): void => {
    if (isOpen(row.status)) found.set(row.id, row);
    row.steps.forEach(take);
  };
  for (const answer of answers) for (const group of answer?.groups ?? []) group.rows.forEach(take);
  return [...found.values()];
}
