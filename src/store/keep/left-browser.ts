import * as z from 'zod/mini';
import { WEEK } from '../../core/keep/milliseconds';

/** The value that says when something last left the browser, so that it would outlive it. */
export const LEFT_BROWSER = 'left browser';

const schema = z.object({
  /** When something left; null where nothing did yet. */
  left: z.catch(z.nullable(z.number()), null),
  /** When it was looked at first, from which on it is counted where nothing left. */
  since: z.catch(z.nullable(z.number()), null),
});
/** In milliseconds since 1970. */
export type LeftBrowser = z.infer<typeof schema>;

/** Reads what is stored of it; what is wrong counts as nothing. */
export function readLeft(value: unknown): LeftBrowser {
  const result = schema.safeParse(value);
  return result.success ? result.data : { left: null, since: null };
}

/** Says that something leaves the browser now. */
export const leavesNow =
  (now: number) =>
  (present: unknown): LeftBrowser => ({ ...readLeft(present), left: now });

/** When one is reminded that nothing left: after three weeks. */
const LONG = 3 * WEEK;

/** How many weeks nothing left the browser, where that is too long; null where it is not. */
export function weeksAlone({ left, since }: LeftBrowser, now: number): number | null {
  const from = left ?? since ?? now;
  return now - from < LONG ? null : Math.floor((now - from) / WEEK);
}
