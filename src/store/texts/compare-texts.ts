import { diffComm } from 'node-diff3';

/** Some lines that two texts share, or a place where they differ. */
export type Part = { is: 'same'; lines: string[] } | { is: 'place'; these: string[]; others: string[] };

/** What stays of a place where two texts differ: the lines of this one, of the other, or these and then those. */
export type Choice = 'this' | 'other' | 'both';

/** The lines of two texts side by side, in order. What they share at their ends costs nothing to find. */
export function compareTexts(text: string, other: string): Part[] {
  const a = text.split('\n');
  const b = other.split('\n');
  const least = Math.min(a.length, b.length);
  let start = 0;
  while (start < least && a[start] === b[start]) start++;
  let end = 0;
  while (end < least - start && a[a.length - 1 - end] === b[b.length - 1 - end]) end++;
  const parts: Part[] = [];
  if (start > 0) parts.push({ is: 'same', lines: a.slice(0, start) });
  for (const found of diffComm(a.slice(start, a.length - end), b.slice(start, b.length - end))) {
    if ('common' in found) parts.push({ is: 'same', lines: found.common });
    else parts.push({ is: 'place', these: found.buffer1, others: found.buffer2 });
  }
  if (end > 0) parts.push({ is: 'same', lines: a.slice(a.length - end) });
  return parts;
}

/** The text that comes of a choice for each place, in order; where none is given the lines of this text stay. */
export function chosenText(parts: readonly Part[], choices: readonly Choice[]): string {
  let place = 0;
  return parts
    .flatMap((part) => {
      if (part.is === 'same') return part.lines;
      const choice = choices[place++] ?? 'this';
      return [...(choice === 'other' ? [] : part.these), ...(choice === 'this' ? [] : part.others)];
    })
    .join('\n');
}
