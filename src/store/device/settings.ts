// The small form of the library: the settings are read before the first page shows.
import * as z from 'zod/mini';

z.config({ jitless: true });

const hours = z.number().check(z.minimum(0), z.maximum(24));

/** What a person can set. Every field has a default, so that an older or broken store still opens. */
const settingsSchema = z.object({
  theme: z.catch(z.enum(['system', 'light', 'dark']), 'system'),
  /** Percent of the designed size. */
  textSize: z.catch(z.union([z.literal(90), z.literal(100), z.literal(115), z.literal(130)]), 100),
  /** The face in which notes are written, and how wide their lines are. */
  textFace: z.catch(z.enum(['text', 'title', 'code']), 'text'),
  lineWidth: z.catch(z.enum(['narrow', 'middle', 'wide']), 'middle'),
  /** The colour of what can be pressed, and whether words and edges stand out more. */
  accent: z.catch(z.enum(['teal', 'blue', 'violet', 'slate']), 'teal'),
  contrast: z.catch(z.enum(['system', 'normal', 'high']), 'system'),
  firstDayOfWeek: z.catch(z.union([z.literal(1), z.literal(6), z.literal(7)]), 1),
  dateStyle: z.catch(z.enum(['words', 'iso']), 'words'),
  /** Working hours, Monday first. */
  workingHours: z.catch(z.array(hours).check(z.length(7)), [6, 6, 6, 6, 6, 0, 0]),
  /** When they begin, in minutes after midnight. */
  dayBegins: z.catch(z.int().check(z.minimum(0), z.maximum(1439)), 540),
  /** The most minutes that are taken for what begins at a time and says no end. */
  openEndLength: z.catch(z.int().check(z.minimum(5), z.maximum(240)), 30),
  /** The headings of a journal page under which the order of its day is kept, slips land, and what comes back every day stands. */
  planHeading: z.catch(z.string().check(z.minLength(1)), 'Plan'),
  slipHeading: z.catch(z.string().check(z.minLength(1)), 'Log'),
  routineHeading: z.catch(z.string().check(z.minLength(1)), 'Routine'),
  /** The heading of any note under which its finished lines go. */
  finishedHeading: z.catch(z.string().check(z.minLength(1)), 'Finished'),
  /** The archive of finished lines, in which `{year}` stands for the year; folders, and tags in their order, that have another. */
  archiveNote: z.catch(z.string().check(z.minLength(1)), 'Archive/{year}'),
  archiveFolders: z.catch(z.array(z.object({ folder: z.string(), note: z.string() })), []),
  shelves: z.catch(z.array(z.object({ tag: z.string(), note: z.string() })), []),
  /** The heading under which the digest of a meeting stands, and whether what a meeting leads to stands at its head or under its text. */
  digestHeading: z.catch(z.string().check(z.minLength(1)), 'Digest'),
  meetingLists: z.catch(z.enum(['head', 'foot']), 'head'),
  /** How many times what the notes take the texts may take that they had before. */
  earlierRoom: z.catch(z.union([z.literal(0.5), z.literal(1), z.literal(3)]), 1),
  /** How often a copy of everything is made by itself. */
  /** How often it is looked what changed on outside lists, in minutes; null for only when it is asked. */
  outsideEach: z.catch(z.nullable(z.number()), 5),
  /** How many pixels a picture that comes in is wide or high at most; null for as it is. */
  pictureSize: z.catch(z.nullable(z.union([z.literal(1200), z.literal(2400)])), 2400),
  /** After how many minutes without a sign of anybody the seals are closed; null for not by time. */
  sealsAfter: z.catch(z.nullable(z.union([z.literal(5), z.literal(15), z.literal(60)])), 15),
  copies: z.catch(z.enum(['daily', 'weekly', 'never']), 'daily'),
  /** Whether what is written down stands behind what was before it, or before that. */
  slipSide: z.catch(z.enum(['last', 'first']), 'last'),
  /** Whether what is for a later day goes to today’s page, or to that of its day. */
  slipLater: z.catch(z.enum(['today', 'page']), 'today'),
  /** Whether what is written down elsewhere links to the note that one comes from. */
  slipLink: z.catch(z.boolean(), false),
  /** The tag of what is to be raised with a person, without its sign. */
  raiseTag: z.catch(z.string().check(z.minLength(1)), 'raise'),
  /** The tag of what is off the table, without its sign, and whether Today, Ahead and Undated leave that out. */
  notNowTag: z.catch(z.string().check(z.minLength(1)), 'not-now'),
  hidesNotNow: z.catch(z.boolean(), false),
  /** Whether lists say on paper where each task stands. */
  printSources: z.catch(z.boolean(), true),
  /** Whether a line that is carried forward from a journal page stays there, or moves to the page of its new day. */
  carryLines: z.catch(z.enum(['stay', 'move']), 'stay'),
  /** Whether what has a time reminds when it begins, and whether reminders are told by the system too. */
  remindStarts: z.catch(z.boolean(), false),
  notify: z.catch(z.boolean(), false),
  /** The signs of the statuses that a task goes through by cycling, in order. */
  cycle: z.catch(z.array(z.string().check(z.length(1))), [' ', '_', 'x']),
  /** Whether words of a task line that can be stored are offered. */
  offers: z.catch(z.boolean(), true),
  /** Whether lines under the heading of routines count in what was kept. */
  routinesCount: z.catch(z.boolean(), true),
  /** Minutes that `1d` takes. */
  workingDay: z.catch(z.int().check(z.minimum(60), z.maximum(1440)), 480),
  /** What stays of a finished occurrence of a repeat. */
  repeatRecords: z.catch(z.enum(['lines', 'count']), 'lines'),
  /** How many days before its day a repeating task without start comes back; null: it never rests. */
  repeatLead: z.catch(z.nullable(z.int().check(z.minimum(0), z.maximum(365))), 0),
  /** What a typed day without a word before it means. */
  bareDay: z.catch(z.enum(['plan', 'due']), 'plan'),
  /** Where loose tasks are caught: `journal` is today's journal page, else the path of a note. */
  loosePlace: z.catch(z.string().check(z.minLength(1)), 'journal'),
  /** How many seconds a row that no longer belongs keeps its place after it was ticked. */
  holdSeconds: z.catch(z.number().check(z.minimum(0), z.maximum(30)), 4),
  /** Where finished lines stand in notes that do not say it themselves: where they are, at the end of their list, or out of sight. */
  finished: z.catch(z.enum(['stay', 'sink', 'hide']), 'stay'),
  /** Keys that a person gave to commands, by the command's id; an empty key takes the command's own away. */
  keys: z.catch(z.record(z.string(), z.string()), {}),
  /** Sides of one's work and life: each a name and a condition of the gather language. */
  sides: z.catch(z.array(z.object({ name: z.string(), condition: z.string() })), []),
  /** Journals beside the one there is always: each a name and the folder of its pages. */
  journals: z.catch(z.array(z.object({ name: z.string(), folder: z.string() })), []),
  /** The levels of goals, in their order. */
  goalLevels: z.catch(z.array(z.string()), ['life', 'years', 'year', 'season']),
  /** What becomes of open steps when their task is finished. */
  openSteps: z.catch(z.enum(['ask', 'leave', 'close', 'out']), 'ask'),
  /** `journal`, or the path of a note. */
  firstPage: z.catch(z.string().check(z.minLength(1)), 'journal'),
  /** The handle of the person who writes; null when none is said. */
  me: z.catch(z.nullable(z.string()), null),
});

export type Settings = z.infer<typeof settingsSchema>;

export const DEFAULT_SETTINGS: Settings = settingsSchema.parse({});

/** A change of some settings; from what they are where it depends on that. */
export type SettingsChange = Partial<Settings> | ((present: Settings) => Partial<Settings>);

/** Stored settings with a change; what is stored beside them, as by a newer version, stays. */
export function changedSettings(stored: unknown, change: SettingsChange): Record<string, unknown> {
  const kept = typeof stored === 'object' && stored !== null && !Array.isArray(stored) ? stored : {};
  return { ...kept, ...(typeof change === 'function' ? change(readSettings(stored)) : change) };
}

/** Reads settings from anywhere; what is missing or wrong takes its default. */
export function readSettings(value: unknown): Settings {
  const result = settingsSchema.safeParse(value);
  return result.success ? result.data : DEFAULT_SETTINGS;
}
