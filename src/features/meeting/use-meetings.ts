import { useEffect, useMemo, useState } from 'react';
import { formOfTemplate } from '../../core/meeting/meeting-template';
import { type SeriesMeeting, meetingsOfSeries } from '../../core/meeting/series';
import { useServices } from '../session/state/services';
import { useAppSelector } from '../session/state/state';
import { useChanges } from '../session/state/use-changes';

const NONE: readonly SeriesMeeting[] = [];

/** The meetings of a series, in their order, asked anew when anything changes; none without one. */
export function useSeries(series: string | null): readonly SeriesMeeting[] {
  const { engine } = useServices();
  const changes = useChanges();
  // What was made just before is not heard of by its change, but by what the engine tells of it.
  const overview = useAppSelector((state) => state.library.overview);
  const [found, setFound] = useState(NONE);
  useEffect(() => {
    if (!overview || series === null) return setFound(NONE);
    let gone = false;
    void engine.ask('meetings', { series }).then((all) => !gone && setFound(all));
    return () => {
      gone = true;
    };
  }, [engine, changes, overview, series]);
  return useMemo(() => (series === null ? NONE : meetingsOfSeries(found, series)), [found, series]);
}

/** What meetings, and the templates that make them, say of themselves in some words, each once, as suggestions. */
export function useSaidOfMeetings(field: 'form' | 'series'): readonly string[] {
  const { engine } = useServices();
  const [said, setSaid] = useState<readonly string[]>([]);
  useEffect(() => {
    let gone = false;
    void Promise.all([engine.ask('meetings', { series: null }), engine.ask('templates', {})]).then(([all, templates]) => {
      if (gone) return;
      const brought = field === 'form' ? templates.flatMap(({ makes, text }) => (makes === 'meeting' && formOfTemplate(text)) || []) : [];
      setSaid([...new Set([...brought, ...all.flatMap(({ facts }) => facts[field] ?? [])])]);
    });
    return () => {
      gone = true;
    };
  }, [engine, field]);
  return said;
}
