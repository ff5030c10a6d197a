/** A word of what a person typed, with where it stands. */
export interface SpokenWord {
  /** In lower case, without the punctuation around it. */
  word: string;
  from: number;
  to: number;
  /** Whether a comma, stop or colon follows it directly. */
  ends: boolean;
}

/** Splits what a person typed at white space. Punctuation at a word's end stays outside the word. */
export function spokenWords(text: string): SpokenWord[] {
  const words: SpokenWord[] = [];
  for (const match of text.matchAll(/\S+/g)) {
    const bare = match[0].replace(/[,;:!?]+$|(?<!\d)\.+$/, '');
    const word = bare === '' ? match[0] : bare;
    words.push({ word: word.toLowerCase(), from: match.index, to: match.index + word.length, ends: word.length < match[0].length });
  }
  return words;
}
