import { useMemo } from 'react';
import { type Day, isoDay } from '../../core/calendar/day';
import { AgendaLists } from '../agenda/AgendaLists';
import { useNow } from '../session/state/services';

/** What belongs to a day and is written in other notes: what is late (today only), due and planned, and what was finished, by its time. */
export function DayFoot({ path, day }: { path: string; day: Day }) {
  const { day: today } = useNow();
  const gathers = useMemo(() => {
    const iso = isoDay(day);
    const due = `title Due and planned\nwhere open and (due = ${iso} or plan = ${iso}) and not this note\norder by priority, plan, due`;
    return [
      ...(day === today ? ['title Late\nwhere late and not plan > today and not this note\norder by priority, due'] : []),
      due,
      `title Finished\nwhere done = ${iso} and not this note\norder by done\nsteps apart`,
    ];
  }, [day, today]);
  return (
    <section aria-label="From other notes" className="mt-10 border-t border-line pt-4">
      <AgendaLists path={path} gathers={gathers} look="page" saysEmpty={false} />
    </section>
  );
}
