import { DropdownMenu } from 'radix-ui';
import type { ReactNode } from 'react';
import { isoDay, startOfWeek } from '../../core/calendar/day';
import { weekdayName } from '../../core/calendar/day-name';
import type { RowView } from '../../core/index/view';
import type { Intention } from '../../core/task/intention';
import type { Priority } from '../../core/task/clause';
import { STATUSES, STATUS_NAMES } from '../../core/task/status';
import { useNow } from '../session/services';
import { useAppSelector } from '../session/state';

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
          <DropdownMenu.RadioGroup value={row.priority ?? 'normal'}>
            <DropdownMenu.Label className="menu-label">Priority</DropdownMenu.Label>
            {PRIORITIES.map(([priority, label]) => (
              <Choice key={label} value={priority ?? 'normal'} label={label} onSelect={() => onAct({ do: 'priority', priority })} />
            ))}
          </DropdownMenu.RadioGroup>
          <DateChoices clause="plan" label="Plan" present={row.plan !== null} onAct={onAct} />
          <DateChoices clause="due" label="Due" present={row.due !== null} onAct={onAct} />
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
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
  label: string;
  present: boolean;
  onAct: (intention: Intention) => void;
}

function DateChoices({ clause, label, present, onAct }: DateChoicesProps) {
  const { day: today } = useNow();
  const first = useAppSelector((state) => state.settings.firstDayOfWeek);
  const nextWeek = startOfWeek(today, first) + 7;
  const days: [string, number][] = [
    ['Today', today],
    ['Tomorrow', today + 1],
    [`Next week, ${weekdayName(nextWeek)}`, nextWeek],
  ];
  return (
    <DropdownMenu.Group>
      <DropdownMenu.Label className="menu-label">{label}</DropdownMenu.Label>
      {days.map(([name, day]) => (
        <DropdownMenu.Item key={name} className="menu-item" onSelect={() => onAct({ do: 'set', clause: `${clause} ${isoDay(day)}` })}>
          <span className="w-3" />
          {name}
        </DropdownMenu.Item>
      ))}
      {present && (
        <DropdownMenu.Item className="menu-item" onSelect={() => onAct({ do: 'unset', clause })}>
          <span className="w-3" />
          {`No ${clause} date`}
        </DropdownMenu.Item>
      )}
    </DropdownMenu.Group>
  );
}
