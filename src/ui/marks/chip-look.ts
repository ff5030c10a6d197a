import type { Day } from '../../core/calendar/day';
import { type DateStyle, dayName, monthTitle } from '../../core/calendar/day-name';
import { durationName, readDuration } from '../../core/calendar/duration';
import { readMoment, readMonth, readSpan, readWeek, timeName } from '../../core/calendar/span';
import { isoWeekOf } from '../../core/calendar/day';
import type { ClauseName } from '../../core/task/line/clause';
import type { Clause, Tail } from '../../core/task/line/tail';

export type ChipTone = 'plain' | 'today' | 'late';

/** A clause of a tail as it is read: the clause word muted, the value strong. */
export interface ChipLook {
  word: string;
  value: string;
  tone: ChipTone;
  problem: string | null;
}

export interface ChipContext {
  today: Day;
  style: DateStyle;
  /** Whether the task is open: only then can it be late or due today. */
  open: boolean;
  /** The day it comes back; null when it does not rest. */
  restsUntil: Day | null;
  /** Minutes that `1d` takes. */
  workingDay?: number;
  /** What is wrong with the task beyond a single clause, by the place of the clause it is told at. */
  problems?: readonly { message: string; from: number }[];
}

/** Clauses that a list leaves out; the note itself shows every one. */
const QUIET: ReadonlySet<ClauseName> = new Set(['priority', 'made', 'since', 'ref', 'needs', 'remind', 'pushed', 'key', 'until']);

/** The chips of a tail. In a list only those that help to choose; in the note all but priority, which the mark shows. */
export function chipsOf(tail: Tail | null, context: ChipContext, where: 'list' | 'note'): ChipLook[] {
  const chips: ChipLook[] = [];
  for (const clause of tail?.clauses ?? []) {
    if (clause.name === 'priority') continue;
    if (where === 'list' && (clause.name === null || QUIET.has(clause.name) || clause.problem !== null)) continue;
    if (where === 'list' && clause.name === 'start' && context.restsUntil === null) continue;
    const chip = chipOf(clause, context);
    const problem = context.problems?.find((one) => one.from === clause.from)?.message;
    chips.push({ ...chip, problem: chip.problem ?? problem ?? null });
  }
  return chips;
}

function chipOf(clause: Clause, context: ChipContext): ChipLook {
  const plain: ChipLook = { word: clause.word, value: clause.value, tone: 'plain', problem: clause.problem };
  if (clause.problem !== null || clause.name === null) return plain;
  switch (clause.name) {
    case 'due':
      return { ...plain, ...momentChip(clause.value, context), tone: dueTone(clause.value, context) };
    case 'plan':
      return { ...plain, ...planChip(clause.value, context) };
    case 'start':
      if (context.restsUntil === null || !/^\d{4}/.test(clause.value)) return { ...plain, ...momentChip(clause.value, context) };
      return { ...plain, word: 'rests until', value: dayName(context.restsUntil, context.today, context.style) };
    case 'takes':
      return { ...plain, value: durationName(readDuration(clause.value, context.workingDay) ?? 0) };
    case 'done':
    case 'cancelled':
    case 'made':
    case 'since':
      return { ...plain, ...momentChip(clause.value, context) };
    default:
      return plain;
  }
}

function momentChip(value: string, { today, style }: ChipContext): { value: string } {
  const moment = readMoment(value);
  if (!moment) return { value };
  const day = dayName(moment.from, today, style);
  return { value: moment.minute === null ? day : `${day} ${timeName(moment.minute)}` };
}

function dueTone(value: string, { today, open }: ChipContext): ChipTone {
  const day = readMoment(value)?.from;
  if (day === undefined || !open) return 'plain';
  return day < today ? 'late' : day === today ? 'today' : 'plain';
}

function planChip(value: string, context: ChipContext): { value: string; tone: ChipTone } {
  const span = readSpan(value);
  const covers = context.open && span !== null && span.from <= context.today && context.today <= span.to;
  const tone = covers && span.from === span.to ? 'today' : 'plain';
  if (readWeek(value)) return { value: weekWords(value, context), tone };
  const month = readMonth(value);
  if (month) return { value: monthTitle(month.from), tone };
  return { ...momentChip(value, context), tone };
}

function weekWords(value: string, { today }: ChipContext): string {
  const range = readWeek(value);
  if (!range) return value;
  if (range.from <= today && today <= range.to) return 'this week';
  return range.from - today > 0 && range.from - today <= 7 ? 'next week' : `week ${isoWeekOf(range.from).week}`;
}
