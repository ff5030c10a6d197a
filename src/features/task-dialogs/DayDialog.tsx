import { useState } from 'react';
import { Chips } from '../../ui/Chips';
import { Dialog } from '../../ui/Dialog';
import { actionContext } from '../session/action-context';
import { useNow } from '../session/services';
import { useAppSelector } from '../session/state';
import type { TaskDialog } from '../session/task-dialog';
import { useAct } from '../session/use-act';
import { dayIntention, dayPreview } from './day-preview';

const TITLES = { plan: 'Plan for another day', due: 'Due on another day', rest: 'Rest until another day' };

interface DayDialogProps {
  asked: Extract<TaskDialog, { is: 'day' }>;
  onClose: () => void;
}

/** Asks for a day in words, and shows what it understands before it is stored. */
export function DayDialog({ asked, onClose }: DayDialogProps) {
  const { task, what } = asked;
  const [words, setWords] = useState('');
  const { act } = useAct();
  const now = useNow();
  const settings = useAppSelector((state) => state.settings);
  const preview = dayPreview(task.ref.expected, what, words, actionContext(settings, now), settings.dateStyle);
  const ready = preview !== null && 'chip' in preview;
  return (
    <Dialog open onClose={onClose} title={TITLES[what]}>
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (!ready) return;
          onClose();
          void act(task.ref, task.text, dayIntention(what, words));
        }}
      >
        <p className="text-muted [overflow-wrap:anywhere]">{task.text}</p>
        <label className="grid gap-1">
          <span className="section-label">Day</span>
          <input
            className="field"
            autoFocus
            value={words}
            placeholder={what === 'rest' ? '3 days' : 'fri 15:00'}
            aria-describedby="understood"
            onChange={(event) => setWords(event.target.value)}
          />
        </label>
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
          {what === 'rest' ? 'Let it rest' : 'Move it there'}
        </button>
      </form>
    </Dialog>
  );
}
