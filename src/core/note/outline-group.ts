import { type OutlineCommand, type OutlineEdit, editedText, outlineEdit, readOutline } from './outline-edits';

/** Commands that are done to several items together. */
export type GroupCommand = Exclude<OutlineCommand, 'duplicate'>;

/** From which end several items are gone through, so that none stands in another's way. */
const FROM_TOP: Record<GroupCommand, boolean> = { in: true, up: true, out: false, down: false, delete: false };

/**
 * What a command does to all items that begin on some lines, each with everything under it: all of them, or null. Items inside
 * others go along with them.
 *
 * @param lines the lines from 0, in order
 * @param line the line that the edit's new place is told of; it is one of them or beside them
 * @example groupEdit('- a\n- b\n- c', [1, 2], 'in', 1) // - a, with b and c under it
 */
export function groupEdit(text: string, lines: readonly number[], command: GroupCommand, line: number): OutlineEdit | null {
  const items = outermost(text, lines);
  if (items.length === 0) return null;
  let now = text;
  // For each line of the text as it stands by now, the line it was at first.
  let origin = text.split('\n').map((_, at) => at);
  for (const item of FROM_TOP[command] ? items : items.toReversed()) {
    const edit = outlineEdit(now, origin.indexOf(item), command);
    if (!edit) return null;
    const before = origin;
    now = editedText(now, edit);
    origin = [...before.slice(0, edit.first), ...edit.sources.map((source) => before[source] as number), ...before.slice(edit.last + 1)];
  }
  return asOne(text.split('\n'), now.split('\n'), origin, line);
}

function outermost(text: string, lines: readonly number[]): number[] {
  const { items } = readOutline(text).structure;
  let end = -1;
  return items.flatMap((item) => {
    if (item.line <= end || !lines.includes(item.line)) return [];
    end = item.lastLine;
    return [item.line];
  });
}

/** Several edits as the one that replaces all the lines they changed. */
function asOne(before: readonly string[], after: readonly string[], origin: readonly number[], line: number): OutlineEdit | null {
  const same = (at: number, old: number): boolean => origin[at] === old && after[at] === before[old];
  let first = 0;
  while (first < after.length && first < before.length && same(first, first)) first++;
  let end = 0;
  const most = Math.min(after.length, before.length) - first;
  while (end < most && same(after.length - 1 - end, before.length - 1 - end)) end++;
  if (first + end >= before.length && first + end >= after.length) return null;
  const place = origin.indexOf(line);
  return {
    first,
    last: before.length - 1 - end,
    lines: after.slice(first, after.length - end),
    sources: origin.slice(first, after.length - end),
    // A line that went leaves its place to the next one.
    line: place === -1 ? Math.min(first, after.length - 1) : place,
  };
}
