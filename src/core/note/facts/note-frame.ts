import { readStructure } from '../blocks/blocks';
import { type Lines, splitLines } from '../blocks/lines';
import type { Structure } from '../blocks/structure';
import { type FrontMatter, readFrontMatter } from './front-matter';

/** A gather block of a note. Lines count from 0 and hold the fences. */
export interface GatherBlock {
  line: number;
  lastLine: number;
  text: string;
}

/** What a note is made of, before any of its lines is read for tasks and names. */
export interface NoteFrame {
  front: FrontMatter;
  lines: Lines;
  structure: Structure;
  gathers: GatherBlock[];
}

/**
 * Reads a note as far as its front matter, structure and gather blocks; enough for what is shown as lists.
 *
 * @example readFrame('Words\n```gather\nopen\n```').gathers // [{ line: 1, lastLine: 3, text: 'open' }]
 */
export function readFrame(text: string): NoteFrame {
  const lines = splitLines(text);
  const front = readFrontMatter(lines);
  const structure = readStructure(lines, front.lineCount);
  const gathers = structure.fences.filter(isGather).map(({ line, lastLine, body }) => ({ line, lastLine, text: body }));
  return { front, lines, structure, gathers };
}

/** Whether what is fenced is a gather, by the words behind its fence. */
export function isGather(fence: { info: string }): boolean {
  return fence.info.startsWith('gather') && /^gather(?:\s|$)/.test(fence.info);
}

/** The lines of all gathers, without their first fences. */
export function gatherLines({ fences }: Pick<Structure, 'fences'>): ReadonlySet<number> {
  const found = new Set<number>();
  for (const fence of fences.filter(isGather)) for (let line = fence.line + 1; line <= fence.lastLine; line++) found.add(line);
  return found;
}
