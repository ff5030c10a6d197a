import * as z from 'zod/mini';

// The pages that read these run no code that is made while they run.
z.config({ jitless: true });

/** A message as it is meant; null for what is none. */
export function readLent<T>(message: z.ZodMiniType<T>, words: string): T | null {
  try {
    return words.length > LONGEST ? null : z.parse(message, JSON.parse(words));
  } catch {
    return null;
  }
}

/** None of them says more, in letters. */
const LONGEST = 1000;

/** What a borrower may do: read; set and take off ticks; write. */
export const LENT_RIGHTS = ['read', 'tick', 'write'] as const;
export type LentRights = (typeof LENT_RIGHTS)[number];

/** 128 random bits, as base64url writes them (RFC 4648, 5). */
const secret = z.string().check(z.regex(/^[\w-]{22}$/));
const name = z.string().check(z.maxLength(40));

/** With what somebody asks for what is lent: its owner with a key, a borrower with the address. */
export const LENT_TOKEN = z.union([
  z.strictObject({ key: secret }),
  z.strictObject({ address: secret, word: z.optional(z.string().check(z.maxLength(100))), name: z.optional(name) }),
]);
export type LentToken = z.infer<typeof LENT_TOKEN>;

/** What is said to the server beside the text: what one is called, ticks of a list, and that all up to here is to be on the disk. */
export const LENT_SAID = z.union([
  z.strictObject({ mark: z.number() }),
  z.strictObject({ name }),
  z.strictObject({
    tick: z.strictObject({ id: z.string().check(z.maxLength(24)), status: z.enum(['todo', 'done']) }),
  }),
]);
export type LentSaid = z.infer<typeof LENT_SAID>;

/** What the server says beside the text: up to which mark it is on the disk, or that the text is as long as it may be. */
export const LENT_TOLD = z.union([z.strictObject({ kept: z.number() }), z.strictObject({ full: z.literal(true) })]);
export type LentTold = z.infer<typeof LENT_TOLD>;

/** Why somebody is not let in: there is nothing, a word is wanted, the word was another, or too many ask. */
export const LENT_REFUSALS = ['nothing', 'word', 'wrong word', 'busy'] as const;
export type LentRefusal = (typeof LENT_REFUSALS)[number];

/** A tick that waits for its owner's program. */
export const LENT_TICK = z.object({ status: z.enum(['todo', 'done']), who: name, at: z.number() });
export type LentTick = z.infer<typeof LENT_TICK>;

/** What a borrower's page knows of what it shows beside its words. */
export const LENT_ABOUT = z.object({
  form: z.enum(['part', 'list']),
  rights: z.enum(LENT_RIGHTS),
  /** Of a list, for each line the row that it is; null for a heading. */
  rows: z.array(z.nullable(z.string())),
  /** How its owner's dates are named, and what actions there do. */
  settings: z.record(z.string(), z.unknown()),
});
export type LentAbout = z.infer<typeof LENT_ABOUT>;

/** What a server knows of what is lent, for its owner. */
export const LENT_STATE = z.object({
  rights: z.enum(LENT_RIGHTS),
  /** The end of its last day, in milliseconds since 1970; null for none. */
  until: z.nullable(z.number()),
  hasWord: z.boolean(),
  since: z.number(),
  /** When a borrower opened it last. */
  opened: z.nullable(z.number()),
  changes: z.number(),
  /** Who changed it, and when last. */
  hands: z.array(z.object({ name, at: z.number() })),
  /** How many borrowers have it open. */
  there: z.number(),
});
export type LentState = z.infer<typeof LENT_STATE>;

/** Where both sides meet. */
export const LENT_SOCKET = '/lending/live';
/** What a text may have, in bytes of UTF-8. */
export const LENT_LARGEST = 1_048_576;
