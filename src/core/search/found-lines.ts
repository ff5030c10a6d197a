import { searchWords } from './words';

/** A line that holds words that are looked for. */
export interface FoundLine {
  /** From 0. */
  line: number;
  text: string;
}

/** The lines of a text that hold any of some folded words, in their order. */
export function foundLines(text: string, terms: ReadonlySet<string>): FoundLine[] {
  const found: FoundLine[] = [];
  text.split(/\r\n?|\n/).forEach((words, line) => {
    if (searchWords(words).some((word) => terms.has(word))) found.push({ line, text: words });
  });
  return found;
}

/** The lines that say most of what is looked for: those that hold the most different words first, then by their place. */
export function bestLines(lines: readonly FoundLine[], terms: ReadonlySet<string>, most: number): FoundLine[] {
  const weight = ({ text }: FoundLine): number => new Set(searchWords(text).filter((word) => terms.has(word))).size;
  return lines
    .map((one) => ({ one, weight: weight(one) }))
    .sort((a, b) => b.weight - a.weight || a.one.line - b.one.line)
    .slice(0, most)
    .map(({ one }) => one)
    .sort((a, b) => a.line - b.line);
}

/** Whether words stand in a text one after the other. */
export function holdsPhrase(text: string, phrase: readonly string[]): boolean {
  const words = searchWords(text);
  const [first = ''] = phrase;
  for (let at = words.indexOf(first); at !== -1; at = words.indexOf(first, at + 1))
    if (phrase.every((word, place) => words[at + place] === word)) return true;
  return false;
}
