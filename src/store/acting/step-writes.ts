import { baseNameOf, foldPath } from '../../core/note/names/path';
import { type Content, type StepChange, type StoredNote, contentOf, sameContent } from '../notes/database';
import { mergeTexts } from '../texts/merge';
import type { NoteWrite } from '../notes/note-write';

/**
 * What takes the changes of a step back, given the notes as they are; what others changed meanwhile on other lines stays.
 *
 * @param notes the notes at the paths of the changes, in their order
 * @returns nothing where all stands as before the step already
 */
export function inverseWrites(
  label: string,
  changes: readonly StepChange[],
  notes: readonly (StoredNote | undefined)[],
): NoteWrite[] | { refused: string } {
  const writes: NoteWrite[] = [];
  const gone = new Map(changes.flatMap(({ path, movedFrom }) => (movedFrom === undefined ? [] : [[foldPath(movedFrom), path] as const])));
  for (const [index, change] of changes.entries()) {
    const note = notes[index];
    const present = note ? contentOf(note) : null;
    const target = targetOf(present, change);
    if (target === 'other')
      return { refused: `“${label}” cannot be undone: “${baseNameOf(change.path)}” was changed at the same place since.` };
    if (target === 'same') continue;
    const from = target === null ? undefined : gone.get(foldPath(change.path));
    writes.push({
      path: change.path,
      expect: present,
      content: target,
      demo: change.demo,
      ...(change.id !== undefined && { id: change.id }),
      ...(from !== undefined && { movedFrom: from }),
    });
  }
  return writes;
}

function targetOf(present: Content | null, { before, after }: StepChange): Content | null | 'same' | 'other' {
  if (sameContent(present, before)) return 'same';
  if (sameContent(present, after)) return before;
  if (!present || !before || !after) return 'other';
  if (!('text' in present) || !('text' in before) || !('text' in after)) return 'other';
  const text = mergeTexts(after.text, present.text, before.text);
  return text === null ? 'other' : text === present.text ? 'same' : { text };
}
