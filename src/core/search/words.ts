/** Scripts that are written without spaces: each sign is looked for by itself. */
const SPACELESS = /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Thai}]/u;
const WORD = /[\p{L}\p{M}\p{N}_]+/gu;
const PLAIN = /^[\u0020-\u007e\s]*$/;
const MARKS = /\p{M}+/gu;

/** A word as a search compares it: NFKC, without case and accents. */
const folded = (word: string): string => word.normalize('NFKD').replace(MARKS, '').toLowerCase().normalize('NFC');

/**
 * The words of a text in their order, as a search compares them: letters, digits and `_` of any script; all else, also `/ - .` within a
 * name, parts words.
 *
 * @example searchWords('The tide-clock of Évora #loans/out') // ['the', 'tide', 'clock', 'of', 'evora', 'loans', 'out']
 */
export function searchWords(text: string): string[] {
  if (PLAIN.test(text)) return text.toLowerCase().match(/[a-z0-9_]+/g) ?? [];
  const words: string[] = [];
  eachWord(text, (word) => void words.push(word));
  return words;
}

/** Visits each word of a text with where it stands. */
export function eachWord(text: string, visit: (word: string, from: number, to: number) => void): void {
  for (const found of text.matchAll(WORD)) {
    const [written] = found;
    if (!SPACELESS.test(written)) {
      const word = folded(written);
      if (word !== '') visit(word, found.index, found.index + written.length);
      continue;
    }
    let at = found.index;
    let run = '';
    const end = (): void => {
      const word = folded(run);
      if (word !== '') visit(word, at - run.length, at);
      run = '';
    };
    for (const sign of written) {
      if (SPACELESS.test(sign)) {
        end();
        visit(folded(sign), at, at + sign.length);
      } else run += sign;
      at += sign.length;
    }
    end();
  }
}
