import type { Item } from '../../note/blocks/structure';
import { columnsOf, withoutColumns } from '../reading/columns';
import { type Page, indentOf, itemOf, linesOf, tasksUnder } from '../reading/page';
import { isOpen } from '../line/status';
import type { Task } from '../line/task';

/** The lines of an item with what is under it, as they stand behind another indent. */
export function linesAt(page: Page, item: Item, indent: string): string[] {
  const [first = '', ...rest] = linesOf(page, item);
  const own = first.slice(0, item.markerFrom);
  const width = columnsOf(own);
  const quoted = own.includes('>');
  const blank = indent.trimEnd();
  return [
    indent + first.slice(item.markerFrom),
    ...rest.map((line) => {
      const words = withoutColumns(line, width, quoted);
      return words.trim() === '' ? blank : indent + words;
    }),
  ];
}

/** Moves the open steps out of a task, so that they stand behind it in its list. */
export function moveStepsOut(page: Page, task: Task): void {
  const item = itemOf(page, task);
  const indent = indentOf(page, item);
  const taken: Item[] = [];
  const moved: string[] = [];
  for (const step of tasksUnder(page, item)) {
    const inner = itemOf(page, step);
    const inside = taken.some((one) => inner.line >= one.line && inner.line <= one.lastLine);
    if (step === task || !isOpen(step.status) || inside) continue;
    taken.push(inner);
    moved.push(...linesAt(page, inner, indent));
  }
  for (const { line, lastLine } of taken) page.edits.remove(line, lastLine);
  if (moved.length > 0) page.edits.insertBefore(item.lastLine + 1, moved);
}
