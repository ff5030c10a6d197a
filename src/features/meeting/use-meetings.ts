import { useMemo } from 'react';
import { formOfTemplate } from '../../core/meeting/meeting-template';
import { type SeriesMeeting, meetingsOfSeries } from '../../core/meeting/series';
import { useAsked } from '../session/asked/use-asked';

const NONE: readonly SeriesMeeting[] = [];

/** The meetings of a series, in their order, asked anew when anything changes; none without one. */
export function useSeries(series: string | null): readonly SeriesMeeting[] {
  const found = useAsked('meetings', series === null ? null : { series });
  return useMemo(() => (series === null || !found ? NONE : meetingsOfSeries(found, series)), [found, series]);
}

/** What meetings, and the templates that make them, say of themselves in some words, each once, as suggestions. */
export function useSaidOfMeetings(field: 'form' | 'series'): readonly string[] {
  const all = useAsked('meetings', { series: null });
  const templates = useAsked('templates', {});
  return useMemo(() => {
    if (!all || !templates) return [];
    const brought = field === 'form' ? templates.flatMap(({ makes, text }) => (makes === 'meeting' && formOfTemplate(text)) || []) : [];
    return [...new Set([...brought, ...all.flatMap(({ facts }) => facts[field] ?? [])])];
  }, [all, templates, field]);
}
