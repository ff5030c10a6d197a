import { type Day, isoDay } from '../../../core/calendar/day';
import { dayTitle } from '../../../core/calendar/day-name';
import { durationName } from '../../../core/calendar/duration';
import { NO_FIGURES } from '../../../core/day/plan/day-figures';
import { AgendaLists } from '../../pages/agenda/AgendaLists';
import { useNow } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { useHours } from './use-hours';

/** The tasks of a day, which can be ticked here, and how it stands. */
export function DayCard({ day }: { day: Day }) {
  const { day: today } = useNow();
  const figures = useAppSelector((state) => state.library.overview?.days[day]) ?? NO_FIGURES;
  const available = useHours(day);
  const iso = isoDay(day);
  const said =
    figures.excused !== null
      ? `Excused: ${figures.excused}`
      : day < today
        ? figures.planned === 0
          ? 'Nothing was planned.'
          : `${figures.kept} of ${figures.planned} kept`
        : `${durationName(figures.minutes)} planned of ${durationName(available)}${figures.due > 0 ? ` · ${figures.due} due` : ''}`;
  return (
    <>
      <h2 className="font-title text-[1.05rem] font-semibold">{dayTitle(day)}</h2>
      <p className="mb-1.5 text-[0.88rem] text-muted">{said}</p>
      <AgendaLists
        path=""
        look="cards"
        gathers={
          day < today
            ? [`title Left open\nwhere open and (plan = ${iso} or due = ${iso} or journal = ${iso})`, `title Done\nwhere done = ${iso}`]
            : [
                `title Planned\nwhere open and plan = ${iso}\norder by plan, priority`,
                `title Due\nwhere open and due = ${iso} and not plan = ${iso}`,
              ]
        }
      />
    </>
  );
}
