const ADDRESS = /https?:\/\/[^\s<>()[\]{}"']*[^\s<>()[\]{}"'.,;:!?]/g;
/** Words that stand for an address, as Markdown has it (CommonMark 0.31, 6.3). No two parts of it fit the same letters: it never goes back over an address. */
const NAMED_ADDRESS = /(?<!!)\[([^\][\n]*)\]\([ \t]*(https?:[^\s()]+)(?:[ \t][^()\n]*)?\)/g;
/** Words that stand for a task, by its ref. */
const TASK = /(?<!!)\[([^\][\n]*)\]\(recado:([a-z0-9]{6})\)/g;

/** An address of the web in a line, and where it stands. */
export interface Address {
  url: string;
  from: number;
  to: number;
}

/** The addresses that a line shows. */
export function addressesIn(text: string): Address[] {
  if (!text.includes('http')) return [];
  return [...text.matchAll(ADDRESS)].map((found) => ({ url: found[0], from: found.index, to: found.index + found[0].length }));
}

/** The words of a line that stand for an address of the web, and where they stand with it. */
export function namedAddressesIn(text: string): (Address & { words: string })[] {
  if (!text.includes('](')) return [];
  return [...text.matchAll(NAMED_ADDRESS)].map(({ index: from, 0: all, 1: words = '', 2: url = '' }) => ({
    ...{ url, words, from },
    to: from + all.length,
  }));
}

/** The words of a line that stand for a task, and where they stand with its ref. */
export function taskLinksIn(text: string): { ref: string; words: string; from: number; to: number }[] {
  if (!text.includes('](recado:')) return [];
  return [...text.matchAll(TASK)].map(({ index: from, 0: all, 1: words = '', 2: ref = '' }) => ({
    ...{ ref, words, from },
    to: from + all.length,
  }));
}
