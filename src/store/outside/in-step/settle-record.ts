import { type Merged, mergedTask } from '../../../core/sharing/outside/merged-task';
import { intentionsFor } from '../../../core/sharing/outside/shared-lines';
import { SHARED_FIELDS, type SharedField, type SharedTask, sameField, withFields } from '../../../core/sharing/outside/shared-task';
import type { Intention } from '../../../core/task/acts/intention';
import { isOpen } from '../../../core/task/line/status';
import type { FaceLine } from '../face-lines';
import type { OutsideRecord, ToldBoth } from '../outside-record';

/** What is to become of the line that is the other face of a task. */
export interface Settled {
  record: OutsideRecord;
  merged: Merged;
  /** Done to the line, in this order; empty where it stays. */
  intentions: Intention[];
  /** Whether the line is a repeat that goes on to its next date by them. */
  isTicked: boolean;
  /** What the line says then, as far as the fields that come over go. */
  wanted: SharedTask;
  both: ToldBoth[];
}

/**
 * Compares both faces of a task and says what goes where.
 *
 * @param line the face here
 * @param own the line in the list’s own note, where that is a third one: what was changed in it since it was written goes to the first
 * @param now in milliseconds since 1970
 */
export function settled(record: OutsideRecord, line: FaceLine, own: FaceLine | null, now: number): Settled {
  let present = record;
  // It was done there, and the repeat went on here already: before that could be kept, the page was gone.
  if (present.ticking !== null && datesIn(present.ticking) !== datesIn(line.raw)) present = ticked(present);
  if (present.ticking !== null) present = { ...present, ticking: null };
  const fromOwn = own && present.own ? OF_OWN.filter((field) => !sameField(field, own.shared, present.own as SharedTask)) : [];
  const here = own ? withFields(line.shared, own.shared, fromOwn) : line.shared;
  present = { ...present, noticed: noticed(present, here, Math.min(now, line.changed)) };
  const there = present.there ?? here;
  const merged = present.there
    ? mergedTask(present.last, here, there, { here: present.noticed, there: present.modified })
    : { toHere: [], toThere: [], met: [], both: [] };
  const wanted = withFields(here, there, merged.toHere);
  const changed = SHARED_FIELDS.filter(
    (field) => !sameField(field, line.shared, wanted) && (merged.toHere.includes(field) || fromOwn.includes(field)),
  );
  const isTicked = changed.includes('status') && line.repeats && isOpen(line.shared.status) && !isOpen(wanted.status);
  // A repeat goes on from its date: one that was taken away there together with the tick comes back as the next.
  const isDateless = isTicked && wanted.due === null && wanted.plan === null;
  const fields = isDateless ? changed.filter((field) => field !== 'due' && field !== 'plan') : changed;
  const intentions = intentionsFor(line.shared, wanted, fields);
  if (isTicked) present = { ...present, ticking: line.raw };
  const both = merged.both.map((one): ToldBoth => ({ ...one, words: line.shared.words, at: now }));
  return { record: present, merged, intentions, isTicked, wanted, both };
}

/** What a line says of when: a repeat that went on says something else. */
const datesIn = (raw: string): string => (raw.match(/\b(?:due|plan) \d{4}-[\d:W -]+/g) ?? []).join();

/** A repeat goes on by itself in the note of the joined line alone. */
const OF_OWN: readonly SharedField[] = SHARED_FIELDS.filter((field) => field !== 'every');

/** The fields that were seen to be changed here, each from when it was seen first. */
function noticed({ last, noticed: before }: OutsideRecord, here: SharedTask, now: number): OutsideRecord['noticed'] {
  if (!last) return Object.fromEntries(SHARED_FIELDS.map((field) => [field, before[field] ?? now]));
  const changed = SHARED_FIELDS.filter((field) => !sameField(field, last.here, here));
  return Object.fromEntries(changed.map((field) => [field, before[field] ?? now]));
}

/** That it was done there came over: what the line says now is a change here. */
function ticked(record: OutsideRecord): OutsideRecord {
  const { last, there } = record;
  if (!last || !there) return { ...record, ticking: null };
  return { ...record, ticking: null, last: inStep(record, there, there, ['status']) };
}

/** What both sides said last, with some fields as they are the same now. */
export function inStep(
  { last }: Pick<OutsideRecord, 'last'>,
  here: SharedTask,
  there: SharedTask,
  fields: readonly SharedField[],
): OutsideRecord['last'] {
  if (!last) return { here: withFields(here, here, fields), there };
  return { here: withFields(last.here, here, fields), there: withFields(last.there, there, fields) };
}

/** What a repeat changes when it goes on. */
const GOES_ON: readonly SharedField[] = ['status', 'due', 'plan'];

/**
 * The record when its line was changed as was wanted.
 *
 * @param after what the line says now; a repeat may have gone on
 */
export function afterLine({ record, merged, isTicked, wanted }: Settled, after: SharedTask): OutsideRecord {
  const { there } = record;
  if (!there) return { ...record, ticking: null };
  const came = [...merged.toHere, ...merged.met];
  // That it is done came over although the line went on to its next date, which goes there then.
  const said = isTicked ? withFields(after, wanted, GOES_ON) : after;
  const next = { ...record, ticking: null };
  if (!record.last && merged.toThere.length > 0) {
    // Where nobody knew what both said, what is to go there still differs.
    const base = withFields(said, there, merged.toThere);
    return { ...next, last: { here: base, there } };
  }
  const last = inStep(record, said, there, record.last ? came : SHARED_FIELDS);
  return {
    ...next,
    last,
    noticed: Object.fromEntries(Object.entries(record.noticed).filter(([field]) => !came.includes(field as SharedField))),
  };
}

/** What of a line is to go there now. */
export function goingThere(record: OutsideRecord, here: SharedTask): SharedField[] {
  if (record.id === null || !record.there) return [...SHARED_FIELDS];
  return mergedTask(record.last, here, record.there, { here: record.noticed, there: null }).toThere;
}
