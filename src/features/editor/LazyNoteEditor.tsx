import { type ComponentProps, Suspense, lazy } from 'react';
import type { NoteEditor } from './NoteEditor';

const Editor = lazy(() => import('./NoteEditor').then((part) => ({ default: part.NoteEditor })));

/** The editor, loaded when a note is opened: agenda pages do without it. */
export function LazyNoteEditor(props: ComponentProps<typeof NoteEditor>) {
  return (
    <Suspense fallback={<p className="text-muted">Opening the text…</p>}>
      <Editor {...props} />
    </Suspense>
  );
}
