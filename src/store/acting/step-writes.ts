import { baseNameOf, foldPath } from '../../core/note/names/path';
import { type Content, type StoredNote, contentOf, sameContent } from '../notes/content';
import type { StepChange } from '../notes/database';
import type { NoteWrite } from '../notes/note-write';
import { isPart, wholeText } from './step-parts';
import { takenOut } from './taken-out';

/**
 * What takes the changes of a step back, given the notes as they are; what others changed meanwhile on other lines stays.
 *
 * @param notes the notes that the changes are about, in their order, where they stand now
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
      path: note?.path ?? change.path,
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
  const text = present && 'text' in present ? present.text : null;
  if (sameContent(present, after)) {
    if (!isPart(before)) return before;
    return text === null ? 'other' : { text: wholeText(before, text) };
  }
  if (text === null || !before || !after || 'bytes' in before || 'bytes' in after) return 'other';
  if (!('text' in after) && !isPart(after)) return 'other';
  const without = takenOut(after, text, before);
  return without === null ? 'other' : without === text ? 'same' : { text: without };
}
