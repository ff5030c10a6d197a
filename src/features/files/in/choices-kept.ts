import type { Choices } from '../../../core/formats/in/incoming';
import type { NoteStore } from '../../../store/notes/note-store';
import * as z from 'zod/mini';
import { CSV_FIELDS } from '../../../core/formats/in/csv-in';
import { STATUSES } from '../../../core/task/line/status';

/** What a person decided when files came in is kept for the next ones; the folder is not. */
const KEPT = 'bring-in';

const SHAPE = z.object({
  textFiles: z.enum(['notes', 'outlines']),
  events: z.enum(['appointments', 'meetings', 'left']),
  signs: z.record(z.string(), z.enum(STATUSES)),
  tables: z.record(
    z.string(),
    z.object({ map: z.partialRecord(z.enum(CSV_FIELDS), z.string()), order: z.enum(['day first', 'month first']) }),
  ),
});

const FIRST: Choices = { folder: '', textFiles: 'notes', events: 'appointments', signs: {}, tables: {} };

export async function keptChoices(store: NoteStore): Promise<Choices> {
  const read = SHAPE.safeParse(await store.value(KEPT).catch(() => null));
  return read.success ? { ...FIRST, ...read.data, tables: read.data.tables } : FIRST;
}

export async function keepChoices(store: NoteStore, { textFiles, events, signs, tables }: Choices): Promise<void> {
  await store.changeValue(KEPT, () => ({ textFiles, events, signs, tables })).catch(() => undefined);
}
