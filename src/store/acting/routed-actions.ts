import { isOutsidePath } from '../../core/note/names/outside-path';
import type { NoteActions } from './note-actions';

/** A step of the outside lists is told by a number below zero, so that it is no other than one of the notes. */
export const stepOfLists = (step: number): number => -step;

/**
 * Acts on the notes, or on the notes of the outside lists, by the path of what is acted on.
 *
 * @param ofLists gives what acts on those, which few have
 */
export function routedActions(ofNotes: NoteActions, ofLists: () => Promise<NoteActions>): NoteActions {
  const call = (actions: NoteActions, name: string | symbol, given: unknown[]): unknown =>
    Reflect.apply(Reflect.get(actions, name) as (...given: unknown[]) => unknown, actions, given);
  const get = (_: NoteActions, name: string | symbol) => {
    // Who waits for it must not take it for a promise.
    if (!(name in ofNotes)) return undefined;
    return async (...given: unknown[]): Promise<unknown> => {
      if (!isOfLists(given[0])) return call(ofNotes, name, given);
      const result = await call(await ofLists(), name, given);
      if (typeof result !== 'object' || result === null || !('step' in result) || typeof result.step !== 'number') return result;
      return { ...result, step: stepOfLists(result.step) };
    };
  };
  return new Proxy({} as NoteActions, { get });
}

/** A path, a line, or lines with what is to be done to them. */
function isOfLists(first: unknown): boolean {
  const one: unknown = Array.isArray(first) ? first[0] : first;
  if (typeof one === 'string') return isOutsidePath(one);
  if (typeof one !== 'object' || one === null) return false;
  if ('path' in one && typeof one.path === 'string') return isOutsidePath(one.path);
  return 'ref' in one && isOfLists(one.ref);
}
