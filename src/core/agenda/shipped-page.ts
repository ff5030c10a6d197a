import { type SHIPPED_NAMES, shippedPath } from './shipped-names';

/** An agenda page that ships with Recado: a note like any other, which a person can read, change and restore. */
export interface ShippedPage {
  path: string;
  text: string;
}

/** A list of a page: its title, and the other clauses line by line. */
export interface ShippedList {
  title: string;
  lines: string[];
}

/** Lists as the blocks of a page. */
export function gatherBlocks(lists: readonly ShippedList[]): string {
  return lists.map(({ title, lines }) => ['```gather', `title ${title}`, ...lines, '```'].join('\n')).join('\n\n');
}

/** The text of a page: what it is about, and its lists. */
export function shippedPage(name: (typeof SHIPPED_NAMES)[number], about: string, lists: readonly ShippedList[]): ShippedPage {
  return { path: shippedPath(name), text: `---\nkind: agenda\n---\n${about}\n\n${gatherBlocks(lists)}\n` };
}
