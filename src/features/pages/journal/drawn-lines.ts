import { lineText } from '../../../core/note/blocks/lines';
import { LineKind } from '../../../core/note/blocks/structure';
import type { ReadNote } from '../../../core/task/reading/read-note';
import type { Task } from '../../../core/task/line/task';

/** A line of a note as it is drawn without an editor; `at` is its line, from 0. */
export type DrawnLine = { at: number } & (
  | { is: 'heading'; words: string; level: number }
  | { is: 'task'; task: Task; depth: number }
  | { is: 'item'; words: string; depth: number }
  | { is: 'text'; words: string }
  | { is: 'code'; words: string }
  | { is: 'gather'; text: string }
  | { is: 'gap' }
);

/** The lines of a note in their order, each with what is drawn of it; the front matter is left out, a gather is one piece. */
export function drawnLines({ lines, structure, tasks, gathers, front }: ReadNote): DrawnLine[] {
  const taskOn = new Map(tasks.map((task) => [task.line, task]));
  const itemOn = new Map(structure.items.map((item) => [item.line, item]));
  const headingOn = new Map(structure.headings.map((heading) => [heading.line, heading]));
  const gatherOn = new Map(gathers.map((gather) => [gather.line, gather]));
  const drawn: DrawnLine[] = [];
  for (let at = front.lineCount; at < lines.starts.length; at++) {
    const gather = gatherOn.get(at);
    if (gather) {
      drawn.push({ at, is: 'gather', text: gather.text });
      at = gather.lastLine;
      continue;
    }
    const words = lineText(lines, at);
    const kind = structure.kinds[at];
    const heading = headingOn.get(at);
    const task = taskOn.get(at);
    const item = itemOn.get(at);
    if (heading) {
      drawn.push({ at, is: 'heading', words: heading.words, level: heading.level });
      at = heading.lastLine;
    } else if (task) drawn.push({ at, is: 'task', task, depth: task.depth });
    else if (item && item.wordsFrom >= 0) drawn.push({ at, is: 'item', words: words.slice(item.wordsFrom), depth: item.depth });
    else if (kind === LineKind.blank) drawn.push({ at, is: 'gap' });
    else drawn.push({ at, is: kind === LineKind.text ? 'text' : 'code', words: words.trim() });
  }
  // What is blank at either end says nothing.
  while (drawn[0]?.is === 'gap') drawn.shift();
  while (drawn.at(-1)?.is === 'gap') drawn.pop();
  return drawn;
}
