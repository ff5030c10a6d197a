import { type RefObject, useEffect, useState } from 'react';
import { closeUpAt, closeUpOf, closeUpOn, trailOf } from '../folding/close-up';
import { noteNow } from '../reading/note-field';
import type { OpenEditor } from './open-editor';

/** What stands around what is shown alone, the outermost first. */
export type Trail = readonly { line: number; words: string }[];

/** Shows the item or heading on a line (from 0) of the open text alone; null shows all. */
export function useCloseUp(editor: RefObject<OpenEditor | null>, path: string, line: number | null): Trail {
  const [trail, setTrail] = useState<Trail>([]);
  useEffect(() => {
    const view = editor.current?.view;
    if (!view) return;
    const at = line !== null && line < view.state.doc.lines ? line : null;
    const range = at === null ? null : closeUpAt(view.state, at);
    if (range === null && closeUpOf(view.state) === null) return;
    view.dispatch({ effects: closeUpOn.of(range), ...(range && { selection: { anchor: view.state.doc.lineAt(range.from).to } }) });
    setTrail(range && at !== null ? trailOf(noteNow(view.state), at) : []);
  }, [editor, path, line]);
  return trail;
}
