import { useState } from 'react';
import { isoDay, readIsoDay } from '../../core/calendar/day';
import { likelyDays } from '../../core/calendar/spoken/likely-days';
import { clauseOf, readTail } from '../../core/task/line/tail';
import { Chips } from '../../ui/marks/Chips';
import { Dialog } from '../../ui/Dialog';
import { MonthGrid } from '../../ui/form/MonthGrid';
import { actionContext } from '../session/acting/action-context';
import { useNow } from '../session/state/services';
import { useAppSelector } from '../session/state/state';
import type { TaskDialog } from '../session/acting/task-dialog';
import { counted, useAct } from '../session/acting/use-act';
import { dayIntention, dayPreview } from './day-preview';
import { Labelled } from '../../ui/form/Labelled';

const TITLES = { plan: 'Plan for another day', due: 'Due on another day', rest: 'Rest until another day' };
/** What is chosen here, for somebody who chooses it for the first time. */
const MEANINGS = {
  plan: 'The plan is when you mean to do it; the day by which it is due stays.',
  due: 'Due is the day by which it must be done; when you mean to do it is the plan.',
  rest: 'Until that day it stays out of sight, in no list of Today.',
};
const CLAUSES = { plan: 'plan', due: 'due', rest: 'start' } as const;
const NONE = { plan: 'No plan date', due: 'No due date', rest: 'Bring it back now' };
const ACTS = { plan: 'Plan it for then', due: 'Make it due then', rest: 'Let it rest' };

interface DayDialogProps {
  asked: Extract<TaskDialog, { is: 'day' }>;
  onClose: () => void;
}

/** Asks for a day: in words, with what is understood shown before it is stored, from the likely ones, or from a month; or for none. */
export function DayDialog({ asked, onClose }: DayDialogProps) {
  const { tasks, what, repeats } = asked;
  const [words, setWords] = useState('');
  const { actAll } = useAct();
  const now = useNow();
  const settings = useAppSelector((state) => state.settings);
  const [task] = tasks;
  const preview = task ? dayPreview(task.ref.expected, what, words, actionContext(settings, now), settings.dateStyle) : null;
  const ready = preview !== null && 'chip' in preview;
  const store = (chosen: string): void => {
    onClose();
    void actAll(tasks, [repeats === undefined ? dayIntention(what, chosen) : { do: 'carry', to: `plan ${chosen}`, repeats }]);
  };
  const [today, ...later] = likelyDays(now.day, settings.firstDayOfWeek);
  return (
    <Dialog open onClose={onClose} title={TITLES[what]}>
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (ready) store(words);
        }}
      >
        <p className="text-muted [overflow-wrap:anywhere]">{tasks.length === 1 ? task?.text : counted(tasks.length, 'task')}</p>
        <p className="text-[0.9rem] text-muted">{MEANINGS[what]}</p>
        <Labelled label="Day">
          <input
            className="field"
            autoFocus
            value={words}
            placeholder={what === 'rest' ? '3 days' : 'fri 15:00'}
            aria-describedby="understood"
            onChange={(event) => setWords(event.target.value)}
          />
        </Labelled>
        <p id="understood" role="status" className="min-h-6 text-[0.92rem]">
          {preview === null ? (
            <span className="text-muted">Words will do: fri, next week, in 2 weeks, 1 dec, end of month.</span>
          ) : 'chip' in preview ? (
            <Chips chips={[preview.chip]} />
          ) : (
            <span className="text-late">{preview.problem}</span>
          )}
        </p>
        <button type="submit" className="solid-button justify-self-start" disabled={!ready}>
          {ACTS[what]}
        </button>
        <div className="flex flex-wrap gap-2">
          {(what === 'rest' ? later : [today, ...later]).map(({ words: label, day }) => (
            <button key={label} type="button" className="line-button" onClick={() => store(isoDay(day))}>
              {label}
            </button>
          ))}
          {what === 'rest' && (
            <button type="button" className="line-button" onClick={() => store('a month')}>
              For a month
            </button>
          )}
          {repeats === undefined && tasks.some(({ ref }) => clauseOf(readTail(ref.expected, 0), CLAUSES[what]) !== undefined) && (
            <button
              type="button"
              className="line-button"
              onClick={() => {
                onClose();
                void actAll(tasks, [{ do: 'unset', clause: CLAUSES[what] }]);
              }}
            >
              {NONE[what]}
            </button>
          )}
        </div>
        <MonthGrid
          today={now.day}
          chosen={readIsoDay(words.trim())}
          firstDayOfWeek={settings.firstDayOfWeek}
          onChoose={(day) => store(isoDay(day))}
        />
      </form>
    </Dialog>
  );
}
