import { Annotation } from '@codemirror/state';

/** Marks what came from where the note is kept, and needs no saving. */
export const fromStore = Annotation.define<boolean>();
