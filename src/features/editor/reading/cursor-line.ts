import type { EditorState } from '@codemirror/state';

/** The line in which the cursor stands, from 0. */
export const lineOfCursor = ({ doc, selection }: EditorState): number => doc.lineAt(selection.main.head).number - 1;
