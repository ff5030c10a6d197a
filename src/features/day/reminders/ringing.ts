// The small form of the library: it is read when the program starts.
import * as z from 'zod/mini';
import { type Now, timeName } from '../../../core/calendar/span';
import { compareMoments } from '../../../core/day/reminders';
import type { Reminder } from '../../../core/index/questions/reminders';

z.config({ jitless: true });

const momentSchema = z.object({ day: z.int(), minute: z.int() });

const ringSchema = z.object({
  id: z.string(),
  at: momentSchema,
  /** From when on it is told: later than `at` where it was put off. */
  from: momentSchema,
  why: z.enum(['remind', 'start']),
  path: z.string(),
  line: z.nullable(z.int()),
  text: z.string(),
  raw: z.nullable(z.string()),
});

/** A reminder that nobody has answered yet. */
export type Ring = z.infer<typeof ringSchema>;

const memorySchema = z.object({ last: momentSchema, rings: z.array(ringSchema) });

/** What all tabs know of reminders: until when it was looked, and what is not answered yet. */
export type RingMemory = z.infer<typeof memorySchema>;

/** The name of the value under which the store keeps it. */
export const RINGING = 'ringing';

/** Reads what the store kept; from anything else it begins now, so that nobody is reminded of years. */
export function readRings(value: unknown, now: Now): RingMemory {
  const result = z.safeParse(memorySchema, value);
  return result.success ? result.data : { last: now, rings: [] };
}

/** The memory after more reminders came; one that is there already stays as it is. */
export function withReminders(memory: RingMemory, found: readonly Reminder[], now: Now): RingMemory {
  const known = new Set(memory.rings.map(({ id }) => id));
  const rings = found.map((one): Ring => ({ ...one, id: idOf(one), from: one.at })).filter(({ id }) => !known.has(id));
  return { last: now, rings: [...memory.rings, ...rings] };
}

const idOf = ({ at, path, line, text }: Reminder): string => `${path}:${line ?? ''} ${at.day}.${at.minute} ${text}`;

/** The reminders that are to be told at a moment. */
export const toldAt = ({ rings }: RingMemory, now: Now): Ring[] => rings.filter(({ from }) => compareMoments(from, now) <= 0);

/** Puts a reminder off until a moment. */
export const putOff = (memory: RingMemory, id: string, from: Now): RingMemory => ({
  ...memory,
  rings: memory.rings.map((ring) => (ring.id === id ? { ...ring, from } : ring)),
});

/** Lets go of reminders. */
export const withoutRings = (memory: RingMemory, ids: ReadonlySet<string>): RingMemory => ({
  ...memory,
  rings: memory.rings.filter(({ id }) => !ids.has(id)),
});

/** `09:40`, of an earlier day with the day before it. */
export function whenWords({ at }: Pick<Ring, 'at'>, today: number): string {
  const time = timeName(at.minute);
  if (at.day === today) return time;
  return at.day === today - 1 ? `yesterday ${time}` : `${today - at.day} days ago ${time}`;
}

/** A moment some minutes later. */
export function later({ day, minute }: Now, minutes: number): Now {
  const all = minute + minutes;
  return { day: day + Math.floor(all / 1440), minute: all % 1440 };
}
