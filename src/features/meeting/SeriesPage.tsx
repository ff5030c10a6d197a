import { useMemo } from 'react';
import { Link, useParams } from 'react-router';
import { dayName } from '../../core/calendar/day-name';
import { type SeriesMeeting, nextOfSeries, ruleOfSeries } from '../../core/meeting/series';
import { AgendaLists } from '../pages/agenda/AgendaLists';
import { Sheet } from '../note/page/Sheet';
import { noteAddress } from '../session/places/addresses';
import { useNow } from '../session/state/services';
import { useAppSelector } from '../session/state/state';
import { useMeetingActs } from './use-meeting-acts';
import { useSeries } from './use-meetings';

/** What is asked of a series, from one of its meetings. */
const LISTS = [
  'title Meetings\nfrom meetings\nwhere this series\norder by date desc\ncolumns date, open, done',
  'title Still open\nwhere open and this series and not is question\ngroup by meeting\norder by path\nincluding resting',
  'title Questions\nwhere open and this series and is question\ngroup by meeting\nincluding resting',
  'title Key points\nfrom key points\nwhere this series\ngroup by meeting desc',
];

/** A series of meetings: all of them in their order, what is still open from which, and its key points over time. */
export function SeriesPage() {
  const name = useParams()['*'] ?? '';
  const series = useSeries(name);
  const latest = series.findLast(({ facts }) => facts.date !== null) ?? series.at(-1);
  const isKnown = useAppSelector((state) => state.library.overview !== null);
  if (!latest)
    return (
      <Sheet title={name}>
        <h1 className="font-title text-[1.86rem] font-bold">{name}</h1>
        <p className="mt-2 text-muted">
          {isKnown ? 'No meeting belongs to this series. In the sentence of a meeting, “in no series” gives it one.' : 'Looking…'}
        </p>
      </Sheet>
    );
  return <Series name={latest.facts.series ?? name} series={series} latest={latest} />;
}

function Series({ name, series, latest }: { name: string; series: readonly SeriesMeeting[]; latest: SeriesMeeting }) {
  const { day: today } = useNow();
  const style = useAppSelector((state) => state.settings.dateStyle);
  const acts = useMeetingActs(latest.path, latest.title, latest.facts);
  const rule = useMemo(() => ruleOfSeries(series), [series]);
  const due = nextOfSeries(series);
  const { date } = latest.facts;
  return (
    <Sheet title={name}>
      <header className="mb-4">
        <p className="text-[0.86rem] text-muted">A series of meetings</p>
        <h1 className="font-title text-[1.86rem] leading-tight font-bold">{name}</h1>
        <p className="mt-1 flex flex-wrap items-center gap-x-2">
          <span>
            {series.length === 1 ? 'One meeting' : `${series.length} meetings`}
            {rule !== null && `, ${/^every\b/i.test(rule) ? rule : `every ${rule}`}`}; the {date !== null && date > today ? 'next' : 'last'}{' '}
            is{' '}
            <Link className="name-link" to={noteAddress(latest.path)}>
              {date === null ? latest.title : dayName(date, today, style)}
            </Link>
            .
          </span>
          {due !== null && (
            <button type="button" className="line-button no-print" onClick={() => void acts.next(due)}>
              Make the one on {dayName(due, today, style)}
            </button>
          )}
        </p>
      </header>
      <AgendaLists path={latest.path} home="" gathers={LISTS} look="page" titled />
    </Sheet>
  );
}
