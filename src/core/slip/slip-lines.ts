import type { ActionContext } from '../task/acts/action-context';
import { type SlipEntry, type SlipLine, slipLine } from './slip-line';

/** One of several lines that are written down together. */
export interface LineOfSlip extends SlipLine {
  /** How many lines it is nested in. */
  depth: number;
}

/** What is written down together: the first of several tasks decides where they go. */
export interface SlipLines {
  lines: readonly LineOfSlip[];
  /** The words of a first line without a box that has steps under it: it may become a small project. */
  project: string | null;
}

const INDENT = /^[ \t]*/;
const BOX = /^\s*(?:[-*+•]|\d+[.)])\s+\[.\]/u;

/**
 * Several typed or pasted lines are several tasks, indented ones the steps of what stands above them; empty ones are left out. Words left
 * alone, fields and link concern the first.
 */
export function slipLines({ typed, left, fields, link = null }: SlipEntry, context: ActionContext): SlipLines {
  const rows = typed.split('\n').filter((row) => row.trim() !== '');
  const widths: number[] = [];
  // Boxes right under a first line without one are its steps, indented or not.
  const boxedBelow = rows.length > 1 && !BOX.test(rows[0] ?? '') && rows.slice(1).every((row) => BOX.test(row));
  const lines = rows.map((row, index): LineOfSlip => {
    const entry: SlipEntry =
      index === 0 ? { typed: row.trimStart(), link, ...(left && { left }), ...(fields && { fields }) } : { typed: row };
    const indent = width(INDENT.exec(row)?.[0] ?? '') + (boxedBelow && index > 0 ? 1 : 0);
    const depth = depthOf(widths, indent);
    return { ...slipLine(entry, context), depth };
  });
  const [first, second] = lines;
  const isProject = first !== undefined && second !== undefined && second.depth > 0 && !BOX.test(rows[0] ?? '');
  return { lines, project: isProject ? first.task.text : null };
}

/** The depth of a line by the indents of those around it. */
function depthOf(widths: number[], indent: number): number {
  while (widths.length > 0 && (widths.at(-1) ?? 0) >= indent) widths.pop();
  widths.push(indent);
  return widths.length - 1;
}

const width = (indent: string): number => [...indent].reduce((sum, one) => (one === '\t' ? sum + 4 - (sum % 4) : sum + 1), 0);

/** The lines as they stand in a note. */
export function textOfLines(lines: readonly LineOfSlip[]): string[] {
  return lines.map(({ line, depth }) => '  '.repeat(depth) + line);
}
