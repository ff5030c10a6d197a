import * as z from 'zod/mini';
import { LENT_RIGHTS, LENT_STATE } from '../../core/sharing/lend/lent-messages';
import type { NoteStore } from '../notes/note-store';

/** The value by which all tabs know what is lent, and the one by which any asks the tab that keeps it to look. */
export const LENT_VALUE = 'lent';
export const LENT_WISH = 'lent wish';

const SEEN = z.object({
  name: z.string(),
  address: z.string(),
  title: z.string(),
  who: z.string(),
  kind: z.enum(['item', 'section', 'note', 'list']),
  /** The note that it stands in, and the line (from 0) on which it begins; null for a list of its own. */
  path: z.nullable(z.string()),
  line: z.number(),
  /** By which a task is found; null for other parts. */
  ref: z.nullable(z.string()),
  /** The line that it begins with, as it stands in its note. */
  words: z.string(),
  rights: z.enum(LENT_RIGHTS),
  until: z.nullable(z.number()),
  hasWord: z.boolean(),
  since: z.number(),
  trouble: z.nullable(z.enum(['gone', 'asks', 'swallows', 'lost'])),
  ended: z.boolean(),
  there: z.nullable(LENT_STATE),
});
const ALL = z.array(SEEN);

/** What is lent, as it is shown. */
export type SeenLent = z.infer<typeof SEEN>;

/** What is lent; empty for nothing. */
export function readSeenLent(given: unknown): SeenLent[] {
  const read = ALL.safeParse(given);
  return read.success ? read.data : [];
}

/** Asks the tab that keeps what is lent to look at it now. */
export const askForLent = (store: NoteStore): Promise<void> => store.setValue(LENT_WISH, Date.now());

/** Tells all tabs how what is lent is now. */
export async function tellLent(store: NoteStore): Promise<void> {
  const seen = (await store.db.lent.toArray())
    .map(({ what, text, name, address, title, who, rights, until, hasWord, since, trouble, ended, there }): SeenLent => ({
      ...{ name, address, title, who, rights, until, hasWord, since, trouble, ended, there },
      ...(what.is === 'list'
        ? { kind: 'list', path: what.path, line: 0, ref: null, words: '' }
        : { kind: what.part.kind, path: what.path, line: what.part.first, ref: what.ref, words: lineAt(text, what.part.first) }),
    }))
    .sort((one, other) => other.since - one.since);
  const before = await store.value(LENT_VALUE);
  // Where nothing is lent any more nothing of it is loaded.
  if (seen.length === 0 && before == null) return;
  if (JSON.stringify(seen) !== JSON.stringify(readSeenLent(before))) await store.setValue(LENT_VALUE, seen.length === 0 ? null : seen);
}

const lineAt = (text: string, line: number): string => text.split(/\r\n?|\n/)[line] ?? '';
