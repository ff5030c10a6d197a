import type { EditorState } from '@codemirror/state';
import { shownNote } from '../reading/note-field';
import type { WrittenGather } from './gather-writing';
import { isGather } from '../../../core/note/facts/note-frame';

/** The gathers of the note that is written, those whose words stand there as they are. */
export function gathersOfNote(state: EditorState): WrittenGather[] {
  const fences = shownNote(state).structure.fences.filter((fence) => fence.topLevel && isGather(fence));
  return fences.flatMap((fence) => {
    if (fence.line + 2 > state.doc.lines) return [];
    const { from } = state.doc.line(fence.line + 2);
    const text = fence.body;
    return state.sliceDoc(from, from + text.length) === text ? [{ from, text }] : [];
  });
}
