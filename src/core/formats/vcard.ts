import ICAL from 'ical.js';
import { fieldWords } from '../note/facts/front-matter';
import { foldName } from '../note/names/names';
import { PERSON_VALUE } from '../task/line/clause';
import type { ReadNote } from '../task/reading/read-note';
import { NOTHING_TO_SAY, type Writer } from './out/writer';

/** Fields of a person’s page and the properties of vCard 4.0 (RFC 6350) that say the same. */
const PROPERTIES: readonly (readonly [field: string, property: string])[] = [
  ['email', 'email'],
  ['phone', 'tel'],
  ['organisation', 'org'],
  ['role', 'role'],
  ['birthday', 'bday'],
  ['web', 'url'],
];

/**
 * The pages of people as vCards 4.0: FN is the title, NICKNAME the handle and the aliases, CATEGORIES the tags, NOTE the first plain lines.
 * Notes of another kind are left out.
 */
export const vcardWriter = (): Writer => ({
  begin: '',
  part: ({ note }) => (note?.kind === 'person' ? `${cardOf(note).toString()}\r\n` : ''),
  end: () => '',
  report: NOTHING_TO_SAY,
});

function cardOf(note: ReadNote): ICAL.Component {
  const { title, front } = note;
  const card = new ICAL.Component('vcard');
  const handle = front.handle ?? title;
  card.addPropertyWithValue('version', '4.0');
  card.addPropertyWithValue('uid', `${foldName(handle)}@recado`);
  card.addPropertyWithValue('fn', title);
  const names = [handle, ...front.aliases].filter((name, index, all) => all.indexOf(name) === index);
  addList(card, 'nickname', names);
  addList(card, 'categories', front.tags);
  for (const [field, property] of PROPERTIES) {
    const words = fieldWords(front.fields[field]);
    if (words !== null) textProperty(card, property, words);
  }
  const about = wordsAbout(note);
  if (about !== '') card.addPropertyWithValue('note', about);
  return card;
}

function addList(card: ICAL.Component, name: string, values: readonly string[]): void {
  if (values.length === 0) return;
  const property = new ICAL.Property(name, card);
  property.setValues([...values]);
  card.addProperty(property);
}

/** A property whose value is words, whatever its own type would be. */
function textProperty(card: ICAL.Component, name: string, words: string): void {
  const property = new ICAL.Property(name, card);
  if (name !== 'email' && name !== 'role' && name !== 'org') property.resetType('text');
  property.setValue(words);
  card.addProperty(property);
}

/** The plain lines before the first item or heading. */
function wordsAbout({ lines, structure, front }: ReadNote): string {
  const first = Math.min(structure.items[0]?.line ?? Infinity, structure.headings[0]?.line ?? Infinity, lines.starts.length);
  return lines.text.slice(lines.starts[front.lineCount] ?? 0, first === lines.starts.length ? undefined : lines.starts[first]).trim();
}

/** A person as a card tells of them. */
export interface CardPerson {
  title: string;
  handle: string;
  /** The text of a page for them. */
  text: string;
}

/**
 * Reads vCards of any version that the library reads.
 *
 * @returns null when the text holds none
 */
export function readVcards(text: string): { people: CardPerson[]; left: string[] } | null {
  if (!/^BEGIN:VCARD/im.test(text)) return null;
  const people: CardPerson[] = [];
  const left: string[] = [];
  const taken = new Set<string>();
  for (const [index, part] of text
    .split(/(?=^BEGIN:VCARD)/im)
    .filter((one) => /BEGIN:VCARD/i.test(one))
    .entries()) {
    let card: ICAL.Component;
    try {
      card = new ICAL.Component(ICAL.parse(part.trim()) as unknown[]);
    } catch {
      left.push(`Card ${index + 1} cannot be read.`);
      continue;
    }
    const person = personOf(card, taken);
    if (person) people.push(person);
    else left.push(`Card ${index + 1} names nobody.`);
  }
  return { people, left };
}

function personOf(card: ICAL.Component, taken: Set<string>): CardPerson | null {
  const said = (name: string): string => {
    const value = card.getFirstPropertyValue(name);
    return (Array.isArray(value) ? value.flat().join(' ') : value === null ? '' : String(value)).replace(/\s+/g, ' ').trim();
  };
  const nicknames = card.getAllProperties('nickname').flatMap((property) => property.getValues().map(String));
  const title = said('fn') || nicknames[0] || said('n') || said('email');
  if (title === '') return null;
  const handle = freeHandle(nicknames.find((name) => isHandle(name)) ?? handleFrom(title), taken);
  const tags = card.getAllProperties('categories').flatMap((property) => property.getValues().map(String));
  const aliases = nicknames.filter((name) => foldName(name) !== foldName(handle) && name !== title);
  const fields = PROPERTIES.flatMap(([field, property]) => {
    const words = said(property).replace(/^(?:tel|mailto):/i, '');
    return words === '' ? [] : [`${field}: ${quoted(words)}`];
  });
  const lines = [
    '---',
    'kind: person',
    `title: ${quoted(title)}`,
    `handle: ${quoted(handle)}`,
    ...(aliases.length > 0 ? [`aliases: [${aliases.map(quoted).join(', ')}]`] : []),
    ...(tags.length > 0 ? [`tags: [${tags.map((tag) => quoted(tag.trim().replace(/\s+/g, '-'))).join(', ')}]`] : []),
    ...fields,
    '---',
  ];
  const note = card.getFirstPropertyValue('note');
  return { title, handle, text: `${lines.join('\n')}\n${note === null ? '' : `${String(note).trim()}\n`}` };
}

const isHandle = (name: string): boolean => PERSON_VALUE.test(`@${name}`);

const handleFrom = (title: string): string =>
  (title.split(/\s+/)[0] ?? title).toLowerCase().replace(/[^\p{L}\p{M}\p{N}_]+/gu, '') || 'somebody';

function freeHandle(wanted: string, taken: Set<string>): string {
  for (let count = 1; ; count++) {
    const handle = count === 1 ? wanted : `${wanted}-${count}`;
    if (taken.has(foldName(handle))) continue;
    taken.add(foldName(handle));
    return handle;
  }
}

/** Words as YAML reads them as words: quoted where they hold a sign that means something there (YAML 1.2, 5.3 and 6.9). */
const quoted = (words: string): string =>
  /^[\p{L}][\p{L}\p{N} .'-]*$/u.test(words) && !/^(?:true|false|null|yes|no|on|off)$/i.test(words) ? words : JSON.stringify(words);
