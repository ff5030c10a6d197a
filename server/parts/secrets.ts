import { createHash, timingSafeEqual } from 'node:crypto';
import * as z from 'zod';

/** 128 random bits, as base64url writes them (RFC 4648, 5). */
export const SECRET = z.string().regex(/^[\w-]{22}$/);

/** What is kept in the place of a secret: who reads the disk does not find it. */
export const digest = (secret: string): string => createHash('sha256').update(secret).digest('hex');

/** In a time that tells nothing of how much is the same. */
export const isSame = (one: string, other: string): boolean =>
  one.length === other.length && timingSafeEqual(Buffer.from(one), Buffer.from(other));
