import type { Day } from '../../calendar/day';
import { isOpen } from '../../task/line/status';
import type { Around } from '../../task/line/task-line';
import { foldedNames, foldedTags, withHandle } from '../../gather/rows/folded-names';
import type { NoteEntry } from '../note-entry';
import { type TaskFields, echoOf, ownPeopleOf } from '../../gather/rows/row';

/** What the day row shows of a day. */
export interface DayTally {
  /** Open tasks due that day, resting ones too. */
  due: number;
  /** Minutes of the open tasks planned on that day. */
  minutes: number;
  /** Tasks planned for that day, whatever became of them, and those done by its end. */
  planned: number;
  kept: number;
}

/** What the tasks of a note add to the counts of the whole. */
export interface Tally {
  open: number;
  tags: Map<string, number>;
  people: Map<string, number>;
  days: Map<Day, DayTally>;
}

export function emptyTally(): Tally {
  return { open: 0, tags: new Map(), people: new Map(), days: new Map() };
}

/**
 * Adds the tasks of a note to the counts, or with `sign` -1 takes them away. Tags and people are counted under their
 * folded names, open tasks only; notes of kind archive count nowhere.
 */
export function countTasks(
  tally: Tally,
  { head, echoes }: Pick<NoteEntry, 'head' | 'echoes'>,
  tasks: readonly TaskFields[],
  sign: 1 | -1,
): void {
  if (head.kind === 'archive') return;
  const shared = new SharedNames(tally, head.handle, sign);
  for (const task of tasks) {
    // An echo stands for a task that is counted where it is written.
    if (echoes > 0 && echoOf(task) !== null) continue;
    countDays(tally, task, sign);
    if (!isOpen(task.status)) continue;
    tally.open += sign;
    shared.count(task);
  }
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

function countDays(tally: Tally, { due, plan, takes, status, done, pushed }: TaskFields, sign: 1 | -1): void {
  const open = isOpen(status);
  if (open && due) change(tally, due.from, sign, 0, 0, 0);
  if (plan && plan.from === plan.to) {
    const minutes = open ? (takes ?? 0) : 0;
    change(tally, plan.from, 0, sign * minutes, status === 'cancelled' ? 0 : sign, done && done.from <= plan.from ? sign : 0);
  }
  for (const left of pushed) change(tally, left, 0, 0, sign, 0);
}

/** A day that nothing is left of goes. */
function change(tally: Tally, day: Day, due: number, minutes: number, planned: number, kept: number): void {
  let found = tally.days.get(day);
  if (!found) tally.days.set(day, (found = { due: 0, minutes: 0, planned: 0, kept: 0 }));
  found.due += due;
  found.minutes += minutes;
  found.planned += planned;
  found.kept += kept;
  if (found.due === 0 && found.minutes === 0 && found.planned === 0 && found.kept === 0) tally.days.delete(day);
}

function count(counts: Map<string, number>, name: string, by: number): void {
  const next = (counts.get(name) ?? 0) + by;
  if (next === 0) counts.delete(name);
  else counts.set(name, next);
}
