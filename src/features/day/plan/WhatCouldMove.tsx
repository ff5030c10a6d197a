import { Link } from 'react-router';
import { dayName } from '../../../core/calendar/day-name';
import { durationName } from '../../../core/calendar/duration';
import type { FitMove } from '../../../core/index/days/fit';
import { InlineText } from '../../../ui/InlineText';
import type { DialogTask, TaskDialog } from '../../session/acting/task-dialog';
import { noteAddress } from '../../session/places/addresses';
import { frameSlice } from '../../session/state/frame-slice';
import { useNow } from '../../session/state/services';
import { useAppDispatch, useAppSelector } from '../../session/state/state';

/** The fewest tasks that would have to move so that all else is done in time, each with a way to move it. */
export function WhatCouldMove({ moves }: { moves: readonly FitMove[] }) {
  const dispatch = useAppDispatch();
  const { day: today } = useNow();
  const style = useAppSelector((state) => state.settings.dateStyle);
  const ask = (dialog: TaskDialog): void => void dispatch(frameSlice.actions.dialogShown(dialog));
  if (moves.length === 0) return <p className="mt-2 text-muted">All that is due can be done in time.</p>;
  return (
    <ul aria-label="What could move" className="mt-2 rounded-lg border border-line px-3 py-1">
      {moves.map(({ path, line, raw, text, due, minutes, alone }) => {
        const tasks: DialogTask[] = [{ ref: { path, line, expected: raw }, text }];
        return (
          <li key={`${path}:${line}`} className="flex flex-wrap items-center gap-x-3 border-b border-line py-1 last:border-0">
            <Link to={noteAddress(path, line)} className="min-w-0 flex-1 hover:underline">
              <InlineText text={text} />
            </Link>
            <span className="text-[0.86rem] text-muted">
              {durationName(minutes)}, due {dayName(due, today, style)}
              {alone && <strong className="text-late"> · longer than the days it has</strong>}
            </span>
            <button type="button" className="quiet-button text-[0.86rem]" onClick={() => ask({ is: 'day', tasks, what: 'due' })}>
              Due on another day…
            </button>
            <button type="button" className="quiet-button text-[0.86rem]" onClick={() => ask({ is: 'names', tasks })}>
              To somebody else…
            </button>
          </li>
        );
      })}
    </ul>
  );
}
