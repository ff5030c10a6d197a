import { isSealedPath } from '../../note/names/path';

/** Whether something would go from a sealed note where everybody reads it. */
export const leavesSeal = (from: string, to: string): boolean => isSealedPath(from) && !isSealedPath(to);

/** The words of an echo: those of a task in a sealed note are not written into one that everybody reads. */
export const echoText = (to: string, from: string, text: string): string => (leavesSeal(from, to) ? 'A task in a sealed note' : text);
