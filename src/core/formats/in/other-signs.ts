import { lineText } from '../../note/blocks/lines';
import type { AddedStatuses, Status } from '../../task/line/status';
import { signOf, statusOf } from '../../task/line/status';
import type { ReadNote } from '../../task/reading/read-note';

/** A sign in the box of items that Recado reads otherwise, or not at all. */
export interface OtherSign {
  sign: string;
  count: number;
  /** The first line that bears it, without its marker. */
  sample: string;
}

/** A box and the white space, or the end, behind it. */
const BOX = /^\[(.)\](?=\s|$)/u;
/** Some texts write an empty box so; here it is one that is under way. */
const EMPTY_ELSEWHERE = '_';

/**
 * The signs in the boxes of a note that are none of the five statuses, and `[_]`, which others write for an empty box.
 *
 * @param statuses what notes add: their signs are understood
 */
export function otherSigns(note: ReadNote, statuses?: AddedStatuses): OtherSign[] {
  const found = new Map<string, OtherSign>();
  for (const { sign, words } of boxesOf(note)) {
    if (sign !== EMPTY_ELSEWHERE && statusOf(sign, statuses)?.known) continue;
    const known = found.get(sign);
    if (known) known.count++;
    else found.set(sign, { sign, count: 1, sample: words });
  }
  return [...found.values()];
}

/** The text of a note with other statuses in the place of some signs. */
export function withSigns(note: ReadNote, meant: Readonly<Record<string, Status>>): string {
  let text = '';
  let at = 0;
  for (const { sign, from } of boxesOf(note)) {
    const status = Object.hasOwn(meant, sign) ? meant[sign] : undefined;
    if (status === undefined) continue;
    text += note.lines.text.slice(at, from) + signOf(status);
    at = from + sign.length;
  }
  return text + note.lines.text.slice(at);
}

/** Every item that begins with a box, whatever stands in it; `from` is where its sign stands in the text. */
function* boxesOf({ lines, structure }: ReadNote): Generator<{ sign: string; words: string; from: number }> {
  for (const { line, wordsFrom } of structure.items) {
    if (wordsFrom < 0) continue;
    const whole = lineText(lines, line);
    const words = whole.slice(wordsFrom);
    const sign = BOX.exec(words)?.[1];
    // Counted from the end of the line: a byte order mark at its beginning is none of its words.
    if (sign !== undefined) yield { sign, words, from: (lines.ends[line] ?? 0) - whole.length + wordsFrom + 1 };
  }
}
