import { useEffect, useMemo, useState } from 'react';
import { type SeriesMeeting, meetingsOfSeries } from '../../core/meeting/series';
import { useServices } from '../session/state/services';
import { useAppSelector } from '../session/state/state';
import { useChanges } from '../session/state/use-changes';

const NONE: readonly SeriesMeeting[] = [];

/** Every meeting there is, asked anew when anything changes. */
export function useMeetings(): readonly SeriesMeeting[] {
  const { engine } = useServices();
  const changes = useChanges();
  // What was made just before is not heard of by its change, but by what the engine tells of it.
  const overview = useAppSelector((state) => state.library.overview);
  const isReady = overview !== null;
  const [found, setFound] = useState(NONE);
  useEffect(() => {
    if (!isReady) return;
    let gone = false;
    void engine.ask('meetings', {}).then((all) => !gone && setFound(all));
    return () => {
      gone = true;
    };
  }, [engine, changes, overview, isReady]);
  return found;
}

/** The meetings of a series, in their order; none without one. */
export function useSeries(all: readonly SeriesMeeting[], series: string | null): SeriesMeeting[] {
  return useMemo(() => (series === null ? [] : meetingsOfSeries(all, series)), [all, series]);
}
