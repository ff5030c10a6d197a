import type { Day } from '../../calendar/day';
import { foldName } from '../../note/names/names';
import type { Library } from '../library';
import type { NoteEntry } from '../note-entry';

/** A meeting with somebody: where it is written, and its day. */
export interface MetOn {
  path: string;
  date: Day;
}

/** What there is to know at a glance of a person who is named or has a page. */
export interface PersonFacts {
  /** As it is written, without its sign. */
  name: string;
  fullName: string | null;
  /** Their page; null where they have none. */
  path: string | null;
  /** Open tasks that are with them in any way, that they own, and that they asked for. */
  open: number;
  owned: number;
  asked: number;
  /** The last meeting with them before today, and the next, today's too. */
  last: MetOn | null;
  next: MetOn | null;
}

/** Everybody who is named or has a page, but oneself; who is in most open tasks first. */
export function peopleIn(library: Library, meetings: readonly NoteEntry[]): PersonFacts[] {
  const { peopleNames, personPages, total } = library;
  const { me, today } = library.contextAt(null);
  const met = metBy(meetings, today);
  const people: PersonFacts[] = [];
  for (const [folded, name] of peopleNames.all()) {
    if (me !== null && folded === foldName(me)) continue;
    const page = personPages.get(folded);
    people.push({
      name,
      fullName: page?.title ?? null,
      path: page?.path ?? null,
      open: total.people.get(folded) ?? 0,
      owned: total.owned.get(folded) ?? 0,
      asked: total.asked.get(folded) ?? 0,
      last: met.get(folded)?.last ?? null,
      next: met.get(folded)?.next ?? null,
    });
  }
  return people.sort((a, b) => b.open - a.open || (a.name < b.name ? -1 : 1));
}

function metBy(meetings: readonly NoteEntry[], today: Day): Map<string, { last: MetOn | null; next: MetOn | null }> {
  const met = new Map<string, { last: MetOn | null; next: MetOn | null }>();
  for (const { head } of meetings) {
    const { date, path } = head;
    if (date === null) continue;
    for (const person of head.present) {
      let found = met.get(person);
      if (!found) met.set(person, (found = { last: null, next: null }));
      if (date < today) {
        if (found.last === null || date > found.last.date) found.last = { path, date };
      } else if (found.next === null || date < found.next.date) found.next = { path, date };
    }
  }
  return met;
}
