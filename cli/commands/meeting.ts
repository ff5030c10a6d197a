import { type Day, isoDay } from '../../src/core/calendar/day';
import { timeName } from '../../src/core/calendar/span';
import { endName } from '../../src/core/day/appointments';
import { digestOf } from '../../src/core/meeting/digest/digest';
import { leftOpenBefore } from '../../src/core/meeting/digest/left-open';
import { meetingFacts } from '../../src/core/meeting/meeting-facts';
import { type Desk, noteAt } from '../desk';
import { PlainError } from '../plain-error';
import { type ScannedTask, scanNote, scanned } from './scan';
import { absentLast } from '../absent-last';

/** A meeting as the runner prints it: days and times in ISO form, null for what is absent, rows as `scan` prints them. */
export interface PrintedMeeting {
  note: string;
  title: string;
  date: string | null;
  start: string | null;
  end: string | null;
  people: readonly string[];
  about: readonly string[];
  form: string | null;
  series: string | null;
  /** Its tasks that are no questions. */
  actions: ScannedTask[];
  /** Items marked as key points, tasks among them. */
  keyPoints: ScannedTask[];
  questions: ScannedTask[];
}

/** `meetings`: every meeting of a folder, by its day. */
export function meetings(desk: Desk, today: Day): PrintedMeeting[] {
  const found = desk.notes
    .filter(({ kind }) => kind === 'meeting')
    .map((note) => {
      const { date, start, end, people, about, form, series } = meetingFacts(note.front);
      const tasks = scanNote(desk, note, today);
      const points = note.keyPoints.map(({ task, said }) => tasks[task] ?? scanned(desk, note, said, { progress: null, resting: false }));
      return {
        note: note.path,
        title: note.title,
        date: date === null ? null : isoDay(date),
        start: start === null ? null : timeName(start),
        end: end === null ? null : endName(end),
        people,
        about,
        form,
        series,
        actions: tasks.filter(({ question }) => !question),
        keyPoints: points,
        questions: tasks.filter(({ question }) => question),
      };
    });
  return found.sort((a, b) => absentLast(a.date, b.date) || absentLast(a.start, b.start) || absentLast(a.note, b.note));
}

/** `digest`: the short account of a meeting. */
export function digest(desk: Desk, at: string): { text: string } {
  const note = noteAt(desk, at);
  if (!note) throw new PlainError(`There is no note ${at}.`);
  if (note.kind !== 'meeting') throw new PlainError(`${note.path} is no meeting.`);
  return { text: digestOf(note, leftOpenBefore(note, desk.notes)) };
}
