import { XMLParser } from 'fast-xml-parser';

/** An element of a request, with its name without the prefix of its namespace. */
export interface Element {
  name: string;
  text: string;
  children: Element[];
  attributes: Record<string, string>;
}

type Node = Record<string, unknown> & { ':@'?: Record<string, string> };

const PARSER = new XMLParser({
  preserveOrder: true,
  removeNSPrefix: true,
  ignoreAttributes: false,
  attributeNamePrefix: '',
  parseTagValue: false,
  // No entity of a request is unfolded.
  processEntities: false,
});

/**
 * Reads what a program asks.
 *
 * @returns null where it is no XML with one root
 */
export function readXml(words: string): Element | null {
  try {
    return elementsOf(PARSER.parse(words) as Node[])[0] ?? null;
  } catch {
    return null;
  }
}

function elementsOf(nodes: readonly Node[]): Element[] {
  return nodes.flatMap((node) => {
    const name = Object.keys(node).find((key) => key !== ':@' && key !== '#text' && !key.startsWith('?'));
    if (name === undefined) return [];
    const inner = node[name] as Node[];
    const text = inner.flatMap((one) => ('#text' in one ? [String(one['#text'])] : [])).join('');
    return [{ name, text, children: elementsOf(inner), attributes: node[':@'] ?? {} }];
  });
}

/** The elements of a name among the children, at any depth. */
export const within = (element: Element, name: string): Element[] =>
  element.children.flatMap((child) => [...(child.name === name ? [child] : []), ...within(child, name)]);

const ESCAPES: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' };

/** Words as text of XML or HTML. */
export const escaped = (words: string): string => words.replace(/[&<>"']/g, (sign) => ESCAPES[sign] ?? sign);

/** A property with its value, already written; null where what was asked is not there. */
export type Property = readonly [name: string, value: string | null];

/** What is told of one address: its properties, or that it is gone. */
export interface Told {
  href: string;
  properties?: readonly Property[];
  gone?: boolean;
}

/** A multistatus (RFC 4918, 13), with the token of a collection where it has one (RFC 6578, 6.4). */
export function multistatus(told: readonly Told[], token?: string): string {
  const responses = told.map(({ href, properties = [], gone = false }) => {
    if (gone) return `<d:response><d:href>${escaped(href)}</d:href><d:status>HTTP/1.1 404 Not Found</d:status></d:response>`;
    const [there, missing] = [properties.filter(([, value]) => value !== null), properties.filter(([, value]) => value === null)];
    return `<d:response><d:href>${escaped(href)}</d:href>${propstat(there, '200 OK')}${propstat(missing, '404 Not Found')}</d:response>`;
  });
  const synced = token === undefined ? '' : `<d:sync-token>${escaped(token)}</d:sync-token>`;
  return `<?xml version="1.0" encoding="utf-8"?>\n<d:multistatus xmlns:d="DAV:" xmlns:c="urn:ietf:params:xml:ns:caldav" xmlns:s="http://calendarserver.org/ns/">${responses.join('')}${synced}</d:multistatus>`;
}

function propstat(properties: readonly Property[], status: string): string {
  if (properties.length === 0) return '';
  const told = properties.map(([name, value]) => (value === null || value === '' ? `<${name}/>` : `<${name}>${value}</${name}>`)).join('');
  return `<d:propstat><d:prop>${told}</d:prop><d:status>HTTP/1.1 ${status}</d:status></d:propstat>`;
}

/** Why something is not done, as a condition that programs know (RFC 4918, 16). */
export const condition = (name: string): string =>
  `<?xml version="1.0" encoding="utf-8"?>\n<d:error xmlns:d="DAV:" xmlns:c="urn:ietf:params:xml:ns:caldav"><${name}/></d:error>`;
