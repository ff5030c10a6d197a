import { Plus } from 'lucide-react';
import { useState } from 'react';
import { holdKeys } from '../../../ui/input/early-keys';
import type { Day } from '../../../core/calendar/day';
import { dayTitle } from '../../../core/calendar/day-name';
import type { Gather } from '../../../core/gather/language/ast';
import { late } from '../../../ui/late';

const NewTaskField = late(
  () => import('./NewTaskField').then((part) => part.NewTaskField),
  () => <p className="min-h-[26px]" />,
);

interface NewTaskLineProps {
  gather: Gather;
  /** The note that holds the gather. */
  at: string | null;
  /** The text of the gather as its note has it. */
  written: string;
  label?: string;
  /** The day on which it is written, of a sheet of days: then it can become a meeting too. */
  day?: Day | undefined;
}

/** A line at the end of a list, which opens a field for a task that stands there. */
export function NewTaskLine({ gather, at, written, label = 'Write a task here', day }: NewTaskLineProps) {
  const [open, setOpen] = useState(false);
  const show = (): void => {
    holdKeys();
    setOpen(true);
  };
  if (!open)
    return (
      <button
        type="button"
        className="quiet-button no-print -ms-1 mt-0.5 text-[0.9rem]"
        aria-label={day === undefined ? undefined : `${label} on ${dayTitle(day)}`}
        onClick={show}
      >
        <Plus size={14} aria-hidden="true" />
        {label}
      </button>
    );
  return <NewTaskField gather={gather} at={at} written={written} day={day} onClose={() => setOpen(false)} />;
}
