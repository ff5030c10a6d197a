import { foldName, tagWithUppers } from '../../note/names/names';
import { remembered } from '../../note/facts/remembered';

const NONE: readonly never[] = [];

/** The people of a place, and the one whose page it is. */
export function withHandle(people: readonly string[], handle: string | null): readonly string[] {
  return handle === null || people.includes(handle) ? people : [...people, handle];
}

/** Tasks that stand together share the lists of what they inherit, so that these are folded once. */
let lastTags: { names: readonly string[]; folded: readonly string[] } = { names: NONE, folded: NONE };

/** Folded tags with the levels above them, each once. */
export function foldedTags(tags: readonly string[]): readonly string[] {
  if (tags.length === 0) return NONE;
  if (tags.length === 1) return tagWithUppers(tags[0] ?? '');
  if (lastTags.names !== tags) lastTags = { names: tags, folded: eachOnce(tags, tagWithUppers) };
  return lastTags.folded;
}

function eachOnce(names: readonly string[], fold: (name: string) => readonly string[]): readonly string[] {
  const found: string[] = [];
  for (const name of names) for (const one of fold(name)) if (!found.includes(one)) found.push(one);
  return found;
}

let lastNames: { names: readonly string[]; folded: readonly string[] } = { names: NONE, folded: NONE };

/** Folded names, each once. */
export function foldedNames(names: readonly string[]): readonly string[] {
  if (names.length === 0) return NONE;
  if (names.length === 1) return alone(names[0] ?? '');
  if (lastNames.names !== names) lastNames = { names, folded: eachOnce(names, alone) };
  return lastNames.folded;
}

/** Most lines name nobody but one, and most of these the same few. */
const alone = remembered((name): readonly string[] => [foldName(name)]);
