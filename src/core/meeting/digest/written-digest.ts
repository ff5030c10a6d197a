import { DIGEST_HEADING, digestOf, withDigest } from './digest';
import { leftOpenBefore } from './left-open';
import { mergedDigest } from './merged-digest';
import { type ReadNote, readNote } from '../../task/reading/read-note';

interface DigestGiven {
  path: string;
  text: string;
  /** The notes of its series, the meeting itself may be among them. */
  series: readonly ReadNote[];
  heading?: string;
  /** The digest that was written last; null where that is not known. */
  last: string | null;
}

/**
 * The text of a meeting with its digest as it is now, and that digest. What a person changed in the one that stands there stays; where both
 * changed the same lines, theirs.
 */
export function writtenDigest({ path, text, series, heading = DIGEST_HEADING, last }: DigestGiven): { text: string; digest: string } {
  const note = readNote(path, text);
  const digest = digestOf(note, leftOpenBefore(note, series), heading).trim();
  const merge = (present: string): string => {
    if (present === '') return digest;
    // Where nobody knows what was written last, what both hold is what nobody changed.
    const lines = new Set(digest.split('\n'));
    const held = present.split('\n').filter((line) => lines.has(line));
    return mergedDigest(last ?? held.join('\n'), digest, present);
  };
  return { text: withDigest(note, merge, heading), digest };
}
