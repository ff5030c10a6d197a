import { readFileSync } from 'node:fs';
import * as z from 'zod';
import { ACTION_DEFAULTS, type ActionSettings } from '../src/core/task/acts/action-context';
import { ARCHIVE_DEFAULTS, type ArchiveSettings } from '../src/core/keep/archive/archive-place';
import { DAY_DEFAULTS, type DaySettings } from '../src/core/day/day-settings';
import type { Arguments } from './arguments';
import { PlainError } from './plain-error';

/** The settings that change what a text means and how actions write; a file of the application's settings serves too. */
const schema = z.object({
  workingDay: z.number().int().min(1).max(1440).default(ACTION_DEFAULTS.workingDay),
  firstDayOfWeek: z.union([z.literal(1), z.literal(6), z.literal(7)]).default(1),
  bareDay: z.enum(['plan', 'due']).default('plan'),
  repeatRecords: z.enum(['lines', 'count']).default('lines'),
  repeatLead: z.number().int().min(0).nullable().default(0),
  me: z.string().nullable().default(null),
  loosePlace: z.string().min(1).default('journal'),
  raiseTag: z.string().min(1).default('raise'),
  slipSide: z.enum(['last', 'first']).default('last'),
  slipLater: z.enum(['today', 'page']).default('today'),
  notNowTag: z.string().min(1).default('not-now'),
  archiveNote: z.string().min(1).default(ARCHIVE_DEFAULTS.archiveNote),
  archiveFolders: z.array(z.object({ folder: z.string(), note: z.string() })).default([]),
  shelves: z.array(z.object({ tag: z.string(), note: z.string() })).default([]),
  finishedHeading: z.string().min(1).default(ACTION_DEFAULTS.finishedHeading),
});

const { workingHours, dayBegins, openEndLength, planHeading, slipHeading, routineHeading, routinesCount } = DAY_DEFAULTS;

/** How days are reckoned; its fields stand beside the others in the file. */
const daySchema = z.object({
  workingHours: z
    .array(z.number().min(0).max(24))
    .length(7)
    .default([...workingHours]),
  dayBegins: z.number().int().min(0).max(1439).default(dayBegins),
  openEndLength: z.number().int().min(1).max(1440).default(openEndLength),
  planHeading: z.string().min(1).default(planHeading),
  slipHeading: z.string().min(1).default(slipHeading),
  routineHeading: z.string().min(1).default(routineHeading),
  routinesCount: z.boolean().default(routinesCount),
});

/** With what a typed day without a word before it means. */
export type RunnerSettings = ActionSettings & {
  bareDay: 'plan' | 'due';
  me: string | null;
  days: DaySettings;
  /** Where loose tasks are caught: `journal`, or the path of a note. */
  loosePlace: string;
  /** The tag of what is to be raised with a person. */
  raiseTag: string;
  /** Whether what is written down stands behind what was before it, or before that. */
  slipSide: 'last' | 'first';
  /** Whether what is for a later day goes to today's page or to that of its day. */
  slipLater: 'today' | 'page';
  /** The tag of what is off the table. */
  notNowTag: string;
  /** Where finished lines go. */
  archive: ArchiveSettings;
};

function settingsFrom({ archiveNote, archiveFolders, shelves, ...rest }: z.infer<typeof schema>, days: DaySettings): RunnerSettings {
  return { ...rest, days, archive: { archiveNote, archiveFolders, shelves } };
}

/** Reads the file of `--settings`; without it everything has its default. */
export function settingsOf(given: Arguments): RunnerSettings {
  const file = given.options.get('settings');
  if (file === undefined) return settingsFrom(schema.parse({}), daySchema.parse({}));
  let value: unknown;
  try {
    value = JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    throw new PlainError(`The settings ${file} cannot be read as JSON.`);
  }
  const result = schema.safeParse(value);
  const days = daySchema.safeParse(value);
  if (result.success && days.success) return settingsFrom(result.data, days.data);
  const issue = (result.error ?? days.error)?.issues[0];
  throw new PlainError(`The settings ${file} do not fit at “${issue?.path.join('.') ?? ''}”: ${issue?.message ?? 'unknown'}.`);
}
