import { isOpen } from '../../task/line/status';
import { echoRefOf } from '../../task/line/echo';
import type { ReadNote } from '../../task/reading/read-note';
import type { LeftOpen } from './digest';
import { meetingFacts } from '../meeting-facts';
import { meetingsOfSeries } from '../series';

/**
 * What earlier meetings of a meeting's series left open: every open task in them, in the order of the meetings. Nothing of one without a series
 * or a day.
 *
 * @param notes all notes, the meeting among them
 */
export function leftOpenBefore(meeting: ReadNote, notes: readonly ReadNote[]): LeftOpen[] {
  const { series, date } = meetingFacts(meeting.front);
  if (series === null || date === null) return [];
  const all = notes.filter(({ kind }) => kind === 'meeting').map((note) => ({ path: note.path, note, facts: meetingFacts(note.front) }));
  return meetingsOfSeries(all, series)
    .filter((one) => one.path !== meeting.path && one.facts.date !== null && one.facts.date < date)
    .flatMap(({ note }) => note.tasks)
    .filter((task) => isOpen(task.status) && echoRefOf(task.text) === null)
    .map(({ text, owner, due }) => ({ text, owner, due: due?.from ?? null }));
}
