import type { Root, RootContent } from 'mdast';
import { toString } from 'mdast-util-to-string';
import remarkGfm from 'remark-gfm';
import remarkParse from 'remark-parse';
import { unified } from 'unified';

/** What stands under one heading of a page of the help. */
export interface HelpSection {
  /** The page, and the place in it, as an address names it. */
  page: string;
  anchor: string;
  title: string;
  /** 1 for the title of the page. */
  level: number;
  body: RootContent[];
  /** All words of it, to be searched. */
  words: string;
}

/** How a heading is named in an address. */
export const anchorOf = (title: string): string =>
  title
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '');

/** Cuts a page of the help into what stands under its headings. */
export function sectionsOf(page: string, markdown: string): HelpSection[] {
  const sections: HelpSection[] = [];
  const root: Root = unified().use(remarkParse).use(remarkGfm).parse(markdown);
  for (const node of root.children) {
    const last = sections.at(-1);
    if (node.type === 'heading') {
      const title = toString(node);
      sections.push({ page, anchor: anchorOf(title), title, level: node.depth, body: [], words: title });
    } else if (last) {
      last.body.push(node);
      last.words += ` ${toString(node)}`;
    }
  }
  return sections;
}

/** The sections that hold all of some words, those first that have them in their title. */
export function sectionsWith(sections: readonly HelpSection[], typed: string): HelpSection[] {
  const wanted = typed
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== '');
  const holds = (words: string): boolean => wanted.every((word) => words.toLowerCase().includes(word));
  const found = sections.filter(({ words }) => holds(words));
  return [...found.filter(({ title }) => holds(title)), ...found.filter(({ title }) => !holds(title))];
}

/** The words around the first of some that are looked for. */
export function wordsAround({ words }: HelpSection, typed: string): string {
  const first = typed.trim().toLowerCase().split(/\s+/)[0] ?? '';
  const at = Math.max(0, words.toLowerCase().indexOf(first));
  const from = at < 60 ? 0 : words.lastIndexOf(' ', at - 40) + 1;
  return `${from > 0 ? '… ' : ''}${words.slice(from, from + 160).trim()}${words.length > from + 160 ? ' …' : ''}`;
}
