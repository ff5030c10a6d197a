import * as z from 'zod/mini';
import { isSealedPath } from '../../../core/note/names/path';

z.config({ jitless: true });

const besideSchema = z.union([
  z.object({ is: z.literal('agenda'), path: z.string() }),
  z.object({ is: z.literal('note') }),
  z.object({ is: z.literal('outline') }),
  z.object({ is: z.literal('leads') }),
  z.object({ is: z.literal('hours') }),
  z.object({ is: z.literal('text'), path: z.string() }),
  z.object({ is: z.literal('gather'), name: z.string(), text: z.string(), at: z.string() }),
  z.object({ is: z.literal('why') }),
]);

/**
 * What stands beside the page: an agenda page by its path; of the note on the page its tasks, its outline, or what leads to it; another note,
 * to be written in; what a gather asked at a note finds; the hours of the day; or why a task stands in a list.
 */
export type BesideView = z.infer<typeof besideSchema>;

const pinSchema = z.object({ title: z.string(), address: z.string(), key: z.optional(z.string()) });

/** An address that is at hand on the rack under a name of one's own, and the key that goes there. */
export type Pin = z.infer<typeof pinSchema>;

const texts = z.array(z.string());

/** What of the frame's state is kept on this device. */
const shape = {
  rackOpen: z.boolean(),
  besideOpen: z.boolean(),
  beside: besideSchema,
  besideBefore: z.array(besideSchema),
  foldersClosed: texts,
  folded: texts,
  widths: z.record(z.string(), z.number()),
  finished: z.record(z.string(), z.enum(['stay', 'sink', 'hide'])),
  recent: texts,
  pins: z.array(pinSchema),
  onTop: texts,
  sides: texts,
};

type Shape = { -readonly [Name in keyof typeof shape]: z.infer<(typeof shape)[Name]> };

export type FrameMemory = Partial<Shape>;

/** Reads what was kept; what is missing or of another form is left out. */
export function readFrame(words: string | null): FrameMemory {
  let kept: unknown;
  try {
    kept = JSON.parse(words ?? '{}');
  } catch {
    return {};
  }
  if (typeof kept !== 'object' || kept === null) return {};
  const found = Object.entries(shape).flatMap(([name, schema]) => {
    const result = z.safeParse(schema, (kept as Record<string, unknown>)[name]);
    return result.success ? [[name, result.data] as const] : [];
  });
  return Object.fromEntries(found);
}

/** Nothing is kept of what was asked at a sealed note. */
const keptView = (view: BesideView): BesideView => (view.is === 'gather' && isSealedPath(view.at) ? { is: 'note' } : view);

/** What is to be kept of a state. */
export function frameWords(state: Shape): string {
  const kept = { ...state, beside: keptView(state.beside), besideBefore: state.besideBefore.map(keptView) };
  return JSON.stringify(Object.fromEntries(Object.keys(shape).map((name) => [name, kept[name as keyof Shape]])));
}
