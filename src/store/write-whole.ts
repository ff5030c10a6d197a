/**
 * Writes a file whole or not at all: the browser writes beside it, and exchanges the two when that is closed.
 *
 * @param mayStill asked last, before the two are exchanged: whether the file may still be written over
 * @returns whether it was written
 * @throws what the browser says where it cannot be written; the file holds what it held before
 */
export async function writeWhole(
  file: FileSystemFileHandle,
  content: Blob | Uint8Array,
  mayStill: () => Promise<boolean> = () => Promise.resolve(true),
): Promise<boolean> {
  const writable = await file.createWritable();
  try {
    await writable.write(content as Blob | Uint8Array<ArrayBuffer>);
    const may = await mayStill();
    await (may ? writable.close() : writable.abort());
    return may;
  } catch (error) {
    await writable.abort().catch(() => undefined);
    throw error;
  }
}
