import type { Day } from '../../core/calendar/day';
import { MonthGrid } from '../../ui/form/MonthGrid';
import { useNow } from '../session/state/services';
import { useAppSelector } from '../session/state/state';

/** On which day the next meeting is, where no rule says it. */
export function NextMeeting({ due, onNext }: { due: Day | null; onNext: (day: Day) => void }) {
  const { day: today } = useNow();
  const first = useAppSelector((state) => state.settings.firstDayOfWeek);
  return (
    <>
      <p className="mb-1 text-[0.86rem] text-muted">
        The next one, with the same people and subject, is on{due === null ? '' : ' (by its rule the marked day)'}:
      </p>
      <MonthGrid today={today} chosen={due} firstDayOfWeek={first} onChoose={onNext} />
    </>
  );
}
