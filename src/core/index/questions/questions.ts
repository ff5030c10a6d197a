import type { SeriesMeeting } from '../../meeting/series';
import type { Day } from '../../calendar/day';
import type { Now } from '../../calendar/span';
import type { DayItem } from '../../day/day-items';
import type { AnswerRow } from '../../gather/answer/answer';
import { withoutLimits } from '../../gather/saying/without-limits';
import type { NoteKind } from '../../note/facts/front-matter';
import { foldPath } from '../../note/names/path';
import type { OwnSlip } from '../../slip/own-slip';
import type { Problem } from '../../task/line/task';
import type { LineRef } from '../../task/writing/edit';
import { taskOfRef } from '../../task/reading/ref-problems';
import type { DayFigures } from '../../day/plan/day-figures';
import type { DayPlan, InHand } from '../days/day-plan';
import type { Fit } from '../days/fit';
import { figuresOf } from '../days/figures-of';
import { startsOf } from '../days/day-matter';
import type { Library } from '../library';
import type { NoteEntry } from '../note-entry';
import { type FoundTask, foundOf } from './of-a-task/found-task';
import type { CarryAnswer } from './past/carry';
import type { Template } from './forms';
import type { FoundHeading } from './headings';
import type { ListedGather } from '../../formats/listed';
import type { CalendarEvent } from '../../formats/out/part';
import type { LeadingAnswer } from './leading';
import type { PersonFacts } from './people';
import type { Reminder } from './reminders';
import type { WrittenNote } from './past/written-on';
import type { TaskClosely } from './of-a-task/task-closely';
import type { TaskWhy } from './of-a-task/why-a-task';
import type { DaysRecord, RecordedRepeat } from './past/record';
import type { GoalFacts } from './goals';
import type { ListedReview } from './past/reviews';
import type { SearchAnswer, SearchShows } from './search';

