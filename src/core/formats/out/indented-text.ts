import type { Branch } from '../branch';
import { tailOf } from '../draft';
import { NOTHING_TO_SAY, type Writer } from './writer';

/**
 * Plain text: a line for each branch, two spaces for each level, boxes and tails as they are written.
 *
 * @param titled whether several things go out, each under its title
 * @example written(indentedWriter(false), [part]) // 'Loans\n  [ ] Weigh the crate {due 2026-11-27}\n'
 */
export const indentedWriter = (titled: boolean): Writer => ({
  begin: '',
  part: ({ outline: { title, branches } }) => {
    const lines: string[] = titled ? [title] : [];
    write(branches, lines.length, lines);
    return lines.map((line) => `${line}\n`).join('');
  },
  end: () => '',
  report: NOTHING_TO_SAY,
});

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
