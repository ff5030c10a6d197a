import { type ComponentProps, type ReactNode, Suspense, lazy } from 'react';
import { loadYaml } from '../../core/note/facts/front-matter';
import type { NoteEditor } from './NoteEditor';

// The editor reads what is being written, whatever its front matter holds.
const Editor = lazy(() => Promise.all([import('./NoteEditor'), loadYaml()]).then(([part]) => ({ default: part.NoteEditor })));

interface LazyNoteEditorProps extends ComponentProps<typeof NoteEditor> {
  /** What stands under the text; it waits for the text, which would push it down. */
  below?: ReactNode;
}

/** The editor, loaded when a note is opened: agenda pages do without it. */
export function LazyNoteEditor({ below, ...props }: LazyNoteEditorProps) {
  return (
    <Suspense fallback={<p className="text-muted">Opening the text…</p>}>
      <Editor {...props} />
      {below}
    </Suspense>
  );
}
