import { type Day, isoDay } from '../../calendar/day';
import type { Span } from '../../calendar/span';
import { spanText } from '../../task/acts/shift-dates';
import { echoRefOf } from '../../task/line/echo';
import type { Task } from '../../task/line/task-line';

/** What the line of a task says, as JSON holds it: days in ISO form, names without signs, null for what is absent. */
export interface TaskFields {
  raw: string;
  text: string;
  status: string;
  due: string | null;
  plan: string | null;
  start: string | null;
  every: string | null;
  until: string | null;
  /** Minutes. */
  takes: number | null;
  priority: string | null;
  owner: string | null;
  tags: readonly string[];
  inheritedTags: readonly string[];
  people: readonly string[];
  inheritedPeople: readonly string[];
  links: string[];
  remind: string | null;
  ref: string | null;
  needs: readonly string[];
  made: string | null;
  done: string | null;
  cancelled: string | null;
  since: string | null;
  asked: string | null;
  pushed: string[];
  lapses: string | null;
  question: boolean;
  joined: string | null;
  sent: string | null;
  key: boolean;
  /** The ref of the task that an echo stands for. */
  echo: string | null;
}

/** @example taskFields(task).due // '2026-11-27' */
export function taskFields(task: Task): TaskFields {
  return {
    raw: task.raw,
    text: task.text,
    status: task.status,
    due: spanName(task.due),
    plan: spanName(task.plan),
    start: dayName(task.start),
    every: task.every,
    until: dayName(task.until),
    takes: task.takes,
    priority: task.priority,
    owner: task.owner,
    tags: task.tags,
    inheritedTags: task.inheritedTags,
    people: task.people,
    inheritedPeople: task.inheritedPeople,
    links: task.links.map((link) => link.target),
    remind: task.remind,
    ref: task.ref,
    needs: task.needs,
    made: spanName(task.made),
    done: spanName(task.done),
    cancelled: spanName(task.cancelled),
    since: spanName(task.since),
    asked: task.asked,
    pushed: task.pushed.map(isoDay),
    lapses: dayName(task.lapses),
    question: task.question,
    joined: task.joined,
    sent: task.sent,
    key: task.key,
    echo: echoRefOf(task.text),
  };
}

const spanName = (span: Span | null): string | null => span && spanText(span);
const dayName = (day: Day | null): string | null => (day === null ? null : isoDay(day));
