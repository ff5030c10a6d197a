import {
  type Dirent,
  accessSync,
  constants,
  existsSync,
  mkdirSync,
  readFileSync,
  readdirSync,
  renameSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import path from 'node:path';
import { decodeUtf8 } from '../src/core/note/blocks/decode';
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
  /** Whether there is a file or folder at a path that is none of the notes. */
  isElse(note: string): boolean;
  /** Writes notes in their order. Whether each can be written is looked at before the first is; each is whole at every moment. */
  write(files: readonly { note: string; text: string }[]): void;
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
    isElse: (note) => existsSync(path.resolve(base, note)),
    write: (files) => {
      const targets = files.map(({ note, text }) => ({ target: writable(base, note, given), text }));
      for (const { target, text } of targets) writeWhole(target, text);
    },
  };
}

/** The file of a note that can be written. */
function writable(base: string, note: string, given: string): string {
  const target = path.resolve(base, note);
  if (!target.startsWith(base + path.sep)) throw new PlainError(`${note} lies outside ${given}, so nothing was written.`);
  const cannot = new PlainError(`${note} cannot be written, so nothing was.`);
  let folder = path.dirname(target);
  while (!existsSync(folder)) folder = path.dirname(folder);
  try {
    accessSync(folder, constants.W_OK);
    if (existsSync(target)) accessSync(target, constants.W_OK);
  } catch {
    throw cannot;
  }
  if (!statSync(folder).isDirectory() || (existsSync(target) && !statSync(target).isFile())) throw cannot;
  return target;
}

function writeWhole(target: string, text: string): void {
  mkdirSync(path.dirname(target), { recursive: true });
  const beside = `${target}.${process.pid}.part`;
  writeFileSync(beside, text);
  renameSync(beside, target);
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
