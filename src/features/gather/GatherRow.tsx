import { ChevronDown, ChevronRight, MoreHorizontal } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { dayName } from '../../core/calendar/day-name';
import type { RowView } from '../../core/index/view';
import type { Intention } from '../../core/task/intention';
import { isOpen } from '../../core/task/status';
import { readTail } from '../../core/task/tail';
import { Chips } from '../../ui/Chips';
import { InlineText } from '../../ui/InlineText';
import { TaskMark } from '../../ui/TaskMark';
import { chipsOf } from '../../ui/chip-look';
import { noteAddress } from '../session/addresses';
import { useNow } from '../session/services';
import { useAppSelector } from '../session/state';
import { RowMenu } from './RowMenu';

interface GatherRowProps {
  row: RowView;
  /** Left out where every row stands in the note that shows it. */
  withSource: boolean;
  onAct: (row: RowView, intention: Intention) => void;
}

/** A task in a list: its mark, words, chips and source; its steps folded inside. */
export function GatherRow({ row, withSource, onAct }: GatherRowProps) {
  const [open, setOpen] = useState(false);
  const { day: today } = useNow();
  const { dateStyle: style, workingDay } = useAppSelector((state) => state.settings);
  const taskOpen = isOpen(row.status);
  const chips = chipsOf(readTail(row.raw, 0), { today, style, workingDay, open: taskOpen, restsUntil: row.restsUntil }, 'list');
  const steps =
    row.stepCount > 0 ? [{ word: 'steps', value: `${row.stepsDone} of ${row.stepCount}`, tone: 'plain' as const, problem: null }] : [];
  return (
    <li className="group/row">
      <div className="flex items-start gap-1.5 rounded-md py-[3px] hover:bg-[color-mix(in_srgb,var(--raised)_70%,transparent)]">
        <TaskMark
          look={{ status: row.status, priority: row.priority, late: row.late }}
          of={row.text}
          onTick={() => onAct(row, { do: 'status', status: taskOpen ? 'done' : 'todo' })}
        />
        <div className="min-w-0 flex-1">
          <div className="leading-6 [overflow-wrap:anywhere]">
            <span className={taskOpen ? (row.restsUntil === null ? '' : 'text-muted') : 'closed-text'}>
              {row.text === '' ? <em className="text-muted">no words</em> : <InlineText text={row.text} />}
            </span>
            <Chips chips={[...chips, ...steps]} />
          </div>
          {withSource && <Source row={row} />}
        </div>
        {row.steps.length > 0 && (
          <button
            type="button"
            className="quiet-button"
            aria-expanded={open}
            aria-label={`Steps of ${row.text}`}
            onClick={() => setOpen(!open)}
          >
            {open ? <ChevronDown size={15} aria-hidden="true" /> : <ChevronRight size={15} aria-hidden="true" />}
          </button>
        )}
        <RowMenu row={row} onAct={(intention) => onAct(row, intention)}>
          <button
            type="button"
            aria-label={`Actions for ${row.text}`}
            className="quiet-button no-print opacity-0 group-hover/row:opacity-100 focus-visible:opacity-100 data-[state=open]:opacity-100 pointer-coarse:opacity-100"
          >
            <MoreHorizontal size={15} aria-hidden="true" />
          </button>
        </RowMenu>
      </div>
      {open && (
        <ul className="ms-6">
          {row.steps.map((step) => (
            <GatherRow key={step.id} row={step} withSource={false} onAct={onAct} />
          ))}
        </ul>
      )}
    </li>
  );
}

/** Note › heading; a click goes to the line. */
function Source({ row }: { row: RowView }) {
  const { day: today } = useNow();
  const style = useAppSelector((state) => state.settings.dateStyle);
  const note = row.journal === null ? row.noteTitle : `Journal › ${dayName(row.journal, today, style)}`;
  const heading = row.headings[row.headings.length - 1];
  return (
    <Link
      to={noteAddress(row.path, row.line)}
      className="block w-fit max-w-full truncate text-[0.8rem] leading-5 text-muted hover:text-ink hover:underline"
    >
      {heading === undefined ? note : `${note} › ${heading}`}
    </Link>
  );
}
