import { stepOfLists } from '../../../store/acting/routed-actions';
import { wayBack } from '../../../store/outside/face-more';
import type { FaceMore } from '../../../core/sharing/outside/vtodo';
import { withClause } from '../../../core/task/writing/write-tail';
import { noteAddress } from '../../session/places/addresses';
import type { OutsideLists } from '../../session/state/services';

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
      return { line: withRef(line, ref), ref, more: at !== null && line.includes('[[') ? moreForPage(at) : null };
    });
  const step = await desk.put(list, tasks, `Put onto ${list}`);
  return { done: true, step: step === null ? null : stepOfLists(step) };
}

/** What leads back to the page on which a task was written; it is the face of no line. */
function moreForPage(path: string): FaceMore {
  const url = `${location.origin}${noteAddress(path)}`;
  return { ref: '', url, description: wayBack(url, path) };
}

/** A line as a task at the margin, with its ref. */
function withRef(line: string, ref: string): string {
  const words = line.trim().replace(/^(?:[-*+]|\d+[.)])\s+/, '');
  return withClause(/^\[.\] /u.test(words) ? `- ${words}` : `- [ ] ${words}`, 2, 'ref', `ref ${ref}`);
}
