import { differenceOf } from '../../core/task/writing/edit';
import { type Content, type Marked, markOf } from '../notes/content';

/**
 * The lines of a long text that a step changed, with some around them; the same number of letters before and after them is cut from both
 * texts of the step. Its mark is that of the whole text.
 */
export interface Part extends Marked {
  part: string;
  /** How many letters stand before the part, and behind it. */
  head: number;
  foot: number;
}

/** Texts up to so many letters are kept whole. */
const MOST_WHOLE = 4096;
/** How many lines around a change are kept, by which its place is found again when the text is another. */
const AROUND = 20;

export const isPart = (content: object | null): content is Part => content !== null && 'part' in content;

/**
 * What a step keeps of two texts: of long ones the part in which they differ.
 *
 * @param most texts up to so many letters are kept whole
 */
export function kept(
  before: Content | null,
  after: Content | Marked | null,
  most = MOST_WHOLE,
): { before: Content | Part | null; after: typeof after | Part } {
  if (!before || !after || !('text' in before) || !('text' in after)) return { before, after };
  const [old, next] = [before.text, after.text];
  if (Math.max(old.length, next.length) <= most) return { before, after };
  const { from, to } = differenceOf(old, next) ?? { from: old.length, to: old.length };
  const head = linesBack(old, from);
  const foot = old.length - linesOn(old, to);
  const partOf = (text: string, content: Content): Part => ({
    mark: markOf(content),
    part: text.slice(head, text.length - foot),
    head,
    foot,
  });
  return { before: partOf(old, before), after: partOf(next, after) };
}

/** Where the line begins that stands so many lines above a place. */
function linesBack(text: string, from: number): number {
  let at = from;
  for (let lines = 0; lines <= AROUND && at > 0; lines++) at = text.lastIndexOf('\n', at - 1);
  return at <= 0 ? 0 : at + 1;
}

/** Where the line ends that stands so many lines below a place. */
function linesOn(text: string, from: number): number {
  let at = from - 1;
  for (let lines = 0; lines <= AROUND && at < text.length; lines++) {
    const end = text.indexOf('\n', at + 1);
    at = end === -1 ? text.length : end;
  }
  return Math.max(from, at);
}

/**
 * A whole text from its part.
 *
 * @param other the other text of the step, whole: all but the part is the same
 */
export function wholeText(content: { text: string } | Part, other: string): string {
  if ('text' in content) return content.text;
  return other.slice(0, content.head) + content.part + other.slice(other.length - content.foot);
}
