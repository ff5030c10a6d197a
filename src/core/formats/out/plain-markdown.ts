import { type Lines, lineText } from '../../note/blocks/lines';
import { type Item, LineKind } from '../../note/blocks/structure';
import { withoutSigns } from './plain-words';
import { type Status, STATUS_NAMES } from '../../task/line/status';
import { type Clause, readTail } from '../../task/line/tail';
import type { Branch } from '../branch';
import type { ReadNote } from '../../task/reading/read-note';
import { clauseWords } from './clause-words';
import type { LineRange } from '../outline-of';

/**
 * The lines of a note as Markdown for people without Recado: boxes that every reader of Markdown knows, tails as words, links as their
 * words, no front matter. Everything else stands as it is.
 *
 * @param range only these lines, from 0; their common indent is taken away
 * @example plainMarkdown(note) // '- [ ] Weigh the crate (due Friday 27 Nov 2026)'
 */
export function plainMarkdown(note: ReadNote, range: LineRange = { from: note.front.lineCount, to: Infinity }): string {
  const { lines, structure } = note;
  const taskOn = new Map(note.tasks.map((task) => [task.line, task]));
  const itemOn = new Map(structure.items.map((item) => [item.line, item]));
  const written: string[] = [];
  for (let line = Math.max(range.from, note.front.lineCount); line < Math.min(range.to, lines.starts.length); line++) {
    const item = itemOn.get(line);
    if (item) written.push(plainItem(lines, item, taskOn.get(line)?.status ?? null));
    else written.push(structure.kinds[line] === LineKind.code ? lineText(lines, line) : withoutSigns(lineText(lines, line)));
  }
  return outdented(written).join('\n').trim();
}

function plainItem(lines: Lines, item: Item, status: Status | null): string {
  const raw = lineText(lines, item.line);
  if (item.wordsFrom < 0) return raw;
  const tail = readTail(raw, item.wordsFrom);
  const box = status === null ? 0 : raw.indexOf(']', item.wordsFrom) + 1 - item.wordsFrom;
  const words = raw.slice(item.wordsFrom + box, tail?.from ?? raw.length).trim();
  return `${raw.slice(0, item.wordsFrom)}${plainLine(words, status, tail?.clauses ?? [])}`.trimEnd();
}

function plainLine(written: string, status: Status | null, clauses: readonly Clause[]): string {
  const words = withoutSigns(written);
  const said = [...(status === null ? [] : statusWords(status)), clauseWords(clauses)].filter((part) => part !== '').join(', ');
  const sign = status === null ? '' : status === 'done' || status === 'cancelled' ? '[x] ' : '[ ] ';
  const struck = status === 'cancelled' && words !== '' ? `~~${words}~~` : words;
  return `${sign}${struck}${said === '' ? '' : ` (${said})`}`;
}

/** Branches as a list of Markdown for people without Recado, as `plainMarkdown` writes the lines of a note. */
export function plainList(branches: readonly Branch[]): string {
  const lines: string[] = [];
  const write = (inner: readonly Branch[], indent: string): void => {
    for (const { words, task, clauses, description, branches: under } of inner) {
      lines.push(`${indent}- ${plainLine(words, task?.status ?? null, clauses)}`);
      for (const line of description) lines.push(line === '' ? '' : `${indent}  ${withoutSigns(line)}`);
      write(under, `${indent}  `);
    }
  };
  write(branches, '');
  return lines.join('\n');
}

/** What a box cannot say in every Markdown. */
const statusWords = (status: Status): string[] =>
  status === 'underway' || status === 'waiting' || status === 'cancelled' ? [STATUS_NAMES[status].toLowerCase()] : [];

/** Lines without the indent that all of them share. */
function outdented(lines: readonly string[]): string[] {
  const indents = lines.filter((line) => line.trim() !== '').map((line) => line.length - line.trimStart().length);
  const shared = indents.length === 0 ? 0 : Math.min(...indents);
  return lines.map((line) => line.slice(shared));
}
