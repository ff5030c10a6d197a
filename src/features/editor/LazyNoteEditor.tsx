import type { ComponentProps, ReactNode } from 'react';
import { loadYaml } from '../../core/note/facts/front-matter';
import { late } from '../../ui/late';
import type { NoteEditor } from './NoteEditor';

interface LazyNoteEditorProps extends ComponentProps<typeof NoteEditor> {
  /** What stands under the text; it waits for the text, which would push it down. */
  below?: ReactNode;
}

/** The editor, loaded when a note is opened: agenda pages do without it. It reads what is being written, whatever its front matter holds. */
export const LazyNoteEditor = late(
  () =>
    Promise.all([import('./NoteEditor'), loadYaml()]).then(([{ NoteEditor: Editor }]) => {
      return function EditorWithBelow({ below, ...props }: LazyNoteEditorProps) {
        return (
          <>
            <Editor {...props} />
            {below}
          </>
        );
      };
    }),
  () => <p className="text-muted">Opening the text…</p>,
);
