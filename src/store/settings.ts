import * as z from 'zod';

z.config({ jitless: true });

const hours = z.number().min(0).max(24);

/** What a person can set. Every field has a default, so that an older or broken store still opens. */
export const settingsSchema = z.object({
  theme: z.enum(['system', 'light', 'dark']).catch('system'),
  /** Percent of the designed size. */
  textSize: z.union([z.literal(90), z.literal(100), z.literal(115), z.literal(130)]).catch(100),
  firstDayOfWeek: z.union([z.literal(1), z.literal(6), z.literal(7)]).catch(1),
  dateStyle: z.enum(['words', 'iso']).catch('words'),
  /** Working hours, Monday first. */
  workingHours: z.array(hours).length(7).catch([6, 6, 6, 6, 6, 0, 0]),
  /** Minutes that `1d` takes. */
  workingDay: z.number().int().min(60).max(1440).catch(480),
  /** What stays of a finished occurrence of a repeat. */
  repeatRecords: z.enum(['lines', 'count']).catch('lines'),
  /** What becomes of open steps when their task is finished. */
  openSteps: z.enum(['ask', 'leave', 'close', 'out']).catch('ask'),
  /** `journal`, or the path of a note. */
  firstPage: z.string().min(1).catch('journal'),
  /** The handle of the person who writes; null when none is said. */
  me: z.string().nullable().catch(null),
});

export type Settings = z.infer<typeof settingsSchema>;

export const DEFAULT_SETTINGS: Settings = settingsSchema.parse({});

/** Reads settings from anywhere; what is missing or wrong takes its default. */
export function readSettings(value: unknown): Settings {
  const result = settingsSchema.safeParse(value);
  return result.success ? result.data : DEFAULT_SETTINGS;
}
