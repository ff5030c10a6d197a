import { XMLParser } from 'fast-xml-parser';
import { type Status, STATUSES, signOf } from '../../task/line/status';
import { clauseNameOf, hasClauseForm } from '../../task/line/clause';
import { type Draft, draftLine, draftsText } from '../draft';

interface Element {
  outline?: Element[];
  [attribute: `@${string}`]: string | undefined;
}

/** What came out of a file that is read: the title it gives itself, and the text of a note. */
export interface ReadText {
  title: string | null;
  text: string;
}

const parser = new XMLParser({
  ignoreAttributes: false,
  attributeNamePrefix: '@',
  parseAttributeValue: false,
  parseTagValue: false,
  trimValues: false,
  isArray: (name) => name === 'outline',
  // Entities that a file declares are not unfolded: they may be made to fill the memory.
  processEntities: false,
});

/**
 * Reads an outline of OPML as a note: what bears our `_status` becomes a task, `_heading` at the top a heading, everything else an item.
 *
 * @returns null when it is no OPML
 */
export function readOpml(xml: string): ReadText | null {
  if (!/<opml[\s>]/i.test(xml)) return null;
  let read: { opml?: { head?: { title?: unknown }; body?: Element } };
  try {
    read = parser.parse(xml) as typeof read;
  } catch {
    return null;
  }
  const { opml } = read;
  if (!opml?.body) return null;
  const title = typeof opml.head?.title === 'string' ? unescaped(opml.head.title).trim() : '';
  return { title: title === '' ? null : title, text: textOf(opml.body.outline ?? []) };
}

/** The lines of a note: a list, cut by the headings and plain lines at the top. */
function textOf(elements: readonly Element[]): string {
  const parts: string[] = [];
  let list: Draft[] = [];
  const close = (): void => {
    if (list.length > 0) parts.push(draftsText(list));
    list = [];
  };
  const walk = (inner: readonly Element[]): void => {
    for (const one of inner) {
      const level = Number(one['@_heading'] ?? 0);
      if (level >= 1 && level <= 6) {
        close();
        parts.push(`${'#'.repeat(level)} ${wordsOf(one)}\n`);
        walk(one.outline ?? []);
        close();
      } else if (one['@_words'] !== undefined && !one.outline) {
        close();
        parts.push(`${wordsOf(one)}\n`);
      } else list.push(draftOf(one));
    }
  };
  walk(elements);
  close();
  return parts.join('\n');
}

function draftOf(element: Element): Draft {
  const said = element['@_status']?.toLowerCase();
  const status: Status | null = STATUSES.find((one) => one === said) ?? (hasDates(element) ? 'todo' : null);
  return {
    line: draftLine({ sign: status === null ? null : signOf(status), words: wordsOf(element), clauses: clausesOf(element) }),
    description: element['@_note'] === undefined ? [] : unescaped(element['@_note']).split(/\r\n|\r|\n/),
    drafts: (element.outline ?? []).map(draftOf),
  };
}

const wordsOf = (element: Element): string => unescaped(element['@text'] ?? element['@title'] ?? '');

const hasDates = (element: Element): boolean => element['@_due'] !== undefined || element['@_plan'] !== undefined;

/** Its attributes that are clauses of a tail, in the order in which they stand. */
function clausesOf(element: Element): { word: string; value: string }[] {
  return Object.entries(element).flatMap(([attribute, value]) => {
    const word = attribute.startsWith('@_') ? attribute.slice(2) : '';
    const name = clauseNameOf(word);
    if (typeof value !== 'string' || name === null) return [];
    return [{ word, value: hasClauseForm(name, '') ? '' : unescaped(value) }];
  });
}

const NAMED: Record<string, string> = { amp: '&', lt: '<', gt: '>', quot: '"', apos: "'" };

/** The five entities of XML and numbers for signs (XML 1.0, 4.1 and 4.6); others stay as they are written. */
const unescaped = (words: string): string =>
  words.replace(/&(?:#x([0-9a-f]{1,6})|#(\d{1,7})|([a-z]+));/gi, (whole, hex?: string, number?: string, name?: string) => {
    if (name !== undefined) return NAMED[name] ?? whole;
    const code = hex === undefined ? Number(number) : parseInt(hex, 16);
    return code > 0 && code <= 0x10ffff ? String.fromCodePoint(code) : whole;
  });
