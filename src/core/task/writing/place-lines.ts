import { foldPath } from '../../note/names/path';
import { type Heading, LineKind } from '../../note/blocks/structure';
import type { OpenNote, Refusal } from '../reading/open-note';

/** A heading to stand under: found by its words, else made with this level. */
export interface HeadingStep {
  words: string;
  /** 1 to 6. */
  level: number;
}

const OPEN_CODE: Refusal = { refused: 'The place to move to lies inside a code block that is not closed, so nothing was changed.' };

/** Lines from one (from 0) up to, and without, another. */
interface Section {
  from: number;
  to: number;
  /** The level of the heading that opens it; 0 for the whole note. */
  level: number;
  line: number;
}

/** Where in a section lines are put: behind what stands there, or right under its heading; in a note itself also before its first heading. */
export type Side = 'last' | 'first' | 'own';

/**
 * Puts lines into the section that a path of headings names, and makes the headings that are missing. An empty path is the note itself.
 */
export function placeUnder(opened: OpenNote, path: readonly HeadingStep[], lines: readonly string[], side: Side = 'last'): Refusal | null {
  const { section, found } = findSection(opened, path);
  const missing = path.slice(found);
  if (side === 'first' && missing.length === 0 && path.length > 0) return placeFirst(opened, section, lines);
  const bodyEnd = found === path.length && (path.length > 0 || side === 'own') ? ownBodyEnd(opened, section) : section.to;
  const at = afterLastWords(opened, section, bodyEnd);
  const before = opened.structure.kinds[at - 1];
  if (before === LineKind.code && opened.structure.fences.some((fence) => !fence.closed && fence.lastLine >= at - 1)) return OPEN_CODE;
  const added = headingLines(missing, section.level);
  const top = at === 0 && added[0] === '' ? added.slice(1) : added;
  const gap =
    missing.length > 0 || (followsList(opened, at) && isItemLine(lines[0] ?? '')) || before === LineKind.heading || at === 0 ? [] : [''];
  const behind = at < opened.lines.starts.length && opened.structure.kinds[at] !== LineKind.blank ? [''] : [];
  opened.edits.insertBefore(at, [...gap, ...top, ...(missing.length > 0 ? [''] : []), ...lines, ...behind]);
  return null;
}

/**
 * The last line (from 0) of a section that is neither blank nor in a list: what the items at its end stand under; null where there is
 * none, or no such section.
 */
export function wordsAboveLast(opened: OpenNote, path: readonly HeadingStep[]): number | null {
  const { section, found } = findSection(opened, path);
  if (found < path.length) return null;
  const tops = opened.structure.items.filter(({ depth }) => depth === 0);
  let at = ownBodyEnd(opened, section);
  for (;;) {
    at = afterLastWords(opened, section, at);
    const last = tops.findLast((item) => item.line < at);
    if (!last || last.lastLine < at - 1) break;
    at = last.line;
  }
  return at - 1 > section.line && at > section.from ? at - 1 : null;
}

/** The section that a path of headings names, as far as it is there, and how many of them are. */
function findSection(opened: OpenNote, path: readonly HeadingStep[]): { section: Section; found: number } {
  let section: Section = { from: opened.note.front.lineCount, to: opened.lines.starts.length, level: 0, line: -1 };
  let found = 0;
  for (const step of path) {
    const inner = sectionOf(opened, section, step.words);
    if (!inner) break;
    section = inner;
    found++;
  }
  return { section, found };
}

/** Names the first heading of a path that is not there yet; null where all are. */
export function firstMissing(opened: OpenNote, path: readonly HeadingStep[]): string | null {
  const { found } = findSection(opened, path);
  return found === path.length ? null : JSON.stringify(path.slice(0, found + 1).map(({ words }) => foldPath(words)));
}

const isItemLine = (line: string): boolean => /^\s{0,3}(?:[-*+]|\d{1,9}[.)])(?:\s|$)/.test(line);

/** Right under the heading of a section: before the list or the words that stand there first. */
function placeFirst(opened: OpenNote, section: Section, lines: readonly string[]): null {
  const end = ownBodyEnd(opened, section);
  const heading = opened.structure.headings.find((one) => one.line === section.line);
  let at = (heading?.lastLine ?? section.line) + 1;
  const under = at;
  while (at < end && isBlank(opened, at)) at++;
  const isList = opened.structure.items.some((item) => item.line === at && item.depth === 0);
  if (at < end) opened.edits.insertBefore(at, isList ? lines : [...lines, '']);
  // What holds nothing yet: a blank line parts the heading from its first lines.
  else opened.edits.insertBefore(under, ['', ...lines]);
  return null;
}

/** The lines of headings that are to be made, each deeper than the one before it. */
function headingLines(steps: readonly HeadingStep[], around: number): string[] {
  let level = around;
  return steps.flatMap((step) => {
    level = Math.min(6, Math.max(step.level, level + 1));
    return ['', `${'#'.repeat(level)} ${step.words}`];
  });
}

function sectionOf(opened: OpenNote, around: Section, words: string): Section | null {
  const headings = opened.structure.headings.filter((one) => one.topLevel && one.line >= around.from && one.line < around.to);
  const heading = headings.find((one) => one.level > around.level && one.line !== around.line && foldPath(one.words) === foldPath(words));
  if (!heading) return null;
  const next = headings.find((one) => one.line > heading.line && one.level <= heading.level);
  return { from: heading.line, to: next?.line ?? around.to, level: heading.level, line: heading.line };
}

/** The end of what stands under a heading itself, before the next heading of any level. */
function ownBodyEnd(opened: OpenNote, section: Section): number {
  const next = opened.structure.headings.find((one: Heading) => one.topLevel && one.line > section.line && one.line < section.to);
  return next?.line ?? section.to;
}

/** The line behind the last one that is not blank. */
function afterLastWords(opened: OpenNote, section: Section, end: number): number {
  let at = end;
  while (at > section.from && isBlank(opened, at - 1)) at--;
  return at;
}

function isBlank(opened: OpenNote, line: number): boolean {
  return opened.structure.kinds[line] === LineKind.blank && opened.edits.wordsOf(line).trim() === '';
}

/** Whether a list at the top ends right before a line, so that what is put there goes on with it. */
function followsList(opened: OpenNote, at: number): boolean {
  return opened.structure.items.some(
    (item) => item.depth === 0 && item.lastLine === at - 1 && /^\s{0,3}$/.test(opened.edits.wordsOf(item.line).slice(0, item.markerFrom)),
  );
}
