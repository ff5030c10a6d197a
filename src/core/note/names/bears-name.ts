import { foldName, readInline, sameName, tagWithUppers } from './names';

/**
 * Whether words bear a name that is written with its sign: a tag (also by one under it), a person or a link (also to one of its headings).
 *
 * @example bearsName('Ring about #loading', '#load') // false
 * @example bearsName('Dust #place/archive', '#Place') // true
 */
export function bearsName(words: string, written: string): boolean {
  const wanted = readInline(written);
  const borne = readInline(words);
  const [link] = wanted.links;
  if (link)
    return borne.links.some(({ target, heading }) => sameName(target, link.target) && (link.heading === null || heading === link.heading));
  const [asked] = wanted.names;
  if (!asked) return false;
  const folded = foldName(asked.name);
  return borne.names.some(
    ({ kind, name }) => kind === asked.kind && (kind === 'tag' ? tagWithUppers(name).includes(folded) : sameName(name, asked.name)),
  );
}
