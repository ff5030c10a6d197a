import * as z from 'zod/mini';
import type { NoteStore } from '../../../store/notes/note-store';
import { secret } from '../../../store/desk/desk-keys';

/** Under which the store keeps it; it leaves the browser in no export. */
export const FEED = 'calendar-feed';

const SHAPE = z.object({
  /** The part of the address that nobody can guess. */
  id: z.string(),
  /** What the server asks of whoever changes it. */
  key: z.string(),
  /** The paths of the agenda pages whose tasks it holds. */
  pages: z.array(z.string()),
  /** Whether it holds appointments and meetings. */
  events: z.boolean(),
  /** When it was sent last, in milliseconds since 1970; null for never. */
  sent: z.nullable(z.number()),
  /** A sign of what was sent. */
  sign: z.string(),
  /** Why the last sending failed; null where it did not. */
  problem: z.nullable(z.string()),
});

/** A calendar that the server gives, as this device keeps it. */
export type Feed = z.infer<typeof SHAPE>;

/** Null where nobody wants one. */
export function readFeed(value: unknown): Feed | null {
  const read = SHAPE.safeParse(value);
  return read.success ? read.data : null;
}

/** A calendar that was not sent yet, with an address of 128 random bits. */
export const newFeed = (pages: string[]): Feed => ({
  ...{ id: secret(), key: secret(), pages, events: true, sent: null, sign: '', problem: null },
});

export const feedAddress = ({ id }: Feed): string => `${location.origin}/calendar/${id}.ics`;

/** Changes what is kept, from what is there then; null withdraws it. */
export const changeFeed = (store: NoteStore, change: (present: Feed | null) => Feed | null): Promise<unknown> =>
  store.changeValue(FEED, (present) => change(readFeed(present)));
