/** What a pasted line begins with where it was an item elsewhere: its marker, and its box. */
const ITEM = /^[ \t]*(?:[-*+•‣◦]|\d{1,9}[.)])[ \t]+(\[[^\]\n]\][ \t]+)?/;

/** Bullets that are none in Markdown, at the start of a line. */
const OTHER_BULLET = /^([ \t]*)[•‣◦][ \t]+/gm;

/**
 * Pasted text as a note takes it. Bullets of other programs become items. Into an empty task goes the first line without a marker of its
 * own, and each further one becomes a task beside it.
 *
 * @param before what stands on the line before the cursor
 * @param isEmptyTask whether that line is a task without words
 * @example pastedInto('- [ ] ', '- [ ] one\n• two', true) // 'one\n- [ ] two'
 */
export function pastedInto(before: string, pasted: string, isEmptyTask: boolean): string {
  const text = pasted.replace(/\r\n?/g, '\n');
  if (!isEmptyTask) return text.replace(OTHER_BULLET, '$1- ');
  const lines = text.split('\n').filter((line) => line.trim() !== '');
  const marker = before.replace(/\[[^\]]*\][ \t]*$/, '');
  return lines
    .map((line, index) => {
      const [mark = '', box = '[ ] '] = ITEM.exec(line) ?? [];
      const words = line.slice(mark.length).trim();
      return index === 0 ? words : `${marker}${box.trim()} ${words}`;
    })
    .join('\n');
}