/** What the page asks of all notes that is no gather: each with what is given, and what it is answered with. */
export interface Questions {
  /** Why a task is in the answer to a gather, or what keeps it out; null when either is gone. */
  why: { given: { text: string; at: string | null } & LineRef; answer: TaskWhy | null };
  /** A task with what one needs to decide about it; null where its line is gone or another. */
  closely: { given: { path: string; line: number; raw: string }; answer: TaskClosely | null };
  /** What can be begun of a note, the weightiest; null where there is nothing. */
  nextStep: { given: { path: string }; answer: FoundTask | null };
  /** Every task that a gather finds at a place, without its limits, in its order; steps too. */
  matching: { given: { text: string; at: string | null }; answer: FoundTask[] };
  /** What some gathers hold at a place, as their lists show it; all that the note there holds, where none are given. */
  listed: { given: { texts: readonly string[] | null; at: string | null }; answer: ListedGather[] };
  /** What happens at a time from a day on: appointments and meetings. */
  events: { given: { from: Day }; answer: CalendarEvent[] };
  /** The first tasks whose words hold some words, wherever they stand and whatever their status, open ones first. */
  find: { given: { words: string }; answer: FoundTask[] };
  /** The tasks that bear some refs, in that order; one that nothing or several bear is left out. */
  tasksOf: { given: { refs: readonly string[] }; answer: (FoundTask & { ref: string })[] };
  /** What is wrong with what the tasks of a note point at, by line (from 0). */
  refProblems: { given: { path: string }; answer: { line: number; problems: Problem[] }[] };
  /** The path of the note that a link means, as it stands in the note at `from`; null when there is none. */
  resolve: { given: { target: string; from: string | null }; answer: string | null };
  /** What has a time on the days from the first to the last (at most 62), by day and by time. */
  timed: { given: { from: Day; to: Day }; answer: { day: Day; items: DayItem[] }[] };
  /** The figures of the days from the first to the last; days of which there is nothing to say are left out. */
  figures: { given: { from: Day; to: Day }; answer: { day: Day; figures: DayFigures }[] };
  /** A day turned to its plan: its things in their order, with the rows of its tasks. */
  dayPlan: { given: { day: Day }; answer: DayPlan };
  /** What is in hand, and what comes then. */
  inHand: { given: { now: Now }; answer: InHand };
  /** How one's own work that is due fits into the days; of today only what lies after a minute, where one is given. */
  fit: { given: { after?: number }; answer: Fit };
  /** On which days from the first to the last the open repeats fall, by day; their present date too. */
  occurrences: { given: { from: Day; to: Day }; answer: { day: Day; tasks: FoundTask[] }[] };
  /** Everything of which one is to be reminded after one moment and not after another; null when it cannot be said now. */
  remindersIn: { given: { after: Now; until: Now; starts: boolean }; answer: Reminder[] | null };
  /** The notes in which lines were seen first on a day. */
  writtenOn: { given: { day: Day }; answer: WrittenNote[] };
  /** The templates, by path. */
  templates: { given: object; answer: Template[] };
  /** The meetings of a series, or all where none is given, by path, with what their front matter says. */
  meetings: { given: { series: string | null }; answer: SeriesMeeting[] };
  /** How the days of a range went, up to yesterday; by side, too. */
  daysRecord: { given: { from: Day; to: Day; sides: readonly { name: string; condition: string }[] }; answer: DaysRecord | null };
  /** Every open repeat, and how it went in a range of days. */
  repeatsRecord: { given: { from: Day; to: Day }; answer: RecordedRepeat[] };
  /** The goals that the task on a line (from 0) serves. */
  goalsServed: { given: { path: string; line: number }; answer: { path: string; title: string }[] };
  /** Every goal, and how it stands. */
  goals: { given: object; answer: GoalFacts[] };
  /** The reviews, by their days. */
  reviews: { given: object; answer: ListedReview[] };
  /** Everybody who is named or has a page, but oneself. */
  people: { given: object; answer: PersonFacts[] };
  /** The digest of a meeting as it would stand under a heading now, line by line; none where the note is no meeting. */
  digest: { given: { path: string; heading: string }; answer: string[] };
  /** The slips that a person made, by path. */
  slips: { given: object; answer: OwnSlip[] };
  /** On which agenda pages a task line would stand that is written into a note, on each of some days. */
  standsIn: { given: { line: string; path: string; days: readonly Day[] }; answer: { day: Day; pages: string[] }[] };
  /** The first headings whose words hold some words, in any order. */
  headings: { given: { words: string }; answer: FoundHeading[] };
  /** Notes and tasks that hold all that is typed into the field of a search, the first `most` notes; and none, only to have it begun. */
  search: { given: { typed: string; shows: SearchShows; most: number }; answer: SearchAnswer };
  /** The lines of other notes that mean a note, of each sort the first `most`. */
  leading: { given: { path: string; most: number }; answer: LeadingAnswer };
  /** What earlier days left open, of more than `most` the first; signs of what was left alone before are `leftAloneSign`s. */
  carry: { given: { leftAlone: readonly string[]; most?: number }; answer: CarryAnswer };
}

export type QuestionName = keyof Questions;

/** How many tasks a search by words gives. */
const MOST_FOUND = 12;

