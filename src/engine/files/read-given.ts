import type { ImportFile } from '../../store/notes/import/import-file';
import { readZip } from './read-zip';

/** A file larger than this is left out: no note is. */
const LARGEST = 50 * 1024 * 1024;

/** A file as a person gave it, with its path inside a chosen or dropped folder. */
export interface GivenFile {
  path: string;
  file: File;
}

/** Reads given files one after the other; a zip as what it holds. */
export async function* readGiven(given: readonly GivenFile[]): AsyncGenerator<ImportFile> {
  for (const { path, file } of given) {
    if (/\.zip$/i.test(file.name)) yield* readZip(file);
    else if (file.size > LARGEST) yield { path, bytes: null, problem: 'It is larger than 50 MB.' };
    else {
      try {
        yield { path, bytes: new Uint8Array(await file.arrayBuffer()) };
      } catch {
        yield { path, bytes: null, problem: 'The browser could not read it.' };
      }
    }
  }
}
