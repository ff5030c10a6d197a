import type { Day } from '../calendar/day';
import type { Row } from '../gather/rows/row';
import { foldName } from '../note/names/names';
import { echoRefOf } from '../task/line/echo';
import type { Status } from '../task/line/status';
import { priorityRank } from '../task/line/task';
import type { ReadNote } from '../task/reading/read-note';
import { type NoteTimes, endOfSection } from './appointments';
import type { DaySettings } from './day-settings';
import { resolvedLengths } from './length';
import { type PlannedPlace, plannedDay } from './plan/planned';

/** Something of a day: a task that is planned for it, an appointment, or a meeting. */
export interface DayItem {
  kind: 'task' | 'appointment' | 'meeting';
  path: string;
  /** From 0; null for a meeting that is a note. */
  line: number | null;
  text: string;
  /** Minutes after midnight; null for what has no time. */
  start: number | null;
  /** More than 1440 for what ends on the next day; null where nothing says how long it is. */
  end: number | null;
  /** How long it is; null where nothing says it. */
  minutes: number | null;
  /** Of a task. */
  status: Status | null;
}

/** The times that a note says, and where it is. */
export interface PlacedTimes {
  path: string;
  title: string;
  times: NoteTimes;
}

/** What the items of a day are made of. */
export interface DayMatter {
  /** Tasks among which are all that are planned for the day, each with how long it takes by what it says. */
  tasks: Iterable<{ row: Row; minutes: number | null }>;
  /** The notes that say times of the day. */
  timed: readonly PlacedTimes[];
  /** The order by hand of the day's page. */
  order: readonly HandPlace[];
  /** The path of the meeting that a link in a note means; null when it means none. */
  meetingOf: (link: string, from: string) => string | null;
}

/** A line under the heading that holds the order of a day. */
export interface HandPlace {
  /** From 0. */
  line: number;
  /** Of the task for which the line stands; null where it is a task itself. */
  ref: string | null;
}

/** The order by hand that a journal page holds: the tasks and echoes under the first heading with those words, in their order. */
export function handOrder(page: ReadNote, { planHeading }: Pick<DaySettings, 'planHeading'>): HandPlace[] {
  const { headings } = page.structure;
  const folded = foldName(planHeading);
  const heading = headings.find((one) => one.topLevel && foldName(one.words.trim()) === folded);
  if (!heading) return [];
  const end = endOfSection(headings, heading);
  return page.tasks
    .filter((task) => task.parent === -1 && task.line > heading.lastLine && task.line < end)
    .map((task) => ({ line: task.line, ref: echoRefOf(task.text) }));
}

/**
 * Everything of a day: what has a time by its time, then what has none by the order by hand, then by weight and place. A step
 * without a time whose task is there too stands with it, and is no item of its own.
 */
export function itemsOfDay(day: Day, page: string | null, matter: DayMatter, settings: DaySettings): DayItem[] {
  const ranks = handRanks(matter.order, page);
  const placed = [...tasksOf(day, matter, ranks, settings), ...appointmentsOf(day, matter)];
  const lengths = resolvedLengths(
    placed.map(({ item }) => (item.status === 'cancelled' ? { ...item, start: null } : item)),
    settings.openEndLength,
  );
  placed.forEach(({ item }, index) => {
    item.minutes = lengths[index] ?? null;
    item.end = item.start === null || item.minutes === null ? null : item.start + item.minutes;
  });
  return placed.sort(byTimeThenHand).map(({ item }) => item);
}

interface Placed {
  item: DayItem;
  /** Its place by hand; infinite where nobody placed it. */
  hand: number;
  weight: number;
}

function byTimeThenHand(a: Placed, b: Placed): number {
  const start = (a.item.start ?? Infinity) - (b.item.start ?? Infinity);
  if (start !== 0 && !Number.isNaN(start)) return start;
  const hand = a.hand - b.hand;
  if (hand !== 0 && !Number.isNaN(hand)) return hand;
  if (a.weight !== b.weight) return a.weight - b.weight;
  return a.item.path < b.item.path ? -1 : a.item.path > b.item.path ? 1 : (a.item.line ?? -1) - (b.item.line ?? -1);
}

function handRanks(order: readonly HandPlace[], page: string | null): Map<string, number> {
  const ranks = new Map<string, number>();
  order.forEach(({ line, ref }, index) => {
    const key = ref === null ? `${page ?? ''}:${line}` : ref;
    if (!ranks.has(key)) ranks.set(key, index);
  });
  return ranks;
}

function tasksOf(day: Day, { tasks }: DayMatter, ranks: ReadonlyMap<string, number>, settings: DaySettings): Placed[] {
  const there = [...tasks].filter(
    ({ row }) =>
      row.what === 'task' && row.echo === null && row.head.kind !== 'archive' && plannedDay(row.task, placeOf(row), settings) === day,
  );
  const rows = new Set(there.map(({ row }) => row));
  return there
    .filter(({ row }) => row.task.plan?.minute != null || !hasUpper(row, rows))
    .map(({ row: { task, head }, minutes }) => ({
      item: {
        kind: 'task' as const,
        path: head.path,
        line: task.line,
        text: task.text,
        start: task.plan?.minute ?? null,
        end: null,
        minutes,
        status: task.status,
      },
      hand: (task.ref === null ? undefined : ranks.get(task.ref)) ?? ranks.get(`${head.path}:${task.line}`) ?? Infinity,
      weight: priorityRank(task.priority),
    }));
}

const placeOf = ({ head, parent }: Row): PlannedPlace => ({ journal: head.journal, isStep: parent !== null });

function hasUpper({ parent }: Row, rows: ReadonlySet<Row>): boolean {
  for (let up = parent; up; up = up.parent) if (rows.has(up)) return true;
  return false;
}

function appointmentsOf(day: Day, { timed, meetingOf }: DayMatter): Placed[] {
  const meetings = new Map(timed.flatMap((one) => (one.times.meeting?.day === day ? [[one.path, one] as const] : [])));
  const items = new Map<string, DayItem>();
  for (const { path, title, times } of meetings.values()) {
    const { start = null, end = null } = times.meeting ?? {};
    if (start !== null) items.set(path, itemOf('meeting', path, null, title, start, end));
  }
  for (const { path, times } of timed)
    for (const { line, day: on, start, end, text, links } of times.appointments) {
      if (on !== day) continue;
      // A line that links to a meeting of the day is that meeting.
      const meeting = links.map((link) => meetings.get(meetingOf(link, path) ?? '')).find((one) => one !== undefined);
      const key = meeting?.path ?? `${path}:${line}`;
      if (items.has(key)) continue;
      items.set(
        key,
        meeting ? itemOf('meeting', key, null, meeting.title, start, end) : itemOf('appointment', path, line, text, start, end),
      );
    }
  return [...items.values()].map((item) => ({ item, hand: Infinity, weight: 0 }));
}

function itemOf(kind: DayItem['kind'], path: string, line: number | null, text: string, start: number, end: number | null): DayItem {
  return { kind, path, line, text, start, end, minutes: end === null ? null : end - start, status: null };
}
