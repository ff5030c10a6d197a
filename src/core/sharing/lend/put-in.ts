import { lineText, splitLines, lineEnding } from '../../note/blocks/lines';
import { type Item, LineKind } from '../../note/blocks/structure';
import { readOutline, roomOf } from '../../note/outline/outline-edits';
import { withClause } from '../../task/writing/write-tail';
import { alignedLines } from '../../note/compare/aligned-lines';
import { aroundOf } from './follow-part';
import { type KeptClause, type LentLine, indentOf, indented, lentLines, without } from './lent-lines';
import { type LentPart, partAt, widthOf } from './lent-part';
import { ALIKE, likeness } from '../../note/compare/like-lines';
import { mendedLine } from './mended-line';

/** What is kept back of a line that went: it comes again with its line, as by Undo. */
export interface KeptLine {
  text: string;
  kept: readonly KeptClause[];
}

/** What a note says with what others made of its part. */
export interface PutIn {
  text: string;
  part: LentPart;
  /** Lines that went, and what was kept back of them. */
  gone: readonly KeptLine[];
}

const SWALLOWS = 'What was written there would change what stands outside of it, so it was not taken in.';

/**
 * Puts what others made of a part into its note. The lines outside stay byte for byte and keep what they mean; what is kept back of a line goes
 * with it; what would stand outside the part is brought into it: an item further in, a heading further down.
 *
 * @param text the note
 * @param given what the part says now, as it is lent
 * @param gone what was kept back of lines that went before
 */
export function putIn(text: string, part: LentPart, given: string, gone: readonly KeptLine[] = []): PutIn | { refused: string } {
  const before = lentLines(text, part);
  const around = aroundOf(text, part);
  let wanted = trimmed(clean(given).split('\n'), part.kind);
  for (const fit of [within, closed, apart]) {
    wanted = fit(wanted, part.kind, before);
    const done = written(text, part, before, wanted, gone);
    if (aroundOf(done.text, done.part) === around && holds(done.text, done.part)) return done;
  }
  return { refused: SWALLOWS };
}

/** Only lines and their words: no signs that steer a machine (Unicode, General Category Cc, but for tabs). */
function clean(given: string): string {
  // eslint-disable-next-line no-control-regex -- these are meant
  return given.replace(/\r\n?/g, '\n').replace(/[\u0000-\u0008\u000b-\u001f\u007f\ufeff]/g, '');
}

/** An item never ends with lines without words. */
function trimmed(lines: string[], kind: LentPart['kind']): string[] {
  if (kind !== 'item') return lines;
  const last = lines.findLastIndex((line) => line.trim() !== '');
  return lines.slice(0, Math.max(0, last) + 1);
}

/** Whether the part is all of what its item or heading opens, or is bounded within it. */
function holds(text: string, part: LentPart): boolean {
  const found = partAt(text, part.first, part.kind);
  if (!found) return false;
  if (part.kind === 'note') return found.first === part.first;
  const lines = splitLines(text);
  let last = part.last;
  while (last > part.first && lineText(lines, last).trim() === '') last--;
  return found.last >= last;
}

/** Brings what would stand beside the part into it. */
function within(lines: readonly string[], kind: LentPart['kind'], before: readonly LentLine[]): string[] {
  if (kind === 'item') return withinItem(lines, before[0]?.text ?? '- ');
  if (kind === 'section') return withinSection(lines, before);
  // At the top it would be front matter.
  return lines[0]?.trim() === '---' ? ['', ...lines] : [...lines];
}

function withinItem(given: readonly string[], root: string): string[] {
  const words = given.slice(given.findIndex((line) => line.trim() !== ''));
  const room = roomOf(words[0] ?? '');
  const out = words.map((line) => line.slice(Math.min(roomOf(line), room)));
  const opens = rootOf(out.join('\n'));
  // Whoever deleted the item itself meant what it says, or all of it: it stays, and bears what is left.
  const lines = opens?.markerFrom === 0 ? out : [root, ...words.filter((line) => line !== '')];
  const { column } = opens?.markerFrom === 0 ? opens : (rootOf(root) ?? { column: 2 });
  let by = '';
  return lines.map((line, at) => {
    if (at === 0 || line.trim() === '') return line;
    if (widthOf(line) < column) by = ' '.repeat(column);
    return by + line;
  });
}

/** The item that begins a text. */
const rootOf = (text: string): Item | undefined => readOutline(text).structure.items.find(({ line }) => line === 0);

function withinSection(lines: readonly string[], before: readonly LentLine[]): string[] {
  const root = readOutline(before.map(({ text }) => text).join('\n')).structure.headings[0];
  const level = root?.level ?? 1;
  const { headings } = readOutline(lines.join('\n')).structure;
  const isThere = headings[0]?.line === 0 && headings[0].topLevel;
  const own = `${'#'.repeat(level)} `;
  if (!isThere) return withinSection([own + (root?.words || '…'), ...lines], before);
  const next = [...lines];
  for (const heading of headings) {
    const isRoot = heading.line === 0;
    if (!heading.topLevel || (isRoot ? heading.level === level : heading.level > level)) continue;
    next[heading.line] = (isRoot ? own : level < 6 ? `#${own}` : '') + heading.words;
    // The underline of one that has one.
    for (let line = heading.line + 1; line <= heading.lastLine; line++) next[line] = '';
  }
  return next;
}

