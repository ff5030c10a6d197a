import type { Day } from '../../calendar/day';
import type { NoteKind } from '../../note/facts/front-matter';
import type { AddedStatus } from '../../task/line/status';
import type { DayFigures } from '../../day/plan/day-figures';
import type { DayItem } from '../../day/day-items';

/** A note as the rack shows it. */
export interface NoteSummary {
  path: string;
  title: string;
  kind: NoteKind;
  journal: Day | null;
  /** The name of the other journal whose page it is. */
  journalName?: string;
  /** Whether its front matter says kind journal. */
  journalSaid: boolean;
  /** Open tasks. */
  open: number;
  /** Lines of finished tasks. */
  closed: number;
  /** The key that opens it, where it is a slip with one. */
  slipKey?: string;
  /** The name without its sign, where it is the page of a person or a tag and says one. */
  handle?: string;
  /** The kind under whose notes it stands, where it is an agenda page that is a foot. */
  foot?: string;
}

export interface NameSummary {
  /** As written the first time. */
  name: string;
  /** The title of its page; null where it has none. */
  fullName: string | null;
  /** The note that is its page. */
  path: string | null;
  /** Open tasks. */
  open: number;
  /** How many notes use it. */
  notes: number;
}

/** A status, and the note that adds it. */
export interface NotedStatus extends AddedStatus {
  path: string;
}

/** What the frame shows of the whole library. */
export interface Overview {
  notes: NoteSummary[];
  tags: NameSummary[];
  people: NameSummary[];
  /** Day number → figures; days without any are left out. */
  days: Record<Day, DayFigures>;
  /** Path of an agenda page → the count on the rack. */
  agendaCounts: Record<string, number>;
  /** What of today has a time, by its time. */
  timed: DayItem[];
  /** Statuses that notes add, with the notes. */
  statuses: NotedStatus[];
  /** Folded names that more than one note has: links by them are marked. */
  sharedNames: string[];
  lines: number;
  tasks: number;
  open: number;
}

/** What of an overview is different; parts that are left out stayed the same. */
export interface OverviewNews extends Partial<Omit<Overview, 'notes' | 'days'>> {
  notes: { changed: NoteSummary[]; gone: string[] };
  /** Null for a day that nothing is left of. */
  days: Record<Day, DayFigures | null>;
}

export const EMPTY_OVERVIEW: Overview = {
  notes: [],
  tags: [],
  people: [],
  days: {},
  agendaCounts: {},
  timed: [],
  statuses: [],
  sharedNames: [],
  lines: 0,
  tasks: 0,
  open: 0,
};

/** The overview after news; parts that did not change stay the same objects. */
export function overviewAfter(before: Overview, { notes, days, ...rest }: OverviewNews): Overview {
  return {
    ...before,
    ...rest,
    ...((notes.changed.length > 0 || notes.gone.length > 0) && { notes: notesAfter(before.notes, notes) }),
    ...(Object.keys(days).length > 0 && { days: daysAfter(before.days, days) }),
  };
}

function notesAfter(before: readonly NoteSummary[], { changed, gone }: OverviewNews['notes']): NoteSummary[] {
  const left = new Map(changed.map((note) => [note.path, note]));
  const without = new Set(gone);
  const kept = before.flatMap((note) => {
    const next = left.get(note.path);
    left.delete(note.path);
    return next ?? (without.has(note.path) ? [] : note);
  });
  return [...kept, ...left.values()];
}

function daysAfter(before: Overview['days'], changed: OverviewNews['days']): Overview['days'] {
  const days = { ...before };
  for (const [day, tally] of Object.entries(changed)) {
    if (tally) days[Number(day)] = tally;
    else Reflect.deleteProperty(days, day);
  }
  return days;
}
