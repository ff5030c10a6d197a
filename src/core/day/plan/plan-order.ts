import { foldName } from '../../note/names/names';
import { echoRefOf, echoWords } from '../../task/line/echo';
import type { ReadingSettings } from '../../task/line/task';
import { readNote } from '../../task/reading/read-note';
import { endOfSection } from '../appointments';
import type { DaySettings } from '../day-settings';

/** A task in the order of a day: by its ref, or by its line (from 0) where it stands on the day's page. */
export interface Ordered {
  /** Null where it has none. */
  ref: string | null;
  /** Null where it stands in another note. */
  line: number | null;
  text: string;
}

/** A task under the heading of the order, with all that belongs to it. */
interface Block {
  from: number;
  /** The line behind its last. */
  to: number;
  /** Of the task for which it stands, or its own. */
  ref: string | null;
  /** How far its marker stands in. */
  indent: number;
}

/**
 * The text of a day's page that holds its tasks in an order by hand: the lines under the heading of the plan change places, each with what
 * belongs to it, and what stands elsewhere gets an echo there. Lines that are in no order stay behind those that are.
 *
 * @param order the tasks in their order; one that stands elsewhere needs a ref, and without one is left out
 */
export function withOrder(
  text: string,
  order: readonly Ordered[],
  { planHeading }: Pick<DaySettings, 'planHeading'>,
  reading?: ReadingSettings,
): string {
  const end = /\r\n/.test(text) ? '\r\n' : '\n';
  const lines = text === '' ? [] : text.split(/\r?\n/);
  const found = blocksUnder(text, planHeading, reading);
  const left = [...(found?.blocks ?? [])];
  const placed = order.flatMap((one): string[][] => {
    const at = left.findIndex(({ from, ref }) => (ref !== null && ref === one.ref) || from === one.line);
    const [block] = at === -1 ? [] : left.splice(at, 1);
    if (block) return [linesOf(lines, block)];
    return one.ref === null ? [] : [[`- [ ] ${echoWords(one.text, one.ref)}`]];
  });
  const all = [...placed, ...left.map((block) => linesOf(lines, block))];
  if (!found) {
    if (all.length === 0) return text;
    while (lines.at(-1) === '') lines.pop();
    return [...lines, ...(lines.length > 0 ? [''] : []), `## ${planHeading}`, ...all.flat(), ''].join(end);
  }
  const { blocks, behind } = found;
  const next: string[] = [];
  let slot = 0;
  for (let line = 0; line < lines.length; line++) {
    const block = blocks[slot];
    if (block?.from !== line) next.push(lines[line] ?? '');
    else {
      // What is more than there were places stands behind the last of them.
      next.push(...(slot === blocks.length - 1 ? all.slice(slot).flat() : (all[slot] ?? [])));
      slot++;
      line = block.to - 1;
    }
    if (blocks.length === 0 && line === behind) next.push(...all.flat());
  }
  return next.join(end);
}

/** The lines of a task, brought to the margin: under another one that stands further out it would be a step. */
const linesOf = (lines: readonly string[], { from, to, indent }: Block): string[] =>
  lines.slice(from, to).map((line) => line.slice(Math.min(indent, line.length - line.trimStart().length)));

/** The tasks right under the heading of the plan, and the line after which they would stand; null without that heading. */
function blocksUnder(text: string, planHeading: string, reading?: ReadingSettings): { blocks: Block[]; behind: number } | null {
  const note = readNote('', text, reading);
  const { headings, items } = note.structure;
  const heading = headings.find((one) => one.topLevel && foldName(one.words.trim()) === foldName(planHeading));
  if (!heading) return null;
  const end = endOfSection(headings, heading);
  const blocks = note.tasks.flatMap((task): Block[] => {
    const item = items[task.item];
    if (task.parent !== -1 || !item || item.depth > 0 || task.line <= heading.lastLine || task.line >= end) return [];
    const ref = echoRefOf(task.text) ?? task.ref;
    return [{ from: item.line, to: item.lastLine + 1, ref, indent: item.markerFrom }];
  });
  return { blocks, behind: heading.lastLine };
}

/** A day's page without the echo of a task under the heading of the plan, as when the task is taken out of the day. */
export function withoutEcho(
  text: string,
  ref: string,
  { planHeading }: Pick<DaySettings, 'planHeading'>,
  reading?: ReadingSettings,
): string {
  const block = blocksUnder(text, planHeading, reading)?.blocks.find((one) => one.ref === ref);
  const lines = text.split('\n');
  if (!block || !lines[block.from]?.includes(`](recado:${ref})`)) return text;
  lines.splice(block.from, block.to - block.from);
  return lines.join('\n');
}