/** Ends what is open at the foot: code, or HTML. */
function closed(lines: readonly string[], kind: LentPart['kind']): string[] {
  const { structure } = readOutline(lines.join('\n'));
  const open = structure.fences.findLast((one) => !one.closed);
  const opening = open && lines[open.line];
  if (opening !== undefined) {
    const sign = /(`{3,}|~{3,})/.exec(opening)?.[1] ?? '```';
    const indent = /^[ \t]*/.exec(opening)?.[0] ?? '';
    return [...lines, indent + sign];
  }
  const html = structure.kinds[lines.length - 1] === LineKind.html;
  const indent = kind === 'item' ? ' '.repeat(rootOf(lines.join('\n'))?.column ?? 0) : '';
  return html ? [...lines, `${indent}-->`, ''] : [...lines];
}

/** A line without words apart from what follows. */
const apart = (lines: readonly string[]): string[] => (lines.at(-1)?.trim() === '' ? [...lines] : [...lines, '']);

/** The note with these lines in the place of the part. */
function written(text: string, part: LentPart, before: readonly LentLine[], wanted: readonly string[], gone: readonly KeptLine[]): PutIn {
  const aligned = alignedLines(
    before.map((line) => line.text),
    wanted,
  );
  // An item is what begins it, however it was reworded.
  if (part.kind === 'item' && aligned[0] !== 0) aligned.forEach((from, at) => (at === 0 || from === 0) && (aligned[at] = -1));
  const indent = indentOf(text, part);
  const { words, left } = withKept(before, wanted, aligned, gone, part.kind);
  const raws = words.map((line, at) => {
    const same = before[aligned[at] ?? -1];
    return same ? same.raw : indented(line, indent);
  });
  const next = replaced(text, part, before, aligned, raws);
  return { text: next, part: { ...part, last: part.first + raws.length - 1 }, gone: left };
}

/** Every line with what is kept back of it, and what is kept of those that went. */
function withKept(
  before: readonly LentLine[],
  wanted: readonly string[],
  aligned: readonly number[],
  gone: readonly KeptLine[],
  kind: LentPart['kind'],
): { words: string[]; left: KeptLine[] } {
  const stays = new Set(aligned);
  const words = mended(
    wanted,
    aligned,
    before.filter((_, at) => !stays.has(at)),
  );
  const open: KeptLine[] = [...before.filter(({ kept }, at) => kept.length > 0 && !stays.has(at)), ...gone];
  const items = new Map(readOutline(words.join('\n')).structure.items.map((item) => [item.line, item.wordsFrom]));
  const came = words.flatMap((_, at) => {
    const from = items.get(at) ?? -1;
    if (aligned[at] !== -1 || from < 0) return [];
    // What others write in its place is theirs to write, but not to claim.
    words[at] = without(words[at] ?? '', from);
    return [{ at, from }];
  });
  for (const { at, from } of came) {
    const isRoot = kind === 'item' && at === 0 && (before[0]?.kept.length ?? 0) > 0;
    const found = isRoot ? 0 : open.length === 0 ? -1 : likest(words[at] ?? '', open);
    const line = open[found];
    if (!line) continue;
    open.splice(found, 1);
    words[at] = line.kept.reduce((one, { name, words: clause }) => withClause(one, from, name, clause), words[at] ?? '');
  }
  return { words, left: open.slice(0, MOST_GONE).map(({ text: one, kept }) => ({ text: one, kept })) };
}

/** Comparing costs as much as there are pairs. */
const MOST_COMPARED = 20_000;

/** Lines that took the place of others, as they were meant where two changed them at once. */
function mended(wanted: readonly string[], aligned: readonly number[], left: readonly LentLine[]): string[] {
  const came = aligned.filter((from) => from === -1).length;
  if (left.length === 0 || came * left.length > MOST_COMPARED) return [...wanted];
  return wanted.map((line, at) => {
    if (aligned[at] !== -1) return line;
    const was = left[likest(line, left)];
    return was ? mendedLine(line, was.text) : line;
  });
}

/** So many lines that went are remembered. */
const MOST_GONE = 50;

/** Which of some lines a line is, by its words; -1 for none. */
function likest(words: string, lines: readonly { text: string }[]): number {
  let [best, found] = [ALIKE, -1];
  lines.forEach((line, index) => {
    const alike = likeness(words, line.text);
    if (alike > best) [best, found] = [alike, index];
  });
  return found;
}

/** The text with other lines in the place of some; those that stayed keep their ending, new ones have that of the line before. */
function replaced(
  text: string,
  { first, last }: LentPart,
  before: readonly LentLine[],
  aligned: readonly number[],
  raws: readonly string[],
): string {
  const lines = splitLines(text);
  const count = lines.starts.length;
  const endingOf = (line: number): string => lineEnding(lines, line);
  const mark = first === 0 && text.startsWith('\ufeff') ? 1 : 0;
  const from = (lines.starts[first] ?? text.length) + mark;
  const usual = endingOf(0) || '\n';
  const isEmpty = before.length === 0;
  let body = '';
  let ending = usual;
  raws.forEach((raw, at) => {
    const source = aligned[at] ?? -1;
    ending = (source === -1 ? '' : endingOf(first + source)) || ending;
    body += raw + (at < raws.length - 1 ? ending : '');
  });
  const rest = isEmpty ? from : (lines.ends[last] ?? text.length);
  // Where the part held no line, its first needs one of its own.
  const opening = isEmpty && first > 0 && first >= count ? usual : '';
  const closing = isEmpty && rest < text.length ? usual : '';
  return text.slice(0, from) + opening + body + closing + text.slice(rest);
}
