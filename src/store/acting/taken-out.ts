import { mergeTexts } from '../texts/merge';
import { type Part, isPart } from './step-parts';

/** By so many lines around a change its place is looked for. */
const ANCHOR = 3;

/**
 * Takes the change of a step out of a text that others changed meanwhile; null where they changed the same lines.
 *
 * @param after what the step made of the text, `before` what it was: both whole, or both in part
 */
export function takenOut(after: { text: string } | Part, present: string, before: { text: string } | Part): string | null {
  if ('text' in after && 'text' in before) return mergeTexts(after.text, present, before.text);
  if (!isPart(after) || !isPart(before)) return null;
  const lines = after.part.split('\n');
  const from = after.head === 0 ? 0 : nearest(present, `${lines.slice(0, ANCHOR).join('\n')}\n`, after.head, 0);
  const end = after.foot === 0 ? present.length : nearest(present, `\n${lines.slice(-ANCHOR).join('\n')}`, present.length - after.foot, 1);
  // Where the lines around were changed too, the comparison has to find the place in all of the text.
  const [head, foot] = from <= end ? [present.slice(0, from), present.slice(end)] : ['', ''];
  return mergeTexts(head + after.part + foot, present, head + before.part + foot);
}

/** Where whole lines stand nearest to a place: where they begin, or with `side` 1 where they end; the edge of the text when nowhere. */
function nearest(text: string, lines: string, place: number, side: 0 | 1): number {
  const edge = side === 0 ? 0 : text.length;
  let best = -1;
  for (let at = text.indexOf(lines); at !== -1; at = text.indexOf(lines, at + 1)) {
    const [starts, ends] = [
      side === 1 || at === 0 || text[at - 1] === '\n',
      side === 0 || at + lines.length === text.length || text[at + lines.length] === '\n',
    ];
    if (!starts || !ends) continue;
    const found = side === 0 ? at : at + lines.length;
    if (best === -1 || Math.abs(found - place) < Math.abs(best - place)) best = found;
  }
  return best === -1 ? edge : best;
}
