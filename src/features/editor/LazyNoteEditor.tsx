import { type ComponentProps, Suspense, lazy } from 'react';
import { loadYaml } from '../../core/note/facts/front-matter';
import type { NoteEditor } from './NoteEditor';

// The editor reads what is being written, whatever its front matter holds.
const Editor = lazy(() => Promise.all([import('./NoteEditor'), loadYaml()]).then(([part]) => ({ default: part.NoteEditor })));

/** The editor, loaded when a note is opened: agenda pages do without it. */
export function LazyNoteEditor(props: ComponentProps<typeof NoteEditor>) {
  return (
    <Suspense fallback={<p className="text-muted">Opening the text…</p>}>
      <Editor {...props} />
    </Suspense>
  );
}
