import * as z from 'zod/mini';

z.config({ jitless: true });

/** The value that says which desk this device is linked to; it leaves the browser in no export. */
export const DESK_VALUE = 'desk';

const SHAPE = z.object({
  /** The origin of the server; empty for that of the page. */
  server: z.string(),
  /** The number of the desk, and the key by which the server knows this device: 128 random bits each. */
  id: z.string(),
  key: z.string(),
  /** What alone opens the keys of the desk that are sealed for this device. */
  identity: z.string(),
  recipient: z.string(),
  /** As this device is called among the others. */
  name: z.string(),
});

/** The desk on a server that this device keeps its notes in step with. */
export type LinkedDesk = z.infer<typeof SHAPE>;

/** Null where it is linked to none. */
export function readLinkedDesk(value: unknown): LinkedDesk | null {
  const read = SHAPE.safeParse(value);
  return read.success ? read.data : null;
}
