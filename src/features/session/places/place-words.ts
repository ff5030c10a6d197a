// The small form of the library: it is read before the first page shows.
import * as z from 'zod/mini';

z.config({ jitless: true });

const whole = z.int().check(z.minimum(0));

const cursorSchema = z.object({ path: z.string(), anchor: whole, head: whole });

/** A cursor or selection in the text of a note, as places in the editor's text. */
export type Cursor = z.infer<typeof cursorSchema>;

const leftSchema = z.object({
  scroll: z.number(),
  cursor: z.nullable(cursorSchema),
  row: z.nullable(z.string()),
});

/** How a place of the history was left: how far it was scrolled in pixels, the cursor of its note, the row of a list that had the focus. */
export type Left = z.infer<typeof leftSchema>;

const placesSchema = z.array(z.tuple([z.string(), leftSchema]));

/** What was kept as words, null where it is nothing of the kind. */
function read<Of extends z.core.$ZodType>(schema: Of, words: string | null): z.infer<Of> | null {
  try {
    return z.parse(schema, JSON.parse(words ?? 'null'));
  } catch {
    return null;
  }
}

/** Reads where something was written last; null where that is not known. */
export const readCursor = (words: string | null): Cursor | null => read(cursorSchema, words);

/** Reads how places of the history were left, by the keys of their entries; none where that is not known. */
export const readPlaces = (words: string | null): [string, Left][] => read(placesSchema, words) ?? [];
