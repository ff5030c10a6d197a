import { type Day, readIsoDay } from '../../calendar/day';
import { type Lines, hasMark, lineText } from '../blocks/lines';
import { remembered } from './remembered';
import type { YamlFields, YamlResult } from './yaml-result';

export const NOTE_KINDS = [
  'note',
  'journal',
  'meeting',
  'person',
  'project',
  'goal',
  'review',
  'tag',
  'agenda',
  'template',
  'slip',
  'status',
  'archive',
  'seal',
] as const;
export type NoteKind = (typeof NOTE_KINDS)[number];

/** What the front matter of a note says; absent fields are null or empty. */
export interface FrontMatter {
  /** The number of lines it takes, with both fences; 0 when the note has none. */
  lineCount: number;
  title: string | null;
  kind: NoteKind | null;
  date: Day | null;
  tags: string[];
  people: string[];
  /** Titles of notes, without brackets. */
  about: string[];
  aliases: string[];
  handle: string | null;
  /** Every field as it was read, for the kinds that have more. */
  fields: YamlFields;
  /** Why it could not be read, and the line (from 0) where; null when it could. */
  problem: { message: string; line: number } | null;
}

const NO_FRONT_MATTER: FrontMatter = {
  lineCount: 0,
  title: null,
  kind: null,
  date: null,
  tags: [],
  people: [],
  about: [],
  aliases: [],
  handle: null,
  fields: {},
  problem: null,
};

/** Longer front matter is text; reading YAML costs far more than reading Markdown. */
const MOST_LINES = 500;

/**
 * Reads the front matter of a note: YAML between `---` on line 1 and `---` or `...`, when the next line that
 * is not blank looks like `name:`.
 */
export function readFrontMatter(lines: Lines): FrontMatter {
  const lineCount = frontMatterLineCount(lines);
  if (lineCount === 0) return NO_FRONT_MATTER;
  const body: string[] = [];
  for (let line = 1; line < lineCount - 1; line++) body.push(lineText(lines, line));
  const values = readSimpleYaml(body) ?? readWholeYaml(body);
  if ('problem' in values) return { ...NO_FRONT_MATTER, lineCount, problem: values.problem };
  return frontMatterFrom(values.fields, lineCount);
}

function frontMatterLineCount(lines: Lines): number {
  if (!lines.text.startsWith('---', hasMark(lines, 0) ? 1 : 0) || lineText(lines, 0).trimEnd() !== '---') return 0;
  const most = Math.min(lines.starts.length, MOST_LINES);
  let named = false;
  for (let line = 1; line < most; line++) {
    const words = lineText(lines, line);
    const trimmed = words.trimEnd();
    if (trimmed === '---' || trimmed === '...') return named ? line + 1 : 0;
    if (!named && trimmed !== '') {
      if (!/^[\p{L}_][\p{L}\p{N}_ -]*:(?:\s|$)/u.test(words)) return 0;
      named = true;
    }
  }
  return 0;
}

const SIMPLE_WORD = /^\p{L}[\p{L}\p{N} _./+-]*$/u;
/** Outside brackets a comma is part of the words, as are marks that mean nothing after a letter. */
const SIMPLE_WORDS = /^\p{L}[\p{L}\p{N} _./,()'’!?+-]*$/u;
const ISO_DAY = /^\d{4}-\d{2}-\d{2}$/;
const DURATION = /^(?:\d+[dhm])+$/;
/** A time, with its day or without, as meetings and reviews say it. */
const MOMENT = /^(?:\d{4}-\d{2}-\d{2} )?\d{2}:\d{2}$/;
const QUOTED = /^"([^"\\]*)"$/;
const RESERVED = /^(?:true|false|null)$/i;

/** A line of simple front matter: a value of the list above it, or a name with its value; null where it has none, or those of a list below. */
type SimpleLine = { item: string; indent: number } | { key: string; value: string | readonly string[] | null };

/**
 * Reads front matter that holds only plain words, ISO days, quoted words and lists of them; null for anything
 * else, which the YAML library then reads. It is many times cheaper, and a property test holds the two equal.
 */
export function readSimpleYaml(body: readonly string[]): { fields: YamlFields } | null {
  const fields: YamlFields = {};
  /** The name whose list may follow. */
  let open: { key: string; list: string[]; indent: number } | null = null;
  let count = 0;
  for (const line of body) {
    if (line.trim() === '') continue;
    const read = simpleLine(line);
    if (read === null) return null;
    if ('item' in read) {
      if (!open || (open.list.length > 0 && open.indent !== read.indent)) return null;
      open.indent = read.indent;
      open.list.push(read.item);
      fields[open.key] = open.list;
      continue;
    }
    if (read.key in fields) return null;
    open = read.value === null ? { key: read.key, list: [], indent: 0 } : null;
    fields[read.key] = read.value;
    count++;
  }
  return count === 0 ? null : { fields };
}

