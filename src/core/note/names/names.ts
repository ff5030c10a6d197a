import { EachOnce } from '../facts/each-once';
import type { NameSigns } from './name-signs';
import { remembered } from '../facts/remembered';

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
  /** The line it stands on, from 0; 0 until a note places it. */
  line: number;
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
const NO_NAMES: Inline = { names: [], links: [] };

/** Each name is one string, so that what is known of it is found at once. */
const oneString = remembered((name) => name);

/** How two names are compared: NFC and without case. `sameName` keys fold `#Loans` and `#loans` together. */
export const foldName = remembered((name) => name.normalize('NFC').toLowerCase());

/** Whether two names are one. Nearly always their first letters tell at once. */
export function sameName(a: string, b: string): boolean {
  if (a === b) return true;
  const first = a.charCodeAt(0) | 32;
  const other = b.charCodeAt(0) | 32;
  if (first !== other && first < 128 && other < 128) return false;
  return foldName(a) === foldName(b);
}

/** A tag and the tags above it: `place/archive` is also `place`. Folded. */
export const tagWithUppers = remembered((tag): readonly string[] => {
  const parts = foldName(tag).split('/');
  return parts.map((_, index) => parts.slice(0, index + 1).join('/'));
});

/** What a line names, each name once; where they stand is not kept. */
export interface LineNames {
  tags: readonly string[];
  people: readonly string[];
  links: readonly Link[];
}

/** A line that names nothing. */
export const NAMELESS: LineNames = { tags: [], people: [], links: [] };

/** The signs, up to the backtick, at which something may begin. */
const SIGNS = new Uint8Array(97);
for (const sign of '\\`<[]#@') SIGNS[sign.charCodeAt(0)] = 1;

const LETTER = 1;
/** What of ASCII may stand in a name: a letter, or a digit or `_`. */
const WORD = new Uint8Array(128);
for (let code = 0; code < 128; code++)
  WORD[code] = /[A-Za-z]/.test(String.fromCharCode(code)) ? LETTER : /\w/.test(String.fromCharCode(code)) ? 2 : 0;

/**
 * Finds tags, people and links between two offsets of a text, outside code, URLs, link targets and e-mail
 * addresses, where a sign follows the start, white space or an opening sign.
 *
 * @param text a line, or the text in which the line stands: reading it there spares cutting it out
 * @param base where the line begins in the text; the offsets of what is found count from it
 * @param signs the signs of the text, which spare looking at every character
 * @example readInline('Ask @ilse about #loans').names.map((name) => name.name) // ['ilse', 'loans']
 */
export function readInline(text: string, from = 0, to = text.length, base = 0, signs: NameSigns | null = null): Inline {
  const names: Name[] = [];
  const reader = new InlineReader(text, from, to, base, (kind, name, at) => names.push({ kind, name, from: at, to: at + name.length + 1 }));
  reader.read(signs);
  return names.length === 0 && !reader.links ? NO_NAMES : { names, links: reader.links ?? [] };
}

/** What `readInline` finds, without the places of tags and people: all that reading a note asks for, and much less to keep. */
export function readNames(text: string, from: number, to: number, base: number, signs: NameSigns | null): LineNames {
  let tags: EachOnce | null = null;
  let people: EachOnce | null = null;
  const reader = new InlineReader(text, from, to, base, (kind, name) => {
    if (kind === 'tag') (tags ??= new EachOnce()).add(name);
    else (people ??= new EachOnce()).add(name);
  });
  reader.read(signs);
  if (!tags && !people && !reader.links) return NAMELESS;
  return { tags: allOf(tags), people: allOf(people), links: reader.links ?? NAMELESS.links };
}

const allOf = (names: EachOnce | null): readonly string[] => names?.all ?? NAMELESS.tags;

/** Reads one stretch of a text. However long the text goes on, it looks at nothing far behind the stretch. */
class InlineReader {
  links: Link[] | null = null;
  /** Where the last run of so many backticks stands; found when one is looked for in vain. */
  private lastRuns: Map<number, number> | null = null;

  constructor(
    private readonly text: string,
    private readonly from: number,
    private readonly to: number,
    private readonly base: number,
    /** Told of each tag and person, with the offset of its sign. */
    private readonly tell: (kind: Name['kind'], name: string, at: number) => void,
  ) {}

  /**
   * @param signs the signs of the text: where nothing can hide a name, it goes from one to the next
   */
  read(signs: NameSigns | null): void {
    const { text, from, to } = this;
    if (!signs || signs.hiddenIn(from, to)) this.readEach();
    else for (let at = signs.from(from); at < to;) at = signs.from(this.step(text.charCodeAt(at), at));
  }

  private readEach(): void {
    const { text, to } = this;
    for (let at = this.from; at < to;) {
      const code = text.charCodeAt(at);
      // Nearly every character is none that matters here.
      if (code > 96 || SIGNS[code] === 0) at++;
      else at = this.step(code, at);
    }
  }

