import { isoDay } from '../../../core/calendar/day';
import { likelyDays } from '../../../core/calendar/spoken/likely-days';
import type { Intention } from '../../../core/task/acts/intention';
import { MenuEntry } from '../../../ui/menu';
import { useNow } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';

interface DateEntriesProps {
  clause: 'plan' | 'due';
  /** Whether there is a day to take away. */
  present: boolean;
  onAct: (intention: Intention) => void;
  onAsk: () => void;
}

/** The likely days for a plan or a due day, any other in words, and none. */
export function DateEntries({ clause, present, onAct, onAsk }: DateEntriesProps) {
  const { day: today } = useNow();
  const first = useAppSelector((state) => state.settings.firstDayOfWeek);
  // As a move, so that the time of day stays and the day it leaves is remembered.
  const to = (day: number): string => `${clause === 'due' ? 'by' : 'plan'} ${isoDay(day)}`;
  return (
    <>
      {likelyDays(today, first).map(({ words, day }) => (
        <MenuEntry key={words} label={words} onSelect={() => onAct({ do: 'push', to: to(day) })} />
      ))}
      <MenuEntry label="Another day…" onSelect={onAsk} />
      {present && <MenuEntry label={`No ${clause} date`} onSelect={() => onAct({ do: 'unset', clause })} />}
    </>
  );
}

/** Until when tasks rest. */
export function RestEntries({ resting, onAct, onAsk }: { resting: boolean; onAct: (intention: Intention) => void; onAsk: () => void }) {
  const { day: today } = useNow();
  const first = useAppSelector((state) => state.settings.firstDayOfWeek);
  const [, tomorrow, nextWeek] = likelyDays(today, first);
  return (
    <>
      {[tomorrow, nextWeek].map(({ words, day }) => (
        <MenuEntry
          key={words}
          label={`Until ${words.charAt(0).toLowerCase()}${words.slice(1)}`}
          onSelect={() => onAct({ do: 'rest', until: isoDay(day) })}
        />
      ))}
      <MenuEntry label="For a month" onSelect={() => onAct({ do: 'rest', until: 'a month' })} />
      <MenuEntry label="Until another day…" onSelect={onAsk} />
      {resting && <MenuEntry label="Bring it back now" onSelect={() => onAct({ do: 'unset', clause: 'start' })} />}
    </>
  );
}
