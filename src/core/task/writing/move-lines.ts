import type { Item } from '../../note/blocks/structure';
import { indentWidth, withoutIndent } from '../../note/blocks/indent';
import { type OpenNote, indentOf, itemOf, linesOf, tasksUnder } from '../reading/open-note';
import { isOpen } from '../line/status';
import type { Task } from '../line/task';

/** The lines of an item with what is under it, as they stand behind another indent. */
export function linesAt(opened: OpenNote, item: Item, indent: string): string[] {
  const [first = '', ...rest] = linesOf(opened, item);
  const own = first.slice(0, item.markerFrom);
  const width = indentWidth(own);
  const quoted = own.includes('>');
  const blank = indent.trimEnd();
  return [
    indent + first.slice(item.markerFrom),
    ...rest.map((line) => {
      const words = withoutIndent(line, width, quoted);
      return words.trim() === '' ? blank : indent + words;
    }),
  ];
}

/** Moves the open steps out of a task, so that they stand behind it in its list. */
export function moveStepsOut(opened: OpenNote, task: Task): void {
  const item = itemOf(opened, task);
  const indent = indentOf(opened, item);
  const taken: Item[] = [];
  const moved: string[] = [];
  for (const step of tasksUnder(opened, item)) {
    const inner = itemOf(opened, step);
    const inside = taken.some((one) => inner.line >= one.line && inner.line <= one.lastLine);
    if (step === task || !isOpen(step.status) || inside) continue;
    taken.push(inner);
    moved.push(...linesAt(opened, inner, indent));
  }
  for (const { line, lastLine } of taken) opened.edits.remove(line, lastLine);
  if (moved.length > 0) opened.edits.insertBefore(item.lastLine + 1, moved);
}