/** A new question is one entry in `Questions`, one here, and one in `NO_ANSWERS`. */
const ANSWERS: {
  readonly [Name in QuestionName]: (
    library: Library,
    given: Questions[Name]['given'],
  ) => Questions[Name]['answer'] | Promise<Questions[Name]['answer']>;
} = {
  why: async (library, { text, at, ...ref }) => (await import('./of-a-task/why-a-task')).whyOfTask(library, text, at, ref),
  matching: (library, { text, at }) => {
    const { answer } = library.ask(withoutLimits(text), at);
    const flat = ({ row, steps }: AnswerRow): FoundTask[] => [...(row.what === 'task' ? [foundOf(row)] : []), ...steps.flatMap(flat)];
    const seen = new Set<string>();
    return answer.groups
      .flatMap((group) => group.rows.flatMap(flat))
      .filter(({ path, line }) => !seen.has(`${path}:${line}`) && seen.add(`${path}:${line}`));
  },
  listed: async (library, { texts, at }) => (await import('./listed')).listed(library, texts, at),
  events: async (library, { from }) => (await import('./events')).eventsFrom(library, from),
  closely: async (library, { path, line, raw }) => (await import('./of-a-task/task-closely')).taskClosely(library, path, line, raw),
  nextStep: (library, { path }) => {
    const row = library.nextStep(path);
    return row && foundOf(row);
  },
  find: (library, { words }) => {
    const quoted = `"${words.replace(/[\\"]/g, '\\$&')}"`;
    const text = `where text has ${quoted}\norder by status, priority, due\nlimit ${MOST_FOUND}\nsteps apart\nincluding resting`;
    return library.ask(text).answer.groups.flatMap((group) => group.rows.map(({ row }) => foundOf(row)));
  },
  tasksOf: (library, { refs }) =>
    refs.flatMap((ref) => {
      const named = taskOfRef(library.refs.table, ref);
      const row = named && library.entries.get(foldPath(named.path))?.head.rows.find((one) => one.task.line === named.line);
      return row ? [{ ...foundOf(row), ref }] : [];
    }),
  refProblems: (library, { path }) => library.refProblemsOf(path),
  resolve: (library, { target, from }) => {
    const key = library.names.pathOf(target, from && foldPath(from));
    return key === null ? null : (library.entries.get(key)?.head.path ?? null);
  },
  timed: (library, range) => daysIn(range).map((day) => ({ day, items: startsOf(library, day).map(({ item }) => item) })),
  figures: (library, range) =>
    daysIn(range).flatMap((day) => {
      const figures = figuresOf(library, day);
      return figures ? [{ day, figures }] : [];
    }),
  // What few questions need is loaded with the first of them.
  occurrences: async (library, { from, to }) => (await import('./past/occurrences')).occurrencesIn(library, from, to),
  dayPlan: async (library, { day }) => (await import('../days/day-plan')).dayPlanOf(library, day),
  inHand: async (library, { now }) => (await import('../days/day-plan')).inHandAt(library, now),
  fit: async (library, { after }) => (await import('../days/fit')).fitOf(library, after),
  remindersIn: async (library, { after, until, starts }) => (await import('./reminders')).remindersIn(library, after, until, starts),
  writtenOn: async (library, { day }) => (await import('./past/written-on')).writtenOn(library, day),
  templates: async (library) => (await import('./forms')).templatesIn(notesOf(library, 'template')),
  meetings: async (library, { series }) => (await import('./meetings')).meetingsIn(notesOf(library, 'meeting'), series),
  daysRecord: async (library, { from, to, sides }) => (await import('./past/record')).daysRecord(library, { from, to }, sides),
  repeatsRecord: async (library, range) => (await import('./past/record')).repeatsRecord(library, range),
  goalsServed: async (library, { path, line }) => (await import('./goals')).goalsServed(library, path, line),
  goals: async (library) => (await import('./goals')).goalsIn(library),
  reviews: async (library) => (await import('./past/reviews')).reviewsIn(notesOf(library, 'review')),
  people: async (library) => (await import('./people')).peopleIn(library, notesOf(library, 'meeting')),
  digest: async (library, { path, heading }) => (await import('./meetings')).digestOfMeeting(notesOf(library, 'meeting'), path, heading),
  slips: async (library) => (await import('./forms')).slipsIn(notesOf(library, 'slip')),
  standsIn: async (library, { line, path, days }) => (await import('./of-a-task/stands-in')).standsIn(library, line, path, days),
  headings: async (library, { words }) => (await import('./headings')).headingsWith(library, words),
  search: async (library, { typed, shows, most }) => (await import('./search')).searched(library, typed, shows, most),
  leading: async (library, { path, most }) => (await import('./leading')).leadingTo(library, path, most),
  carry: async (library, { leftAlone, most }) => (await import('./past/carry')).carriedBy(library, new Set(leftAlone), most),
};

const notesOf = (library: Library, kind: NoteKind): NoteEntry[] =>
  [...library.entries.values()].filter(({ head }) => head.kind === kind).sort((a, b) => (a.head.path < b.head.path ? -1 : 1));

/** The longest range of days that is answered: two months. */
const MOST_DAYS = 62;

function daysIn({ from, to }: { from: Day; to: Day }): Day[] {
  return Array.from({ length: Math.max(0, Math.min(MOST_DAYS, to - from + 1)) }, (_, index) => from + index);
}

/** Answers a question from the library. */
export async function answerTo<Name extends QuestionName>(
  library: Library,
  name: Name,
  given: Questions[Name]['given'],
): Promise<Questions[Name]['answer']> {
  return ANSWERS[name](library, given);
}
