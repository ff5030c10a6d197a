import type { Day } from '../../calendar/day';
import type { Form, Measure } from '../language/ast';
import type { Totals } from './sums';
import { isTimeKey, keysBetween, startOfKey } from './time-keys';

/** One row of bars, or one curve: a value for each key. */
export interface Series {
  /** Of the second key; null where there is none. */
  key: string | null;
  label: string;
  values: { key: string | null; label: string; value: number }[];
}

/** A group of an answer, by one key or several. */
interface Group {
  keys: readonly (string | null)[];
  label: string;
  labels?: readonly string[];
  totals: Totals;
}

/** What a measure comes to in a group: tasks, minutes, or percent. */
const measured = (measure: Measure, totals: Totals): number =>
  measure === 'progress' ? Math.round(100 * (totals.progress ?? 0)) : totals[measure];

/**
 * The bars of an answer: its groups by the first key, in each series those of one value of the second. Of days, weeks and months none between
 * is left out.
 *
 * @param groups what the gather comes to, grouped by the keys of its form
 */
export function barsOf(form: Extract<Form, { is: 'bars' }>, groups: readonly Group[]): Series[] {
  const firsts = new Map<string | null, string>();
  const seconds = new Map<string | null, string>();
  const values = new Map<string, number>();
  for (const { keys, label, labels, totals } of groups) {
    const [first = null, second = null] = keys;
    firsts.set(first, labels?.[0] ?? label);
    seconds.set(form.second ? second : null, form.second ? (labels?.[1] ?? label) : '');
    values.set(JSON.stringify([first, form.second ? second : null]), measured(form.measure, totals));
  }
  const inOrder = filled(form.by, [...firsts]);
  return [...seconds].map(([key, label]) => ({
    key,
    label,
    values: inOrder.map(([first, words]) => ({ key: first, label: words, value: values.get(JSON.stringify([first, key])) ?? 0 })),
  }));
}

/** Days, weeks and months with those between them; other keys as they are. */
function filled(by: Extract<Form, { is: 'bars' }>['by'], firsts: readonly [string | null, string][]): readonly [string | null, string][] {
  if (!isTimeKey(by)) return firsts;
  const known = new Map(firsts);
  const days = firsts.flatMap(([key]) => startOfKey(key) ?? []);
  if (days.length < 2) return firsts;
  const isIso = firsts.some(([key]) => key?.includes('W'));
  const all = keysBetween(by, Math.min(...days), Math.max(...days), isIso);
  const none = known.get(null);
  return [
    ...all.map((key): [string, string] => [key, known.get(key) ?? key]),
    ...(none === undefined ? [] : [[null, none] as [null, string]]),
  ];
}

/**
 * How many tasks were there, open or done, at the end of each day, week or month until today: from when each was made, done and cancelled. One
 * that does not say when it was made counts from the beginning.
 *
 * @param groups the tasks, grouped by those three
 * @example open at the end of a week: made by then, neither done nor cancelled by then
 */
export function curveOf(form: Extract<Form, { is: 'curve' }>, groups: readonly Group[], today: Day): Series[] {
  if (!isTimeKey(form.by)) return barsOf({ ...form, is: 'bars', second: null }, groups);
  const moments = groups.map(({ keys, totals }) => {
    const [made, done, cancelled] = keys.map(startOfKey);
    return { made: made ?? -Infinity, done: done ?? Infinity, cancelled: cancelled ?? Infinity, totals };
  });
  const named = groups.flatMap(({ keys }) => keys.flatMap((key) => startOfKey(key) ?? []));
  if (named.length === 0) return [{ key: null, label: '', values: [] }];
  const isIso = groups.some(({ keys }) => keys.some((key) => key?.includes('W')));
  const steps = keysBetween(form.by, Math.min(...named), Math.max(Math.min(today, Infinity), ...named), isIso);
  const values = steps.map((key) => {
    const at = startOfKey(key) ?? 0;
    let [count, done, cancelled, takes, kept] = [0, 0, 0, 0, 0];
    for (const one of moments) {
      if (one.made > at) continue;
      count += one.totals.count;
      if (one.cancelled <= at) cancelled += one.totals.count;
      else if (one.done <= at) done += one.totals.count;
      else takes += one.totals.takes;
      if (one.done <= at) kept += one.totals.kept;
    }
    const open = count - done - cancelled;
    const progress = count === cancelled ? 0 : Math.round((100 * done) / (count - cancelled));
    return { key, label: key, value: { count, takes, open, done, kept, progress }[form.measure] };
  });
  return [{ key: null, label: '', values }];
}
