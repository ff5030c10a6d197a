import { type Draft, draftsText } from '../draft';

/**
 * Indented text as the items of a note: a line is an item, what is indented more stands under it, a box in brackets makes it a task. Blank
 * lines are left out; tabs and spaces both indent.
 *
 * @returns the text of a note, with LF
 * @example textOfIndented('Loans\n  [ ] Weigh the crate') // '- Loans\n  - [ ] Weigh the crate\n'
 */
export function textOfIndented(text: string): string {
  const top: Draft[] = [];
  const open: { indent: number; draft: Draft }[] = [];
  for (const line of text.split(/\r\n|\r|\n/)) {
    if (line.trim() === '') continue;
    const indent = columnsOf(/^[\t ]*/.exec(line)?.[0] ?? '');
    while ((open.at(-1)?.indent ?? -1) >= indent) open.pop();
    const draft: Draft = { line: withoutMarker(line.trim()), description: [], drafts: [] };
    (open.at(-1)?.draft.drafts ?? top).push(draft);
    open.push({ indent, draft });
  }
  return draftsText(top);
}

/** Where a tab leads: to the next place that four divides. */
function columnsOf(white: string): number {
  let column = 0;
  for (const sign of white) column = sign === '\t' ? column + 4 - (column % 4) : column + 1;
  return column;
}

/** A line that bears the marker of a list already is its words. */
const withoutMarker = (words: string): string => words.replace(/^(?:[-*+•]|\d{1,9}[.)])[ \t]+/, '');
