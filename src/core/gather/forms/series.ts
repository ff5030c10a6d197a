import type { Day } from '../../calendar/day';
import type { DayRange } from '../../calendar/span';
import type { Form, Measure } from '../language/ast';
import type { Totals } from '../answer/sums';
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
  const [day] = days;
  if (day === undefined || days.length < 2) return firsts;
  const { from, to } = extent(days, day);
  const isIso = firsts.some(([key]) => key?.includes('W'));
  const all = keysBetween(by, from, to, isIso);
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
    const [made = null, done = null, cancelled = null] = keys.map(startOfKey);
    return { made, done, cancelled, totals };
  });
  const named = moments.flatMap(({ made, done, cancelled }) => [made, done, cancelled].filter((day) => day !== null));
  const [first] = named;
  if (first === undefined) return [{ key: null, label: '', values: [] }];
  const isIso = groups.some(({ keys }) => keys.some((key) => key?.includes('W')));
  const { from, to } = extent([...named, today], first);
  const steps = keysBetween(form.by, from, to, isIso);
  const starts = steps.map((key) => startOfKey(key) ?? 0);
  /** The step at whose end something has happened; what is older than the first one happened by then. */
  const stepOf = (day: Day): number =>
    Math.max(
      0,
      starts.findLastIndex((start) => start <= day),
    );
  const places = new Map([...new Set(named)].map((day) => [day, stepOf(day)] as const));
  /** What each step brings, from which the sums of all before it follow. */
  const came = steps.map(() => ({ count: 0, takes: 0, done: 0, kept: 0, cancelled: 0 }));
  for (const { made, done, cancelled, totals } of moments) {
    const begins = made === null ? 0 : (places.get(made) ?? 0);
    const ends = Math.max(begins, (done ?? cancelled) === null ? 0 : (places.get(done ?? cancelled ?? 0) ?? 0));
    const [here, there] = [came[begins], came[ends]];
    if (!here || !there) continue;
    here.count += totals.count;
    here.takes += totals.takes;
    if (cancelled !== null && done === null) there.cancelled += totals.count;
    if (done !== null) {
      there.done += totals.count;
      there.kept += totals.kept;
    }
  }
  const sum = { count: 0, takes: 0, done: 0, kept: 0, cancelled: 0 };
  const values = steps.map((key, at) => {
    for (const name of ['count', 'takes', 'done', 'kept', 'cancelled'] as const) sum[name] += came[at]?.[name] ?? 0;
    const open = sum.count - sum.done - sum.cancelled;
    const all = sum.count - sum.cancelled;
    const progress = all === 0 ? 0 : Math.round((100 * sum.done) / all);
    return { key, label: key, value: { ...sum, open, progress }[form.measure] };
  });
  return [{ key: null, label: '', values }];
}

/** The first and the last of some days; of very many, too. */
const extent = (days: readonly Day[], first: Day): DayRange =>
  days.reduce(({ from, to }, day) => ({ from: Math.min(from, day), to: Math.max(to, day) }), { from: first, to: first });
