import { ChevronRight } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { type ReactNode, useContext } from 'react';
import { isoDay, startOfWeek } from '../../core/calendar/day';
import { weekdayName } from '../../core/calendar/day-name';
import type { RowView } from '../../core/index/view';
import type { Priority } from '../../core/task/clause';
import type { Intention } from '../../core/task/intention';
import { STATUSES, STATUS_NAMES, isOpen } from '../../core/task/status';
import { frameSlice } from '../session/frame-slice';
import { useNow } from '../session/services';
import { useAppDispatch, useAppSelector } from '../session/state';
import type { TaskDialog } from '../session/task-dialog';
import { GatherSource } from './gather-source';

interface RowMenuProps {
  row: RowView;
  onAct: (intention: Intention) => void;
  children: ReactNode;
}

const PRIORITIES: [Priority | null, string][] = [
  ['top', 'Top'],
  ['high', 'High'],
  [null, 'Normal'],
  ['low', 'Low'],
];

/** What can be done to a task from a list. */
export function RowMenu({ row, onAct, children }: RowMenuProps) {
  const dispatch = useAppDispatch();
  const source = useContext(GatherSource);
  const task = { ref: { path: row.path, line: row.line, expected: row.raw }, text: row.text };
  // Once the menu has let go of the focus, so that the dialog can take it.
  const ask = (dialog: TaskDialog): void => void setTimeout(() => dispatch(frameSlice.actions.taskDialogShown(dialog)));
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger asChild>{children}</DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content className="menu-panel" align="end" sideOffset={4} collisionPadding={8}>
          <DropdownMenu.RadioGroup value={row.status}>
            <DropdownMenu.Label className="menu-label">Status</DropdownMenu.Label>
            {STATUSES.map((status) => (
              <Choice key={status} value={status} label={STATUS_NAMES[status]} onSelect={() => onAct({ do: 'status', status })} />
            ))}
          </DropdownMenu.RadioGroup>
          {isOpen(row.status) && (
            <Plain
              label="Cancel with a remark…"
              onSelect={() => ask({ is: 'remark', task, openSteps: Math.max(0, row.stepCount - row.stepsDone) })}
            />
          )}
          {isOpen(row.status) && row.every !== null && <Plain label="End the series" onSelect={() => onAct({ do: 'end' })} />}
          <DropdownMenu.Separator className="menu-line" />
          <Sub label="Priority">
            <DropdownMenu.RadioGroup value={row.priority ?? 'normal'}>
              {PRIORITIES.map(([priority, label]) => (
                <Choice key={label} value={priority ?? 'normal'} label={label} onSelect={() => onAct({ do: 'priority', priority })} />
              ))}
            </DropdownMenu.RadioGroup>
          </Sub>
          <Sub label="Plan">
            <DateChoices clause="plan" present={row.plan !== null} onAct={onAct} onAsk={() => ask({ is: 'day', task, what: 'plan' })} />
          </Sub>
          <Sub label="Due">
            <DateChoices clause="due" present={row.due !== null} onAct={onAct} onAsk={() => ask({ is: 'day', task, what: 'due' })} />
          </Sub>
          <Sub label="Rest">
            <RestChoices
              onAct={onAct}
              onAsk={() => ask({ is: 'day', task, what: 'rest' })}
              resting={row.restsUntil !== null && row.every === null}
            />
          </Sub>
          {source && (
            <>
              <DropdownMenu.Separator className="menu-line" />
              <Plain label="Why it stands here…" onSelect={() => ask({ is: 'why', task, gather: source.text, at: source.at })} />
            </>
          )}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

function Sub({ label, children }: { label: string; children: ReactNode }) {
  return (
    <DropdownMenu.Sub>
      <DropdownMenu.SubTrigger className="menu-item">
        <span className="w-3" />
        <span className="flex-1">{label}</span>
        <ChevronRight size={14} aria-hidden="true" className="text-muted" />
      </DropdownMenu.SubTrigger>
      <DropdownMenu.Portal>
        <DropdownMenu.SubContent className="menu-panel" sideOffset={2} collisionPadding={8}>
          {children}
        </DropdownMenu.SubContent>
      </DropdownMenu.Portal>
    </DropdownMenu.Sub>
  );
}

function Plain({ label, onSelect }: { label: string; onSelect: () => void }) {
  return (
    <DropdownMenu.Item className="menu-item" onSelect={onSelect}>
      <span className="w-3" />
      {label}
    </DropdownMenu.Item>
  );
}

function Choice({ value, label, onSelect }: { value: string; label: string; onSelect: () => void }) {
  return (
    <DropdownMenu.RadioItem value={value} className="menu-item" onSelect={onSelect}>
      <span className="w-3 text-primary">
        <DropdownMenu.ItemIndicator>•</DropdownMenu.ItemIndicator>
      </span>
      {label}
    </DropdownMenu.RadioItem>
  );
}

interface DateChoicesProps {
  clause: 'plan' | 'due';
  present: boolean;
  onAct: (intention: Intention) => void;
  onAsk: () => void;
}

function DateChoices({ clause, present, onAct, onAsk }: DateChoicesProps) {
  const { day: today } = useNow();
  const first = useAppSelector((state) => state.settings.firstDayOfWeek);
  const nextWeek = startOfWeek(today, first) + 7;
  const days: [string, number][] = [
    ['Today', today],
    ['Tomorrow', today + 1],
    [`Next week, ${weekdayName(nextWeek)}`, nextWeek],
  ];
  // As a move, so that the time of day stays and the day it leaves is remembered.
  const to = (day: number): string => `${clause === 'due' ? 'by' : 'plan'} ${isoDay(day)}`;
  return (
    <>
      {days.map(([name, day]) => (
        <Plain key={name} label={name} onSelect={() => onAct({ do: 'push', to: to(day) })} />
      ))}
      <Plain label="Another day…" onSelect={onAsk} />
      {present && <Plain label={`No ${clause} date`} onSelect={() => onAct({ do: 'unset', clause })} />}
    </>
  );
}

function RestChoices({ resting, onAct, onAsk }: { resting: boolean; onAct: (intention: Intention) => void; onAsk: () => void }) {
  const { day: today } = useNow();
  const first = useAppSelector((state) => state.settings.firstDayOfWeek);
  const nextWeek = startOfWeek(today, first) + 7;
  return (
    <>
      <Plain label="Until tomorrow" onSelect={() => onAct({ do: 'rest', until: isoDay(today + 1) })} />
      <Plain label={`Until next week, ${weekdayName(nextWeek)}`} onSelect={() => onAct({ do: 'rest', until: isoDay(nextWeek) })} />
      <Plain label="For a month" onSelect={() => onAct({ do: 'rest', until: 'a month' })} />
      <Plain label="Until another day…" onSelect={onAsk} />
      {resting && <Plain label="Bring it back now" onSelect={() => onAct({ do: 'unset', clause: 'start' })} />}
    </>
  );
}
