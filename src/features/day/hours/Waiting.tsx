import { Link } from 'react-router';
import { durationName } from '../../../core/calendar/duration';
import type { PlanItem } from '../../../core/index/days/day-plan';
import { isOpen } from '../../../core/task/line/status';
import { endDrag, startDrag } from '../../gather/rows/task-drag';
import { dialogTask } from '../../session/acting/task-dialog';
import { noteAddress } from '../../session/places/addresses';
import { plainWords } from '../../frame/strip/plain-words';

interface WaitingProps {
  items: readonly PlanItem[];
  label: string;
  /** In a narrow column the words take two lines. */
  isNarrow?: boolean;
}

/** What is planned for a day and has no time waits, and is dropped among the hours. */
export function Waiting({ items, label, isNarrow = false }: WaitingProps) {
  const waiting = items.filter(({ row, start }) => row && start === null && isOpen(row.status));
  if (waiting.length === 0) return null;
  return (
    <ul aria-label={label} className="min-w-0">
      {waiting.map(({ row, path, line, text, minutes }) => (
        <li key={row?.key ?? `${path}:${line}`} className={`min-w-0 py-0.5 ${isNarrow ? 'leading-snug' : 'flex items-baseline gap-2'}`}>
          {row && (
            <Link
              to={noteAddress(path, line ?? undefined)}
              className={`min-w-0 flex-1 cursor-grab hover:underline ${isNarrow ? 'line-clamp-2 break-words' : 'truncate'}`}
              title={isNarrow ? plainWords(text) : undefined}
              onDragStart={(event) => startDrag(event, { tasks: [dialogTask(row)], from: null })}
              onDragEnd={endDrag}
            >
              {plainWords(text)}
            </Link>
          )}
          {minutes !== null && <span className="text-[0.84rem] text-muted">{durationName(minutes)}</span>}
        </li>
      ))}
    </ul>
  );
}