  /** Reads what stands at `at`; gives where to go on. */
  private step(code: number, at: number): number {
    switch (code) {
      case 92: // backslash
        return at + 2;
      case 96: // backtick
        return this.afterCode(at);
      case 60: // <
        return this.afterMatch(AUTOLINK, at);
      case 91: // [
        return this.text.charCodeAt(at + 1) === 91 ? this.readLink(at) : at + 1;
      case 93: // ]
        return this.text.charCodeAt(at + 1) === 40 ? this.afterMatch(LINK_TARGET, at) : at + 1;
      case 35: // #
        return this.readName('tag', TAG, at);
      default:
        return this.readName('person', PERSON, at);
    }
  }

  private afterMatch(pattern: RegExp, at: number): number {
    pattern.lastIndex = at;
    return pattern.test(this.text) && pattern.lastIndex <= this.to ? pattern.lastIndex : at + 1;
  }

  /** Code goes on to the next run of as many backticks; without one, the run is words. */
  private afterCode(at: number): number {
    const open = this.afterTicks(at);
    const length = open - at;
    if (this.lastRuns && (this.lastRuns.get(length) ?? -1) <= at) return open;
    for (let next = open; next < this.to; next++) {
      if (this.text.charCodeAt(next) !== 96) continue;
      const close = this.afterTicks(next);
      if (close - next === length) return close;
      next = close;
    }
    this.lastRuns ??= this.runsFrom(open);
    return open;
  }

  private runsFrom(from: number): Map<number, number> {
    const runs = new Map<number, number>();
    for (let at = from; at < this.to; at++) {
      const end = this.afterTicks(at);
      if (end > at) runs.set(end - at, at);
      at = end;
    }
    return runs;
  }

  private afterTicks(at: number): number {
    let end = at;
    while (end < this.to && this.text.charCodeAt(end) === 96) end++;
    return end;
  }

  private readLink(at: number): number {
    const { text, base } = this;
    const end = this.endOfLink(at + 2);
    const inside = end === -1 ? '' : text.slice(at + 2, end);
    if (inside.trim() === '') return at + 2;
    const bar = inside.indexOf('|');
    const place = bar === -1 ? inside : inside.slice(0, bar);
    const hash = place.indexOf('#');
    (this.links ??= []).push({
      target: (hash === -1 ? place : place.slice(0, hash)).trim(),
      heading: hash === -1 ? null : place.slice(hash + 1).trim(),
      words: bar === -1 ? null : inside.slice(bar + 1).trim(),
      from: at - base,
      to: end + 2 - base,
      line: 0,
    });
    return end + 2;
  }

  /** Where the `]]` of a link stands; -1 when another bracket opens before it, or none closes. */
  private endOfLink(from: number): number {
    for (let at = from; at + 1 < this.to; at++) {
      const code = this.text.charCodeAt(at);
      if (code === 91) return -1;
      if (code === 93 && this.text.charCodeAt(at + 1) === 93) return at;
    }
    return -1;
  }

  private readName(kind: Name['kind'], pattern: RegExp, at: number): number {
    const { text } = this;
    const afterSpace = at === this.from || text.charCodeAt(at - 1) === 32;
    if (WORD[text.charCodeAt(at + 1)] === 0 || (!afterSpace && !BEFORE.test(text.charAt(at - 1)))) return at + 1;
    const written = this.asciiName(at + 1, kind) ?? nameBy(pattern, text, at);
    if (written === null) return at + 1;
    const name = oneString(written);
    const end = at + 1 + name.length;
    if (end > this.to) return at + 1;
    if (!afterSpace && inAddress(text, at, kind)) return end;
    this.tell(kind, name, at - this.base);
    return end;
  }

  /** A name of ASCII signs alone; null leaves it to the patterns, which know every letter and tell what is none. */
  private asciiName(from: number, kind: Name['kind']): string | null {
    const { text, to } = this;
    let hasLetter = false;
    let at = from;
    for (; at < to; at++) {
      const code = text.charCodeAt(at);
      const word = WORD[code];
      if (word === undefined) return null;
      if (word === LETTER) hasLetter = true;
      if (word !== 0) continue;
      if (code !== 45 && code !== (kind === 'tag' ? 47 : 46)) break;
      // What joins two parts of a name ends it when no other part follows.
      const next = at + 1 < to ? WORD[text.charCodeAt(at + 1)] : 0;
      if (next === undefined) return null;
      if (next === 0) break;
    }
    return hasLetter ? text.slice(from, at) : null;
  }
}

function nameBy(pattern: RegExp, text: string, at: number): string | null {
  pattern.lastIndex = at;
  const name = pattern.exec(text)?.[1];
  return name === undefined || !HAS_LETTER.test(name) ? null : name;
}

/** Whether a sign stands inside a URL or an e-mail address. */
function inAddress(text: string, at: number, kind: Name['kind']): boolean {
  let start = at;
  while (start > 0 && !/\s/.test(text.charAt(start - 1)) && at - start < 2000) start--;
  const before = text.slice(start, at);
  if (/[a-z][a-z0-9+.-]*:\/\//i.test(before) || /^\W*www\./i.test(before)) return true;
  return (
    kind === 'person' && /[\p{L}\p{N}.+_'*~-]$/u.test(before.slice(-1)) && /[\p{L}\p{N}]/u.test(before) && EMAIL_TAIL.test(text.slice(at))
  );
}
