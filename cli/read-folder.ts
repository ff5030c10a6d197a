import { type Dirent, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { decodeUtf8 } from '../src/core/note/decode';
import { PlainError } from './plain-error';

/** A note as it lies in a file. */
export interface FileNote {
  /** Relative to the folder, with `/` and its ending. */
  path: string;
  text: string;
}

/** The notes of a file or folder. */
export interface Folder {
  notes: FileNote[];
  write(note: string, text: string): void;
}

const NOTE = /\.(?:md|markdown)$/i;

/**
 * Reads a Markdown file, or every one in a folder, in the order of their paths. Files that are no UTF-8, and folders
 * that begin with a dot, are left out.
 */
export function readFolder(given: string): Folder {
  const root = path.resolve(given);
  const isFolder = statOf(root, given).isDirectory();
  const base = isFolder ? root : path.dirname(root);
  const files = isFolder ? filesIn(root, '') : [path.basename(root)];
  const notes: FileNote[] = [];
  for (const file of files) {
    const text = decodeUtf8(readFileSync(path.join(base, file)));
    if (text !== null) notes.push({ path: file, text });
    else if (!isFolder) throw new PlainError(`${given} is no UTF-8 text.`);
  }
  return {
    notes,
    write: (note, text) => {
      const target = path.resolve(base, note);
      if (!target.startsWith(base + path.sep)) throw new PlainError(`${note} lies outside ${given}.`);
      writeFileSync(target, text);
    },
  };
}

function statOf(file: string, given: string) {
  try {
    return statSync(file);
  } catch {
    throw new PlainError(`There is no file or folder ${given}.`);
  }
}

function filesIn(root: string, folder: string): string[] {
  const entries: Dirent[] = readdirSync(path.join(root, folder), { withFileTypes: true });
  return entries
    .flatMap((entry) => {
      if (entry.name.startsWith('.') || entry.name === 'node_modules') return [];
      const name = folder === '' ? entry.name : `${folder}/${entry.name}`;
      if (entry.isDirectory()) return filesIn(root, name);
      return entry.isFile() && NOTE.test(entry.name) ? [name] : [];
    })
    .sort();
}
