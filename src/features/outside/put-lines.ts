import { stepOfLists } from '../../store/acting/routed-actions';
import { noteAddress } from '../session/places/addresses';
import type { OutsideLists } from '../session/state/services';

/**
 * Puts lines onto an outside list, as a slip that lands there; what links to the page that one is on bears its address there.
 *
 * @param at the path of that page; null where one is on none
 */
export async function putLines(
  outside: OutsideLists,
  list: string,
  lines: readonly string[],
  at: string | null,
): Promise<{ done: true; step: number | null } | { refused: string }> {
  const desk = await outside.open();
  if ((await desk.accountOf(list)) === null) return { refused: `No outside list “${list}” is followed any more.` };
  const tasks = lines
    .filter((line) => line.trim() !== '')
    .map((line) => {
      const ref = desk.makeRef();
      const url = at === null || !line.includes('[[') ? null : `${location.origin}${noteAddress(at)}`;
      const more = url === null ? null : { ref: '', url, description: `In Recado: ${url}\nNote: ${at}` };
      return { line: withRef(line, ref), ref, more };
    });
  const step = await desk.put(list, tasks);
  return { done: true, step: step === null ? null : stepOfLists(step) };
}

/** A line as an item at the margin, with its ref. */
function withRef(line: string, ref: string): string {
  const words = line.trim().replace(/^(?:[-*+]|\d+[.)])\s+/, '');
  const task = /^\[.\] /u.test(words) ? words : `[ ] ${words}`;
  return task.endsWith('}') && /\s\{[^{}]*\}$/.test(task) ? `- ${task.slice(0, -1)}; ref ${ref}}` : `- ${task} {ref ${ref}}`;
}
