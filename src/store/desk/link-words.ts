import { wordlist } from '@scure/bip39/wordlists/english.js';

/** So many words make an invitation: the first two find it, the others open it, with 66 bits. */
const COUNT = 8;
const FINDING = 2;
/** So many letters tell one word of the list from all others (BIP-39). */
const TELLING = 4;

/** The words of an invitation, as they are shown and typed. */
export interface LinkWords {
  /** All of them, with blanks. */
  words: string;
  /** Where the invitation lies. */
  place: string;
  /** What opens it. */
  opens: string;
}

/** New words, at random; each is one of 2,048. */
export function newLinkWords(): LinkWords {
  const numbers = crypto.getRandomValues(new Uint16Array(COUNT));
  return split([...numbers].map((number) => wordlist[number % wordlist.length] ?? ''));
}

/**
 * Reads the words as somebody typed them: four letters of each are enough, whatever stands between them.
 *
 * @returns which word is none, or how many there must be
 * @example readLinkWords('Aban ABILITY able about above absent absorb abstract')
 */
export function readLinkWords(typed: string): LinkWords | { wrong: string } {
  const given = typed.toLowerCase().match(/[a-z]+/g) ?? [];
  const read: string[] = [];
  for (const one of given) {
    const word =
      wordlist.find((each) => each === one) ?? (one.length >= TELLING ? wordlist.find((each) => each.startsWith(one)) : undefined);
    if (word === undefined) return { wrong: `“${one}” is none of the words.` };
    read.push(word);
  }
  if (read.length !== COUNT) return { wrong: `There are ${COUNT} words; these are ${read.length}.` };
  return split(read);
}

const split = (words: readonly string[]): LinkWords => ({
  words: words.join(' '),
  place: words.slice(0, FINDING).join('-'),
  opens: words.slice(FINDING).join(' '),
});
