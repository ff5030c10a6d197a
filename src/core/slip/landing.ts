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
  return demanded ?? home ?? (loosePlace === 'journal' ? journal : loosePlace);
}

/** Reads `note#heading`; null where no note is named. */
export function readLanding(target: string): Landing | null {
  const at = target.indexOf('#');
  const [note, heading] = at === -1 ? [target, ''] : [target.slice(0, at), target.slice(at + 1)];
  return note.trim() === '' ? null : { note: note.trim(), heading: heading.trim() === '' ? null : heading.trim() };
}
