import { readNote } from '../core/task/reading/read-note';
import { saveFile } from '../features/files/out/save-file';

/** Hands a text to the browser as a file. */
export const saveText = (name: string, words: string, type: string): void =>
  saveFile(name, new Blob([words.endsWith('\n') ? words : `${words}\n`], { type: `${type};charset=utf-8` }));

/**
 * A text as people read it who know no boxes and tails: what is done says so, and what stands in a tail follows in brackets.
 *
 * @example plainText('- [x] Pack {due 2026-12-04}') // '- done: Pack (due 2026-12-04)'
 */
export function plainText(words: string): string {
  const { tasks } = readNote('Lent.md', words);
  const byLine = new Map(tasks.map((task) => [task.line, task]));
  return words
    .split('\n')
    .map((line, at) => {
      const task = byLine.get(at);
      if (!task) return line;
      const status = { todo: '', underway: 'under way: ', waiting: 'waiting: ', done: 'done: ', cancelled: 'cancelled: ' }[task.status];
      const tail =
        task.tailFrom < line.length
          ? line
              .slice(task.tailFrom)
              .trim()
              .replace(/^\{|\}$/g, '')
          : '';
      return `${line.slice(0, task.boxFrom)}${status}${task.text}${tail === '' ? '' : ` (${tail})`}`;
    })
    .join('\n');
}
