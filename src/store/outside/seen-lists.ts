import * as z from 'zod/mini';
import type { NoteStore } from '../notes/note-store';
import type { RecadoDatabase } from '../notes/database';

/** The value by which all tabs know of the outside lists, and the one by which any asks for a look. */
export const OUTSIDE_VALUE = 'outside';
export const OUTSIDE_WISH = 'outside wish';

/** Asks the tab that keeps the lists in step to look at them now. */
export const askForLook = (store: NoteStore): Promise<void> => store.setValue(OUTSIDE_WISH, Date.now());

const place = z.object({ path: z.string(), why: z.string() });
const value = z.nullable(z.union([z.string(), z.array(z.string())]));
const LIST = z.object({
  name: z.string(),
  /** What it is called there, and where that is. */
  title: z.string(),
  address: z.string(),
  user: z.string(),
  /** When it was in step last, in milliseconds since 1970; null for never. */
  at: z.nullable(z.number()),
  trouble: z.nullable(z.enum(['refused', 'away', 'busy', 'broken', 'missing', 'barred'])),
  /** How many tasks are on it, how many of them are lines of notes, and how many wait to go there. */
  tasks: z.number(),
  joined: z.number(),
  waiting: z.number(),
  /** What is asked: something is gone on one side. */
  asks: z.array(z.object({ ref: z.string(), words: z.string(), path: z.nullable(z.string()), asks: z.enum(['gone there', 'gone here']) })),
  lost: z.array(
    z.object({
      path: z.string(),
      line: z.number(),
      raw: z.string(),
      words: z.string(),
      may: z.array(z.object({ ref: z.string(), words: z.string(), due: z.nullable(z.string()) })),
    }),
  ),
  told: z.array(
    z.object({
      words: z.string(),
      at: z.number(),
      field: z.enum(['words', 'tags', 'due', 'plan', 'priority', 'every', 'status']),
      here: value,
      there: value,
      won: z.enum(['here', 'there']),
    }),
  ),
  problems: z.array(place),
});
const LISTS = z.array(LIST);

/** An outside list as it is shown. */
export type SeenList = z.infer<typeof LIST>;

/** The lists that are followed; empty for none. */
export function readSeenLists(given: unknown): SeenList[] {
  const read = LISTS.safeParse(given);
  return read.success ? read.data : [];
}

/** Tells all tabs how the lists are now; of what is known of them the key stays where it is. */
export async function tellSeen(store: NoteStore, own: RecadoDatabase): Promise<void> {
  const [lists, records] = await Promise.all([own.outsideLists.toArray(), own.outsideTasks.toArray()]);
  const seen = lists.map(({ name, title, account, at, trouble, lost, told, problems }): SeenList => {
    const mine = records.filter((one) => one.list === name);
    const wordsOf = (ref: string) => mine.find((one) => one.ref === ref)?.here;
    return {
      ...{ name, title, at, trouble, problems, address: account.address, user: account.user },
      ...{ tasks: mine.filter(({ isGone }) => !isGone).length, joined: mine.filter(({ joined }) => joined).length },
      waiting: mine.filter(({ id, dropped }) => id === null || dropped).length,
      asks: mine.flatMap(({ asks, ref, here, there, path }) =>
        asks === null ? [] : [{ ref, asks, path, words: (here ?? there)?.words ?? ref }],
      ),
      lost: lost.map(({ may, ...line }) => ({
        ...line,
        may: may.map((ref) => ({ ref, words: wordsOf(ref)?.words ?? ref, due: wordsOf(ref)?.due ?? null })),
      })),
      told: told.map(({ words, at: when, field, here, there, won }) => ({
        ...{ words, field, won },
        at: when,
        here: plain(here),
        there: plain(there),
      })),
    };
  });
  const before = JSON.stringify(readSeenLists(await store.value(OUTSIDE_VALUE)));
  if (JSON.stringify(seen) !== before) await store.setValue(OUTSIDE_VALUE, seen);
}

const plain = (one: string | readonly string[] | null): string | string[] | null =>
  one === null || typeof one === 'string' ? one : [...one];