/** What is short says the same in other notes; a long line would only be kept. */
const SHORT = 80;
const MOST_LINES_KNOWN = 5000;
const shortLine = remembered((line) => ({ read: readSimpleLine(line) }), MOST_LINES_KNOWN);

const simpleLine = (line: string): SimpleLine | null => (line.length < SHORT ? shortLine(line).read : readSimpleLine(line));

function readSimpleLine(line: string): SimpleLine | null {
  const item = /^( {0,8})- +(\S.*)$/.exec(line);
  if (item) {
    const value = simpleScalar((item[2] ?? '').trimEnd(), SIMPLE_WORDS);
    return value === null ? null : { item: value, indent: item[1]?.length ?? 0 };
  }
  const pair = /^([A-Za-z][A-Za-z0-9_-]*):(?: +(\S.*))?$/.exec(line.trimEnd());
  const key = pair?.[1];
  if (!pair || !key || RESERVED.test(key)) return null;
  const words = pair[2];
  if (words === undefined) return { key, value: null };
  const value = words.startsWith('[') ? simpleList(words) : simpleScalar(words, SIMPLE_WORDS);
  return value === null ? null : { key, value };
}

function simpleScalar(words: string, plain: RegExp): string | null {
  const quoted = QUOTED.exec(words);
  if (quoted) return quoted[1] ?? '';
  if (ISO_DAY.test(words) || DURATION.test(words) || MOMENT.test(words)) return words;
  return plain.test(words) && !RESERVED.test(words) ? words : null;
}

function simpleList(words: string): string[] | null {
  if (!words.endsWith(']')) return null;
  const inside = words.slice(1, -1);
  if (inside.trim() === '') return [];
  const values: string[] = [];
  // Each ends at a comma or at the end; what is in quotes may hold brackets and commas.
  const part = /\s*("[^"\\]*"|[^[\]{}"',]*?)\s*(,|$)/y;
  for (let more = ','; more === ',';) {
    const found = part.exec(inside);
    const value = found && simpleScalar(found[1] ?? '', SIMPLE_WORD);
    if (!found || value === null) return null;
    values.push(value);
    more = found[2] ?? '';
  }
  return values;
}

/** Little front matter needs it, and it is larger than all else that reads a note: it is loaded when some is met. */
let readWhole: ((body: readonly string[]) => YamlResult) | null = null;
let isMissed = false;

/** Whether front matter was met that could not be read yet; `loadYaml`, then read it again. */
export const missesYaml = (): boolean => isMissed;

export async function loadYaml(): Promise<void> {
  if (!readWhole) takeYaml((await import('./yaml')).readYaml);
}

/** Takes the reader of whole YAML; for programs that have it from the start. */
export function takeYaml(reader: (body: readonly string[]) => YamlResult): void {
  readWhole = reader;
  isMissed = false;
}

function readWholeYaml(body: readonly string[]): YamlResult {
  if (readWhole) return readWhole(body);
  isMissed = true;
  return { fields: {} };
}

function frontMatterFrom(fields: YamlFields, lineCount: number): FrontMatter {
  const kind = fieldWords(fields['kind'])?.toLowerCase();
  const date = fieldWords(fields['date']);
  return {
    lineCount,
    title: fieldWords(fields['title']),
    kind: NOTE_KINDS.find((known) => known === kind) ?? null,
    date: date === null ? null : readIsoDay(date.slice(0, 10)),
    tags: list(fields['tags']).map((tag) => withoutSign(tag, '#')),
    people: list(fields['people']).map((person) => withoutSign(person, '@')),
    about: list(fields['about']).map(linkTarget),
    aliases: list(fields['aliases']),
    handle: withoutSign(withoutSign(fieldWords(fields['handle']), '@'), '#'),
    fields,
    problem: null,
  };
}

function withoutSign<T extends string | null>(name: T, sign: string): string | T {
  return name?.startsWith(sign) ? name.slice(1) : name;
}

/** `[[Salt on the Glass#Loans|loans]]` names `Salt on the Glass`. */
function linkTarget(value: string): string {
  const inside = value.startsWith('[[') ? (/^\[\[([^\]]*)\]\]$/.exec(value)?.[1] ?? value) : value;
  return (inside.split(/[#|]/)[0] ?? inside).trim();
}

/** A field's value as trimmed words; null when it holds none. */
export function fieldWords(value: unknown): string | null {
  if (typeof value === 'number') return String(value);
  return typeof value === 'string' && value.trim() !== '' ? value.trim() : null;
}

function list(value: unknown): string[] {
  if (value === undefined) return [];
  const values: unknown[] = Array.isArray(value) ? value : [value];
  return values.map(fieldWords).filter((one): one is string => one !== null);
}
