import { open, rename, rm } from 'node:fs/promises';

/** What a file that is being written ends with. */
export const UNFINISHED = '.new';

/** Writes a file so that it is there whole, or as it was before, also when the machine stops in the middle or the disk is full. */
export async function writeWhole(file: string, content: string | Uint8Array): Promise<void> {
  const beside = file + UNFINISHED;
  try {
    const handle = await open(beside, 'w', 0o600);
    try {
      await handle.writeFile(content);
      await handle.sync();
    } finally {
      await handle.close();
    }
    await rename(beside, file);
  } catch (error) {
    await rm(beside, { force: true });
    throw error;
  }
}
