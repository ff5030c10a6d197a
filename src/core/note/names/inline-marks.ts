/** Words that are set apart by signs around them, as Markdown has it (CommonMark 0.31, 6.1 and 6.2; GFM 6.5): code, strong, emphasised, struck. */
export interface InlineMark {
  is: 'code' | 'bold' | 'slanted' | 'struck';
  /** Where its first sign begins, and behind its last. */
  from: number;
  to: number;
  /** How many signs stand on each side. */
  width: number;
}

/** In a line that nobody reads as words nothing is set apart. */
const LONGEST = 20_000;

/** Code goes first: what stands in it is what it is. */
const MARKED: readonly [InlineMark['is'], RegExp][] = [
  ['code', /(?<![`\\])(`)(?!`)[^`\n]+`(?!`)/g],
  ['bold', /(\*\*)(?=\S)[^*\n]+?(?<=\S)\*\*/g],
  ['slanted', /(?<![*\\])(\*)(?=[^\s*])[^*\n]+?(?<=[^\s*])\*(?!\*)/g],
  ['struck', /(~~)(?=\S)[^~\n]+?(?<=\S)~~/g],
];

/**
 * The words of a line that are set apart; those of one kind in their order.
 *
 * @example marksIn('pack it **today**') // [{ is: 'bold', from: 8, to: 17, width: 2 }]
 */
export function marksIn(text: string): InlineMark[] {
  if (text.length > LONGEST || !/[*`~]/.test(text)) return [];
  const marks: InlineMark[] = [];
  for (const [is, pattern] of MARKED)
    for (const { index: from, 0: all, 1: sign = '' } of text.matchAll(pattern)) {
      const to = from + all.length;
      if (!marks.some((one) => one.is === 'code' && from < one.to && one.from < to)) marks.push({ is, from, to, width: sign.length });
    }
  return marks;
}

/**
 * A text without the signs that set words apart.
 *
 * @example withoutMarks('pack it **today**') // 'pack it today'
 */
export function withoutMarks(text: string): string {
  const signs = marksIn(text).flatMap(({ from, to, width }) => [
    [from, from + width],
    [to - width, to],
  ]);
  let words = '';
  let at = 0;
  for (const [from = 0, to = 0] of signs.sort(([one = 0], [other = 0]) => one - other)) {
    words += text.slice(at, from);
    at = Math.max(at, to);
  }
  return words + text.slice(at);
}
