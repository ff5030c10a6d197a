import { type Day, type Weekday, isoDay } from '../../calendar/day';
import { timeName } from '../../calendar/span';
import { READING_DEFAULTS, type ReadingSettings } from '../line/task';

/** When an action happens: what stamps are written with. */
export interface Moment {
  day: Day;
  /** Minutes after midnight; null when only the day is known. */
  minute: number | null;
}

/** What changes how actions write. */
export interface ActionSettings extends ReadingSettings {
  firstDayOfWeek: Weekday;
  /** What stays of a finished occurrence of a repeat: a line, or a count on the task. */
  repeatRecords: 'lines' | 'count';
  /** What a typed day without a word before it means; the plan when left out. */
  bareDay?: 'plan' | 'due';
  /** The signs of the statuses that a task goes through by cycling, in order; To do, Under way, Done when left out. */
  cycle?: readonly string[];
  /** The words of the heading under which sweeping collects what is finished. */
  finishedHeading: string;
}

export const ACTION_DEFAULTS: ActionSettings = {
  ...READING_DEFAULTS,
  firstDayOfWeek: 1,
  repeatRecords: 'lines',
  finishedHeading: 'Finished',
};

export interface ActionContext {
  now: Moment;
  settings: ActionSettings;
  /** Makes a ref that no task has. */
  makeRef: () => string;
}

/** `2026-11-23 09:14`: the local minute, as stamps bear it; the day alone when the minute is not known. */
export function stampOf({ day, minute }: Moment): string {
  return minute === null ? isoDay(day) : `${isoDay(day)} ${timeName(minute)}`;
}
