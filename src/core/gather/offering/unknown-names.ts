import { foldName } from '../../note/names/names';
import { foldPath } from '../../note/names/path';
import type { GatherError } from '../language/ast';
import { type Token, tokensOf } from '../language/lexer';
import { nearestWord } from './nearest-word';

/** The names that exist in a library. */
export interface KnownNames {
  tags: NameList;
  people: NameList;
  hasNote: (name: string) => boolean;
  /** Titles of notes, and folders; asked for only when a name is unknown. */
  notes: () => readonly string[];
  folders: () => readonly string[];
}

interface NameList {
  has: (folded: string) => boolean;
  all: () => Iterable<readonly [folded: string, written: string, ...unknown: unknown[]]>;
}

/**
 * The names in a gather that nothing bears, each with its place and the nearest that exists. They are no errors: a tag may be
 * asked for before it is first written.
 */
export function unknownNames(text: string, known: KnownNames): GatherError[] {
  const tokens = tokensOf(text);
  return tokens.flatMap((token, index) => {
    const unknown = unknownAt(token, tokens[index - 1], tokens[index - 2], known);
    if (!unknown) return [];
    const nearest = nearestName(unknown.name, unknown.among());
    const hint = nearest === null ? '' : ` The nearest is ${unknown.sign}${nearest}${unknown.sign === '“' ? '”' : ''}.`;
    const said = unknown.into
      ? `There is no note ${unknown.words}, so nothing can be written into this list.`
      : `${unknown.words} is named nowhere.`;
    return [{ message: said + hint, from: token.from, to: token.to }];
  });
}

interface Unknown {
  name: string;
  words: string;
  sign: string;
  /** Whether it is where tasks written here go. */
  into?: boolean;
  among: () => readonly string[];
}

function unknownAt(token: Token, before: Token | undefined, first: Token | undefined, known: KnownNames): Unknown | null {
  const { kind, value } = token;
  if (kind === 'tag' && !standsIn(known.tags, foldName(value)))
    return { name: value, words: `#${value}`, sign: '#', among: () => written(known.tags) };
  if (kind === 'person' && value !== 'me' && !known.people.has(foldName(value)))
    return { name: value, words: `@${value}`, sign: '@', among: () => written(known.people) };
  if (kind === 'link') {
    const name = value.split(/[#|]/)[0]?.trim() ?? value;
    if (name !== '' && !known.hasNote(name))
      return { name, words: `“${name}”`, sign: '“', into: before?.kind === 'word' && before.value === 'into', among: known.notes };
  }
  if (kind === 'text' && before?.kind === 'sign' && first?.value === 'note' && !known.hasNote(value))
    return { name: value, words: `“${value}”`, sign: '“', among: known.notes };
  if (kind === 'text' && before?.value === 'in' && first?.value === 'path') {
    const folded = foldPath(value);
    const folders = known.folders().map(foldPath);
    if (!folders.some((folder) => folder === folded || folder.startsWith(`${folded}/`)))
      return { name: value, words: `The folder “${value}”`, sign: '“', among: known.folders };
  }
  return null;
}

/** A tag exists by its levels too: `#place` where `#place/archive` is written. */
function standsIn(tags: NameList, folded: string): boolean {
  if (tags.has(folded)) return true;
  for (const [name] of tags.all()) if (name.startsWith(`${folded}/`)) return true;
  return false;
}

const written = (names: NameList): string[] => [...names.all()].map(([, name]) => name);

function nearestName(name: string, among: readonly string[]): string | null {
  const folded = new Map(among.map((one) => [one.toLowerCase(), one]));
  const nearest = nearestWord(name.toLowerCase(), [...folded.keys()]);
  return nearest === null ? null : (folded.get(nearest) ?? null);
}
