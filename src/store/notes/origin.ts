/**
 * Where a commit comes from. The order of Undo, the steps and who listens to the store read it.
 *
 * - `typing`: what was written in an open text
 * - `command`: what a person had done, by key, menu or hand
 * - `import`: files that came in
 * - `shipped`: what the program itself puts there, as its agenda pages and the demo
 * - `folder`: files of the folder that is kept in step
 * - `outside`: what came from an outside list
 * - `lent`: what borrowers wrote
 * - `undo`: Undo or Redo
 */
export interface Origin {
  by: 'typing' | 'command' | 'import' | 'shipped' | 'folder' | 'outside' | 'lent' | 'undo';
  /** What Undo says of it, such as “Done: Book the scissor lift”; null when it is no step. */
  label: string | null;
}

/** A step is what Undo has words for. */
export type StepOrigin = Origin & { label: string };

export const TYPING: Origin = { by: 'typing', label: null };
export const IMPORT: Origin = { by: 'import', label: null };
export const SHIPPED: Origin = { by: 'shipped', label: null };
export const FOLDER: Origin = { by: 'folder', label: null };
export const OUTSIDE: Origin = { by: 'outside', label: null };
export const LENT: Origin = { by: 'lent', label: null };
export const UNDO: Origin = { by: 'undo', label: null };

/** @example store.commit(command('Done: Book the scissor lift'), writes) */
export const command = (label: string): StepOrigin => ({ by: 'command', label });
