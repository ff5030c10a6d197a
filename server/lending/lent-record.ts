import * as z from 'zod';
import { LENT_RIGHTS } from '../../src/core/sharing/lend/lent-messages';

/** What is known of what is lent, apart from its text. Neither its address nor its owner’s key is: its name is the digest of the address. */
export const LENT_RECORD = z.object({
  /** The digest of the owner’s key. */
  owner: z.string(),
  rights: z.enum(LENT_RIGHTS),
  /** The end of its last day, in milliseconds since 1970; null for none. */
  until: z.number().nullable(),
  /** A word that is asked for: a salt, and what scrypt makes of both (RFC 7914); null for none. */
  word: z.object({ salt: z.string(), hash: z.string() }).nullable(),
  since: z.number(),
  /** Called back: only its owner still has it, to take in what was written last. */
  ended: z.boolean(),
});
export type LentRecord = z.infer<typeof LENT_RECORD>;

/** What borrowers did with it. */
export const LENT_SEEN = z.object({
  opened: z.number().nullable(),
  changes: z.number(),
  hands: z.array(z.object({ name: z.string(), at: z.number() })),
});
export type LentSeen = z.infer<typeof LENT_SEEN>;

export const NOT_SEEN: LentSeen = { opened: null, changes: 0, hands: [] };

/** Whether borrowers are let in. */
export const isLent = (record: LentRecord, now: number): boolean => !record.ended && (record.until === null || now < record.until);
