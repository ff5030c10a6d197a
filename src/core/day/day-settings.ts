/** What a person can set about days, as the settings name it. */
export interface DaySettings {
  /** Working hours, Monday first. */
  workingHours: readonly number[];
  /** When they begin, in minutes after midnight. */
  dayBegins: number;
  /** The most minutes that are taken for what begins at a time and says no end. */
  openEndLength: number;
  /** The heading of a journal page under which the order of its day is kept. */
  planHeading: string;
  /** The heading under which slips land. */
  slipHeading: string;
  /** The heading whose lines come back every day, and whether they count in what was kept. */
  routineHeading: string;
  routinesCount: boolean;
}

export const DAY_DEFAULTS: DaySettings = {
  workingHours: [6, 6, 6, 6, 6, 0, 0],
  dayBegins: 540,
  openEndLength: 30,
  planHeading: 'Plan',
  slipHeading: 'Log',
  routineHeading: 'Routine',
  routinesCount: true,
};
