import { type Day, isoDay } from '../../src/core/calendar/day';
import { fitOf } from '../../src/core/index/days/fit';
import type { Desk } from '../desk';
import { libraryOf } from '../library-of';
import type { RunnerSettings } from '../settings';

/** How work fits into the days as the runner prints it: minutes, and lines from 1. */
export interface PrintedFit {
  days: { day: string; hours: number; load: number }[];
  move: { note: string; line: number; text: string; due: string; minutes: number; alone: boolean }[];
}

/**
 * `fit`: whether one's own work that is due can be done in time, and what must move where it cannot.
 *
 * @param minute only what of today lies after it counts; null for all of it
 */
export function fit(desk: Desk, settings: RunnerSettings, today: Day, minute: number | null): PrintedFit {
  const { days, move } = fitOf(libraryOf(desk, { ...settings, today }), minute ?? undefined);
  return {
    days: days.map((one) => ({ ...one, day: isoDay(one.day) })),
    move: move.map(({ path, line, text, due, minutes, alone }) => ({ note: path, line: line + 1, text, due: isoDay(due), minutes, alone })),
  };
}
