import { ChevronDown } from 'lucide-react';
import { dayName } from '../../../core/calendar/day-name';
import { Menu, MenuChoice, MenuChoices } from '../../../ui/menu/menu';
import { useNow } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { ProgressBar } from './ProgressBar';
import { useAround, useProject } from './use-project';
import { STATES, useSettle } from './use-settle';

/** How a project stands, under its title: its state, done of all, its deadline, and how far it moved this week. */
export function ProjectHead({ path, title }: { path: string; title: string }) {
  const project = useProject(path);
  const { linking, thisWeek } = useAround(path);
  const { day: today } = useNow();
  const style = useAppSelector((state) => state.settings.dateStyle);
  const settle = useSettle();
  if (!project) return <p className="mb-2 min-h-[26px]" />;
  const { done, all, state, due } = project;
  const isSettled = state === 'done' || state === 'cancelled';
  const isLate = due !== null && due < today && !isSettled;
  return (
    <div className="mb-2 flex min-h-[26px] flex-wrap items-center gap-x-3 gap-y-1 text-[0.92rem] text-muted">
      <Menu
        align="start"
        trigger={
          <button type="button" className="line-button no-print text-[0.86rem]" aria-label={`State: ${nameOf(state)}`}>
            {nameOf(state)}
            <ChevronDown size={13} aria-hidden="true" />
          </button>
        }
      >
        <MenuChoices value={state ?? ''}>
          {STATES.map(([name, label]) => (
            <MenuChoice key={name} value={name} label={label} onSelect={() => void settle(path, title, name, linking)} />
          ))}
        </MenuChoices>
      </Menu>
      {all > 0 ? (
        <span className="flex items-center gap-2">
          <ProgressBar done={done} all={all} />
          <span>
            <strong className="text-ink">
              {done} of {all}
            </strong>{' '}
            done
          </span>
        </span>
      ) : (
        <span>No tasks yet</span>
      )}
      {due !== null && (
        <span className={isLate ? 'font-semibold text-late' : ''}>
          {isLate ? 'was due' : 'due'} {dayName(due, today, style)}
        </span>
      )}
      {thisWeek !== null && all > 0 && <span>{thisWeek === 0 ? 'nothing done this week' : `${thisWeek} done this week`}</span>}
    </div>
  );
}

const nameOf = (state: string | null): string => STATES.find(([name]) => name === state)?.[1] ?? state ?? '';
