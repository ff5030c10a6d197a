import type { Day } from '../calendar/day';

/** Where a new task lands: a note, and a heading in it. */
export interface Landing {
  /** A title or a path, as a link names a note. */
  note: string;
  heading: string | null;
}

/** What decides where a task lands that is written from a place. */
export interface LandingAsked {
  /** Where the list demands it, as a link's target; null when it does not. */
  demanded: string | null;
  /** The note that one writes from; null when that is no note of one's own, as an agenda page. */
  home: string | null;
  /** Where loose tasks are caught, as the settings say: `journal`, or a path. */
  loosePlace: string;
  /** The path of today's journal page, which may not be there yet. */
  journal: string;
}

/**
 * Where a new task lands: what is demanded, else the note one writes in, else the place for loose tasks.
 *
 * @returns a link's target, `note#heading`
 * @example landingOf({ demanded: null, home: null, loosePlace: 'journal', journal: 'Journal/2026-11-23.md' }) // 'Journal/2026-11-23.md'
 */
export function landingOf({ demanded, home, loosePlace, journal }: LandingAsked): string {
  const place = home ?? (loosePlace === 'journal' ? journal : loosePlace);
  // A heading alone, as of the column of a board, is one of the place.
  return demanded?.startsWith('#') ? `${place}${demanded}` : (demanded ?? place);
}

/** What decides where a slip lands. */
export interface SlipLandingAsked {
  /** Where the slip or the person says, as a link's target; null for the place of loose tasks. */
  into: string | null;
  loosePlace: string;
  slipHeading: string;
  today: Day;
  /** The day on which it is first asked for; null for none. */
  day: Day | null;
  /** Whether what is for a later day goes to the page of that day. */
  laterPages: boolean;
  /** The path of the journal page of a day, which may not be there yet. */
  pageOf: (day: Day) => string;
}

/** Where a slip lands: where it says, else under the heading for slips of the journal page, else in the place for loose tasks. */
export function slipLanding({ into, loosePlace, slipHeading, today, day, laterPages, pageOf }: SlipLandingAsked): Landing {
  const said = into === null ? null : readLanding(into);
  if (said) return said;
  if (loosePlace !== 'journal') return { note: loosePlace, heading: null };
  return { note: pageOf(laterPages && day !== null && day > today ? day : today), heading: slipHeading };
}

/** Reads `note#heading`, also in the brackets of a link; null where no note is named. */
export function readLanding(target: string): Landing | null {
  const bare = /^\s*\[\[(.*)\]\]\s*$/.exec(target)?.[1] ?? target;
  const at = bare.indexOf('#');
  const [note, heading] = at === -1 ? [bare, ''] : [bare.slice(0, at), bare.slice(at + 1)];
  return note.trim() === '' ? null : { note: note.trim(), heading: heading.trim() === '' ? null : heading.trim() };
}

/** `note#heading`, as a link names a place. */
export const landingText = ({ note, heading }: Landing): string => (heading === null ? note : `${note}#${heading}`);
