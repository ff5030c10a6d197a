import type { FaceMore } from '../../core/sharing/outside/vtodo';

/** Where the way back begins. */
const SIGN = 'In Recado: ';

/**
 * What stands under a task there: its detail, and the way back to its line.
 *
 * @param origin the address under which the notes are open in the browser
 * @example moreFor('http://localhost:4180', 'Loans.md', '', 'k3f9qa').description // 'In Recado: http://localhost:4180/item/k3f9qa\nNote: Loans.md'
 */
export function moreFor(origin: string, path: string, detail: string, ref: string): FaceMore {
  const url = `${origin}/item/${ref}`;
  const back = wayBack(url, path);
  return { ref, url, description: detail === '' ? back : `${detail}\n\n${back}` };
}

/** The same of a task that is joined no more: its detail alone. */
export function withoutWay({ description }: FaceMore): FaceMore {
  return { ref: '', url: '', description: description.slice(0, Math.max(0, description.lastIndexOf(SIGN))).trim() };
}

/** The way back alone: the address of a line or a page in the browser, and the path of its note. */
export const wayBack = (url: string, path: string): string => `${SIGN}${url}\nNote: ${path}`;
