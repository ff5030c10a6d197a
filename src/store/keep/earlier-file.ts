import { fromBase64, toBase64 } from '../../core/note/blocks/base64';
import * as z from 'zod/mini';
import { foldPath } from '../../core/note/names/path';
import type { Content } from '../notes/content';
import { newNoteId } from '../notes/content';
import type { RecadoDatabase } from '../notes/database';
import type { EarlierText } from './earlier-text';

const entry = z.object({
  note: z.string(),
  path: z.string(),
  until: z.number(),
  by: z.enum(['typing', 'command', 'import', 'shipped', 'folder', 'outside', 'lent', 'undo']),
  label: z.nullable(z.string()),
  gone: z.union([z.literal(0), z.literal(1)]),
  text: z.optional(z.string()),
  /** Bytes of what is no text, in base 64. */
  bytes: z.optional(z.string()),
});
const file = z.object({ earlier: z.array(entry) });
type Entry = z.infer<typeof entry>;

/** All earlier texts as the file of an export holds them. */
export async function earlierFile(db: RecadoDatabase): Promise<string> {
  const texts = await db.earlier.orderBy('id').toArray();
  const contents = await db.earlierContents.bulkGet(texts.map(({ id }) => id));
  const earlier = texts.flatMap(({ note, path, until, by, label, gone }, index): Entry[] => {
    const content = contents[index]?.content;
    if (!content) return [];
    return [{ note, path, until, by, label, gone, ...('text' in content ? { text: content.text } : { bytes: toBase64(content.bytes) }) }];
  });
  return `${JSON.stringify({ earlier })}\n`;
}

/**
 * Takes in the earlier texts of an export. They belong to the notes at their paths here, or to none that went; what is kept here already is
 * not kept twice.
 *
 * @returns how many came in
 * @throws where the file is none of earlier texts
 */
export async function takeEarlier(db: RecadoDatabase, json: string): Promise<number> {
  const { earlier } = file.parse(JSON.parse(json));
  const notes = await db.notes.bulkGet(earlier.map(({ path }) => foldPath(path)));
  const known = new Set((await db.earlier.toArray()).map(({ key, until, size }) => `${until} ${size} ${key}`));
  const ids = new Map<string, string>();
  const came = earlier.flatMap((one, index) => {
    const content: Content | null =
      one.text !== undefined ? { text: one.text } : one.bytes !== undefined ? { bytes: fromBase64(one.bytes) } : null;
    if (!content) return [];
    const size = 'text' in content ? content.text.length : content.bytes.length;
    const key = foldPath(one.path);
    if (known.has(`${one.until} ${size} ${key}`)) return [];
    // A note that went is another here, as long as all its texts are of one.
    const there = one.gone === 0 ? notes[index]?.id : undefined;
    const note = ids.get(one.note) ?? there ?? newNoteId();
    ids.set(one.note, note);
    const { path, until, by, label, gone } = one;
    return [{ text: { note, path, key, until, by, label, size, gone } as EarlierText, content }];
  });
  await db.transaction('rw', db.earlier, db.earlierContents, async () => {
    const added = await db.earlier.bulkAdd(
      came.map(({ text }) => text),
      { allKeys: true },
    );
    await db.earlierContents.bulkAdd(added.flatMap((id, index) => (came[index] ? [{ id, content: came[index].content }] : [])));
  });
  return came.length;
}
