import type { Condition, GatherContext } from '../language/ast';
import { THIS_PERSON } from '../language/ast';
import { foldName } from '../../note/names/names';

/**
 * What a condition that speaks of where it stands, or of the settings, comes to there, in words that mean the same anywhere; null where it comes to nothing,
 * as `this tag` does on the page of a person.
 *
 * @example meantHere({ is: 'this', what: 'tag' }, { …, thisNote: { …, tag: 'loans' } }) // { is: 'tag', name: 'loans', own: false }
 */
export function meantHere(
  condition: Extract<Condition, { is: 'this' | 'to this note' | 'to raise' }>,
  context: GatherContext,
): Condition | null {
  const { thisNote, raiseTag = 'raise' } = context;
  if (condition.is === 'to raise') return { is: 'tag', name: foldName(raiseTag), own: false };
  if (condition.is === 'to this note') {
    if (thisNote?.path == null) return null;
    const link: Condition = { is: 'link', target: thisNote.path, own: false };
    return { is: 'and', parts: [link, { is: 'not', part: { is: 'this', what: 'note' } }] };
  }
  return condition.what === 'tag' && thisNote?.tag != null ? { is: 'tag', name: thisNote.tag, own: false } : null;
}

/** Whom a comparison names: `this person` is the one whose page holds the gather; null where it holds none. */
export function personMeant(person: string, { thisNote }: GatherContext): string | null {
  return person === THIS_PERSON ? (thisNote?.handle ?? null) : person;
}
