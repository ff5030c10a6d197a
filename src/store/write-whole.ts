/**
 * Writes a file whole or not at all: the browser writes beside it, and exchanges the two when that is closed.
 *
 * @throws what the browser says where it cannot be written; the file holds what it held before
 */
export async function writeWhole(file: FileSystemFileHandle, content: Blob | Uint8Array): Promise<void> {
  const writable = await file.createWritable();
  try {
    await writable.write(content as Blob | Uint8Array<ArrayBuffer>);
    await writable.close();
  } catch (error) {
    await writable.abort().catch(() => undefined);
    throw error;
  }
}
