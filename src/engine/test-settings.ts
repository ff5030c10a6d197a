import { readIsoDay } from '../core/calendar/day';
import type { LibrarySettings } from '../core/index/library';

/** The settings of the engine's tests: a Monday. */
export const SETTINGS: LibrarySettings = {
  today: readIsoDay('2026-11-23') ?? 0,
  firstDayOfWeek: 1,
  dateStyle: 'words',
  me: null,
  workingDay: 480,
};
