import { useMemo } from 'react';
import { hoursOf } from '../../../core/day/hours/hours';
import { endOfKey, isTimeKey, startOfKey } from '../../../core/gather/forms/time-keys';
import type { Form } from '../../../core/gather/language/ast';
import { useAppSelector } from '../../session/state/state';
import { useAsked } from '../../session/asked/use-asked';

/** More days than these are not looked through. */
const MOST_DAYS = 1200;

const NONE: ReadonlyMap<string, number> = new Map();

/**
 * The hours that there are in each day, week or month of bars of time, in minutes, less what appointments take of them: what a load is read
 * against. Nothing for other bars.
 */
export function useHoursThere(form: Form | null, keys: readonly (string | null)[]): ReadonlyMap<string, number> {
  const settings = useAppSelector((state) => state.settings);
  const by = form?.is === 'bars' && form.measure === 'takes' && isTimeKey(form.by) ? form.by : null;
  const spans = useMemo(
    () =>
      by === null
        ? []
        : keys.flatMap((key) => {
            const [from, to] = key === null ? [null, null] : [startOfKey(key), endOfKey(key, by)];
            return key === null || from === null || to === null ? [] : [{ key, from, to }];
          }),
    [by, keys],
  );
  const from = spans[0]?.from;
  const to = spans.at(-1)?.to;
  const isFew = from !== undefined && to !== undefined && to - from < MOST_DAYS;
  const found = useAsked('figures', isFew ? { from, to } : null);
  return useMemo(() => {
    if (!isFew) return NONE;
    const there = new Map((found ?? []).map(({ day, figures }) => [day, figures.hours]));
    return new Map(
      spans.map((span) => {
        let sum = 0;
        for (let day = span.from; day <= span.to; day++) sum += there.get(day) ?? hoursOf(day, [], settings);
        return [span.key, sum] as const;
      }),
    );
  }, [isFew, spans, found, settings]);
}
