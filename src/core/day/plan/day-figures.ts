/** What the row of days shows of a day. */
export interface DayFigures {
  /** Open tasks due that day, resting ones too. */
  due: number;
  /** Minutes of the open tasks planned for that day. */
  minutes: number;
  /** Its hours, in minutes: what appointments and meetings leave of the working hours. Null where they take nothing. */
  hours: number | null;
  /** What was planned for it, as far as it counts, and how much of it was done by its end. */
  planned: number;
  kept: number;
  /** Why it counts in no share. */
  excused: string | null;
}

export const NO_FIGURES: DayFigures = { due: 0, minutes: 0, hours: null, planned: 0, kept: 0, excused: null };
