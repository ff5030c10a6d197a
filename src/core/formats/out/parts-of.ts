import { lineText } from '../../note/blocks/lines';
import type { ReadNote } from '../../task/reading/read-note';
import type { Branch } from '../branch';
import { type LineRange, outlineOf } from '../outline-of';
import { branchLine } from './indented-text';
import type { CalendarEvent, Part } from './part';
import { plainList, plainMarkdown } from './plain-markdown';

/** A whole note. */
export function notePart(note: ReadNote, events: readonly CalendarEvent[] = []): Part {
  return { outline: outlineOf(note), note, stored: () => note.lines.text, plain: () => plainMarkdown(note), events };
}

/** Some lines of a note, with the title of what stands there. */
export function linesPart(note: ReadNote, range: LineRange, title: string): Part {
  const to = Math.min(range.to, note.lines.starts.length);
  return {
    outline: { ...outlineOf(note, range), path: null, title },
    note: null,
    stored: () => `${Array.from({ length: to - range.from }, (_, index) => lineText(note.lines, range.from + index)).join('\n')}\n`,
    plain: () => plainMarkdown(note, range),
    events: [],
  };
}

/** What a list holds: its groups are headings. */
export function listPart(title: string, branches: readonly Branch[]): Part {
  return {
    outline: { path: null, title, branches },
    note: null,
    stored: () => listText(branches, (inner) => storedList(inner, '')),
    plain: () => listText(branches, plainList),
    events: [],
  };
}

/** Headings over their lists. */
function listText(branches: readonly Branch[], list: (branches: readonly Branch[]) => string): string {
  const isGrouped = branches.some(({ is }) => is === 'heading');
  if (!isGrouped) return `${list(branches)}\n`;
  return branches.map(({ words, branches: under }) => `## ${words}\n\n${list(under)}\n`).join('\n');
}

function storedList(branches: readonly Branch[], indent: string): string {
  return branches
    .flatMap((branch) => [
      `${indent}- ${branchLine(branch)}`,
      ...branch.description.map((line) => (line === '' ? '' : `${indent}  ${line}`)),
      ...(branch.branches.length === 0 ? [] : [storedList(branch.branches, `${indent}  `)]),
    ])
    .join('\n');
}
