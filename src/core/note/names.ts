/** A name in a line: `#tag` or `@person`. Offsets are into the line's words. */
export interface Name {
  kind: 'tag' | 'person';
  /** As written, without its sign. */
  name: string;
  from: number;
  to: number;
}

/** `[[target#heading|words]]` in a line. */
export interface Link {
  target: string;
  heading: string | null;
  words: string | null;
  from: number;
  to: number;
}

export interface Inline {
  names: Name[];
  links: Link[];
}

const TAG = /#([\p{L}\p{M}\p{N}_]+(?:[-/][\p{L}\p{M}\p{N}_]+)*)/uy;
const PERSON = /@([\p{L}\p{M}\p{N}_]+(?:[-.][\p{L}\p{M}\p{N}_]+)*)/uy;
const HAS_LETTER = /\p{L}/u;
const BEFORE = /[\s([{"'*_~,]/;
const AUTOLINK = /<(?:[A-Za-z][A-Za-z0-9+.-]{1,31}:[^\s<>]*|[^\s<>@]+@[^\s<>]+|\/?[A-Za-z][^<>]*)>/y;
const LINK_TARGET = /\]\((?:[^()\\\n]|\\.|\((?:[^()\\\n]|\\.)*\))*\)/y;
const EMAIL_TAIL = /^@[\p{L}\p{N}-]+\.[\p{L}]/u;

/** A line that names nothing. */
export const NO_NAMES: Inline = { names: [], links: [] };

/** A library names the same few tags and people thousands of times. */
const folded = new Map<string, string>();
const uppers = new Map<string, readonly string[]>();
const MOST_KNOWN = 50_000;

/** How two names are compared: NFC and without case. `sameName` keys fold `#Loans` and `#loans` together. */
export function foldName(name: string): string {
  const known = folded.get(name);
  if (known !== undefined) return known;
  if (folded.size > MOST_KNOWN) folded.clear();
  const result = name.normalize('NFC').toLowerCase();
  folded.set(name, result);
  return result;
}

/** Whether two names are one. Nearly always their first letters tell at once. */
export function sameName(a: string, b: string): boolean {
  if (a === b) return true;
  const first = a.charCodeAt(0) | 32;
  const other = b.charCodeAt(0) | 32;
  if (first !== other && first < 128 && other < 128) return false;
  return foldName(a) === foldName(b);
}

/** A tag and the tags above it: `place/archive` is also `place`. Folded. */
export function tagWithUppers(tag: string): readonly string[] {
  const known = uppers.get(tag);
  if (known) return known;
  if (uppers.size > MOST_KNOWN) uppers.clear();
  const parts = foldName(tag).split('/');
  const result = parts.map((_, index) => parts.slice(0, index + 1).join('/'));
  uppers.set(tag, result);
  return result;
}

/**
 * Finds tags, people and links between two offsets of a line, outside code, URLs, link targets and e-mail
 * addresses, where a sign follows the start, white space or an opening sign.
 *
 * @example readInline('Ask @ilse about #loans').names.map((name) => name.name) // ['ilse', 'loans']
 */
export function readInline(line: string, from = 0, to = line.length): Inline {
  if (!mayHold(line, from, to)) return NO_NAMES;
  const found: Inline = { names: [], links: [] };
  for (let at = from; at < to;) {
    const code = line.charCodeAt(at);
    // Nearly every character is none that matters here.
    if (code > 96 || SIGNS[code] === 0) at++;
    else at = step(line, at, from, to, found);
  }
  return found;
}

/** The signs, up to the backtick, at which something may begin. */
const SIGNS = new Uint8Array(97);
for (const sign of '\\`<[]#@') SIGNS[sign.charCodeAt(0)] = 1;

function mayHold(line: string, from: number, to: number): boolean {
  const hash = line.indexOf('#', from);
  if (hash !== -1 && hash < to) return true;
  const at = line.indexOf('@', from);
  if (at !== -1 && at < to) return true;
  const link = line.indexOf('[[', from);
  return link !== -1 && link < to;
}

/** Reads what stands at `at`; gives where to go on. */
function step(line: string, at: number, from: number, to: number, found: Inline): number {
  switch (line.charCodeAt(at)) {
    case 92: // backslash
      return at + 2;
    case 96: // backtick
      return afterCode(line, at, to);
    case 60: // <
      return afterMatch(AUTOLINK, line, at, to);
    case 91: // [
      return line.startsWith('[[', at) ? readLink(line, at, to, found) : at + 1;
    case 93: // ]
      return afterMatch(LINK_TARGET, line, at, to);
    case 35: // #
      return readName('tag', TAG, line, at, from, to, found);
    case 64: // @
      return readName('person', PERSON, line, at, from, to, found);
    default:
      return at + 1;
  }
}

function afterMatch(pattern: RegExp, line: string, at: number, to: number): number {
  pattern.lastIndex = at;
  const match = pattern.exec(line);
  return match && pattern.lastIndex <= to ? pattern.lastIndex : at + 1;
}

function afterCode(line: string, at: number, to: number): number {
  let open = at;
  while (open < to && line.charCodeAt(open) === 96) open++;
  const run = line.slice(at, open);
  for (let close = line.indexOf(run, open); close !== -1 && close < to;) {
    let end = close + run.length;
    if (line.charCodeAt(end) !== 96) return end;
    while (line.charCodeAt(end) === 96) end++;
    close = line.indexOf(run, end);
  }
  return open;
}

function readLink(line: string, at: number, to: number, found: Inline): number {
  const end = line.indexOf(']]', at + 2);
  if (end === -1 || end + 2 > to) return at + 2;
  const inside = line.slice(at + 2, end);
  if (inside.includes('[') || inside.trim() === '') return at + 2;
  const bar = inside.indexOf('|');
  const place = bar === -1 ? inside : inside.slice(0, bar);
  const hash = place.indexOf('#');
  found.links.push({
    target: (hash === -1 ? place : place.slice(0, hash)).trim(),
    heading: hash === -1 ? null : place.slice(hash + 1).trim(),
    words: bar === -1 ? null : inside.slice(bar + 1).trim(),
    from: at,
    to: end + 2,
  });
  return end + 2;
}

function readName(kind: Name['kind'], pattern: RegExp, line: string, at: number, from: number, to: number, found: Inline): number {
  const afterSpace = at === from || line.charCodeAt(at - 1) === 32;
  if (!afterSpace && !BEFORE.test(line.charAt(at - 1))) return at + 1;
  const name = asciiName(line, at + 1, to) ?? nameBy(pattern, line, at);
  if (name === null) return at + 1;
  const end = at + 1 + name.length;
  if (end > to) return at + 1;
  if (!afterSpace && inAddress(line, at, kind)) return end;
  found.names.push({ kind, name, from: at, to: end });
  return end;
}

function nameBy(pattern: RegExp, line: string, at: number): string | null {
  pattern.lastIndex = at;
  const name = pattern.exec(line)?.[1];
  return name === undefined || !HAS_LETTER.test(name) ? null : name;
}

/** The plainest names, of ASCII letters alone up to a space or the end; null leaves the rest to the patterns. */
function asciiName(line: string, from: number, to: number): string | null {
  let at = from;
  for (; at < to; at++) {
    const code = line.charCodeAt(at) | 32;
    if (code < 97 || code > 122) break;
  }
  if (at === from || (at < to && line.charCodeAt(at) !== 32)) return null;
  return line.slice(from, at);
}

/** Whether a sign stands inside a URL or an e-mail address. */
function inAddress(line: string, at: number, kind: Name['kind']): boolean {
  let start = at;
  while (start > 0 && !/\s/.test(line.charAt(start - 1)) && at - start < 2000) start--;
  const before = line.slice(start, at);
  if (/[a-z][a-z0-9+.-]*:\/\//i.test(before) || /^\W*www\./i.test(before)) return true;
  return (
    kind === 'person' && /[\p{L}\p{N}.+_'*~-]$/u.test(before.slice(-1)) && /[\p{L}\p{N}]/u.test(before) && EMAIL_TAIL.test(line.slice(at))
  );
}
