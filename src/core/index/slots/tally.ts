import type { Day } from '../../calendar/day';
import type { DaySettings } from '../../day/day-settings';
import { lengthsOf } from '../../day/length';
import { type PlannedPlace, plannedDay, sharesOf } from '../../day/plan/planned';
import { foldName } from '../../note/names/names';
import { isOpen } from '../../task/line/status';
import type { Around } from '../../task/line/task-line';
import { foldedNames, foldedTags, withHandle } from '../../gather/rows/folded-names';
import type { NoteEntry } from '../note-entry';
import { type TaskFields, echoOf, ownPeopleOf } from '../../gather/rows/row';

/** What the tasks of all notes add up to on a day. */
export interface DayTally {
  /** Open tasks due that day, resting ones too. */
  due: number;
  /** Minutes that the open tasks planned for that day say they take. */
  minutes: number;
  /** How many of these have a time and say no length, so that theirs depends on what else begins that day. */
  openEnds: number;
  /** What was planned for that day and counts in what was kept of it, and how much of it was done by its end. */
  planned: number;
  kept: number;
  /** How many of what was planned are open occurrences of repeats, which count no more once the day is past. */
  occurrences: number;
}

/** What the tasks of a note add to the counts of the whole. */
export interface Tally {
  open: number;
  tags: Map<string, number>;
  people: Map<string, number>;
  /** Open tasks by who owns them, and by who asked for them, where another is named. */
  owned: Map<string, number>;
  asked: Map<string, number>;
  days: Map<Day, DayTally>;
  /** The days of which a count changed since somebody emptied this. */
  touched: Set<Day>;
}

/** The place of the task in which another is nested, by its place; -1 for none. */
type Parents = (index: number) => number;

export function emptyTally(): Tally {
  return { open: 0, tags: new Map(), people: new Map(), owned: new Map(), asked: new Map(), days: new Map(), touched: new Set() };
}

/**
 * Adds the tasks of a note to the counts, or with `sign` -1 takes them away. Tags and people are counted under their
 * folded names, open tasks only; notes of kind archive count nowhere.
 *
 * @param parents the place of the task in which each is nested, by its own; -1 for none
 */
export function countTasks(
  tally: Tally,
  { head, echoes, daySettings }: Pick<NoteEntry, 'head' | 'echoes' | 'daySettings'>,
  tasks: readonly TaskFields[],
  parents: Parents,
  sign: 1 | -1,
): void {
  if (head.kind === 'archive') return;
  const shared = new SharedNames(tally, head.handle, sign);
  const counter = new DayCounter(tally, tasks, parents, head.journal, daySettings, sign);
  tasks.forEach((task, index) => {
    // An echo stands for a task that is counted where it is written.
    if (echoes > 0 && echoOf(task) !== null) return;
    counter.count(task, index);
    if (!isOpen(task.status)) return;
    tally.open += sign;
    shared.count(task);
  });
  shared.settle();
}

/** Counts what places hand down once for all the tasks that stand there together. */
class SharedNames {
  private around: Around | null = null;
  private tasks = 0;
  private tags: readonly string[] = [];
  private people: readonly string[] = [];

  constructor(
    private readonly tally: Tally,
    private readonly handle: string | null,
    private readonly sign: 1 | -1,
  ) {}

  count(task: TaskFields): void {
    const { tally, sign } = this;
    if (task.around !== this.around) this.begin(task.around);
    this.tasks++;
    if (task.tags.length > 0) for (const tag of foldedTags(task.tags)) if (!this.tags.includes(tag)) count(tally.tags, tag, sign);
    if (task.owner !== null && task.owner !== 'nobody') count(tally.owned, foldName(task.owner), sign);
    if (task.asked !== null) count(tally.asked, foldName(task.asked), sign);
    for (const person of ownPeopleOf(task)) if (!this.people.includes(person)) count(tally.people, person, sign);
  }

  private begin(around: Around): void {
    this.settle();
    this.around = around;
    this.tags = foldedTags(around.tags);
    this.people = withHandle(foldedNames(around.people), this.handle);
  }

  settle(): void {
    const { tally, sign, tasks } = this;
    if (tasks === 0) return;
    for (const tag of this.tags) count(tally.tags, tag, sign * tasks);
    for (const person of this.people) count(tally.people, person, sign * tasks);
    this.tasks = 0;
  }
}

/** Counts the tasks of a note on their days. */
class DayCounter {
  /** Made when a task is planned: few notes plan anything. */
  private lengths: readonly (number | null)[] | null = null;

  constructor(
    private readonly tally: Tally,
    private readonly tasks: readonly TaskFields[],
    private readonly parents: Parents,
    private readonly journal: Day | null,
    private readonly settings: DaySettings,
    private readonly sign: 1 | -1,
  ) {}

  count(task: TaskFields, index: number): void {
    const { due, plan, pushed, status } = task;
    const open = isOpen(status);
    if (due !== null && open) this.at(due.from, (tally) => (tally.due += this.sign));
    if (plan === null && this.journal === null && pushed.length === 0) return;
    if (open) this.countLength(task, index);
    for (const { day, kept, occurrence } of sharesOf(task, this.placeOf(index), this.settings))
      this.at(day, (tally) => {
        tally.planned += this.sign;
        if (kept) tally.kept += this.sign;
        if (occurrence) tally.occurrences += this.sign;
      });
  }

  private countLength(task: TaskFields, index: number): void {
    const day = this.plannedAt(index);
    if (day === null || this.isWithin(day, index)) return;
    this.lengths ??= lengthsOf(this.tasks.map(({ takes, status }, one) => ({ takes, status, parent: this.parents(one) })));
    const length = this.lengths[index] ?? null;
    if (length !== null) this.at(day, (tally) => (tally.minutes += this.sign * length));
    else if (task.plan !== null && task.plan.minute !== null) this.at(day, (tally) => (tally.openEnds += this.sign));
  }

  /** Whether a task that it is a step of is planned for the same day, whose length holds its own. */
  private isWithin(day: Day, index: number): boolean {
    for (let up = this.parents(index); up !== -1; up = this.parents(up)) if (this.plannedAt(up) === day) return true;
    return false;
  }

  private plannedAt(index: number): Day | null {
    const task = this.tasks[index];
    return task ? plannedDay(task, this.placeOf(index), this.settings) : null;
  }

  private placeOf(index: number): PlannedPlace {
    return { journal: this.journal, isStep: this.parents(index) !== -1 };
  }

  /** A day that nothing is left of goes. */
  private at(day: Day, change: (tally: DayTally) => void): void {
    const { days, touched } = this.tally;
    touched.add(day);
    let found = days.get(day);
    if (!found) days.set(day, (found = { due: 0, minutes: 0, openEnds: 0, planned: 0, kept: 0, occurrences: 0 }));
    change(found);
    const { due, minutes, openEnds, planned, kept, occurrences } = found;
    if (due === 0 && minutes === 0 && openEnds === 0 && planned === 0 && kept === 0 && occurrences === 0) days.delete(day);
  }
}

function count(counts: Map<string, number>, name: string, by: number): void {
  const next = (counts.get(name) ?? 0) + by;
  if (next === 0) counts.delete(name);
  else counts.set(name, next);
}
