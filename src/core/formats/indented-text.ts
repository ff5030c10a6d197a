import type { Branch, Outline } from './branch';
import { tailOf } from './draft';

/**
 * Outlines as plain text: a line for each branch, two spaces for each level, boxes and tails as they are written. Several notes stand under
 * their titles.
 *
 * @example indentedText([outline]) // 'Loans\n  [ ] Weigh the crate {due 2026-11-27}'
 */
export function indentedText(outlines: readonly Outline[]): string {
  const lines: string[] = [];
  for (const { title, branches } of outlines) {
    if (outlines.length > 1) lines.push(title);
    write(branches, outlines.length > 1 ? 1 : 0, lines);
  }
  return lines.map((line) => `${line}\n`).join('');
}

function write(branches: readonly Branch[], depth: number, lines: string[]): void {
  for (const branch of branches) {
    lines.push(`${INDENT.repeat(depth)}${branchLine(branch)}`);
    for (const words of branch.description) if (words !== '') lines.push(`${INDENT.repeat(depth + 1)}${words}`);
    write(branch.branches, depth + 1, lines);
  }
}

const INDENT = '  ';

/** A branch as one line: its box where it is a task, its words, its tail. */
export function branchLine({ words, task, clauses }: Branch): string {
  const tail = tailOf(clauses);
  return [...(task ? [`[${task.sign}]`] : []), words, tail].filter((part) => part !== '').join(' ');
}
