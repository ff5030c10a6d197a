import { SEALED_ENDING, cleanPath, folderOf } from './path';

/** The folder in which pictures lie, beside the notes. */
export const PICTURES_FOLDER = 'Pictures';

const ENDING = /\.(png|jpe?g|gif|webp|avif|svg)(\.age)?$/i;

/** Whether a file can hold a picture, by its ending; sealed or not. */
export const isPictureFile = (path: string): boolean => ENDING.test(path);

/** Whether a picture is sealed, by its path. */
export const isSealedPicture = (path: string): boolean => path.endsWith(SEALED_ENDING) && ENDING.test(path);

/** Kinds of pictures that are shown, by the names that browsers give them (IANA media types), and their endings. */
const TYPES = {
  'image/png': 'png',
  'image/jpeg': 'jpg',
  'image/gif': 'gif',
  'image/webp': 'webp',
  'image/avif': 'avif',
  'image/svg+xml': 'svg',
} as const;
export type PictureType = keyof typeof TYPES;

export const endingOf = (type: PictureType): string => TYPES[type];

/** The kind of a picture by the ending of its file; null for none. */
export function typeOfPath(path: string): PictureType | null {
  const ending = ENDING.exec(path)?.[1]?.toLowerCase().replace('jpeg', 'jpg');
  return (Object.keys(TYPES) as PictureType[]).find((type) => TYPES[type] === ending) ?? null;
}

/** Bytes at the beginning of files of a kind, from the standards of each: PNG 5.2, ITU-T T.81 B.2, GIF89a 17, RFC 9649 2.3, ISO/IEC 14496-12 4.3. */
const SIGNS: readonly (readonly [PictureType, number, string])[] = [
  ['image/png', 0, '\x89PNG\r\n\x1a\n'],
  ['image/jpeg', 0, '\xff\xd8\xff'],
  ['image/gif', 0, 'GIF87a'],
  ['image/gif', 0, 'GIF89a'],
  ['image/webp', 8, 'WEBP'],
  ['image/avif', 4, 'ftypavif'],
  ['image/avif', 4, 'ftypavis'],
];

/** What kind of picture a file holds, by what stands in it and not by its name; null for none that is shown. */
export function typeOfBytes(bytes: Uint8Array): PictureType | null {
  const head = String.fromCharCode(...bytes.subarray(0, 16));
  const found = SIGNS.find(([, at, sign]) => head.startsWith(sign, at));
  if (found) return found[0] === 'image/webp' && !head.startsWith('RIFF') ? null : found[0];
  const text = new TextDecoder().decode(bytes.subarray(0, 2000));
  return /^\ufeff?\s*(?:<\?xml[^>]*>\s*|<!--[^]*?-->\s*|<!DOCTYPE svg[^>]*>\s*)*<svg[\s>]/i.test(text) ? 'image/svg+xml' : null;
}

/** A picture in a line: `![the crate](../Pictures/crate.webp)`, with its place in the line. */
export interface PictureLink {
  from: number;
  to: number;
  /** What it shows, in words; empty where nothing is said. */
  words: string;
  target: string;
}

const LINK = /!\[((?:[^[\]\\]|\\.)*)\]\((?:<([^<>\n]*)>|([^\s()<>]+))(?:[ \t]+"[^"\n]*")?\)/g;

/** The pictures of a line, in their order; not those that stand in code. */
export function picturesIn(line: string): PictureLink[] {
  if (!line.includes('![')) return [];
  const code = [...line.matchAll(/(`+)[^`][^]*?\1(?!`)/g)].map(({ index, 0: { length } }) => [index, index + length] as const);
  return [...line.matchAll(LINK)].flatMap((found) => {
    const from = found.index;
    if (code.some(([first, last]) => first <= from && from < last)) return [];
    return [{ from, to: from + found[0].length, words: (found[1] ?? '').replace(/\\(.)/g, '$1'), target: found[2] ?? found[3] ?? '' }];
  });
}

/**
 * Where the file of a picture may lie that a note shows, the likeliest first: from the folder of the note, as other programs read it, then from the top
 * of all notes, so that it is found where the note was moved. None for what lies elsewhere.
 */
export function picturePlaces(notePath: string, target: string): string[] {
  if (/^(?:[a-z][a-z0-9+.-]*:|\/\/|#)/i.test(target)) return [];
  let words: string;
  try {
    words = decodeURIComponent(target);
  } catch {
    words = target;
  }
  const parts = words.startsWith('/') ? [] : folderOf(notePath).split('/').filter(Boolean);
  const steps = words.split('/').filter((part) => part !== '' && part !== '.');
  for (const step of steps) {
    if (step === '..') parts.pop();
    else parts.push(step);
  }
  const below = steps.filter((part) => part !== '..').join('/');
  const places = [parts.join('/'), below].flatMap((place) => cleanPath(place) ?? []);
  return [...new Set(places)].filter(isPictureFile);
}

/** What a note writes to show a picture: the way from its folder to the file, as other programs read it. */
export function pictureLink(notePath: string, picturePath: string, words: string): string {
  const folder = folderOf(notePath).split('/').filter(Boolean);
  const file = picturePath.split('/');
  let same = 0;
  while (same < folder.length && same < file.length - 1 && folder[same] === file[same]) same++;
  const way = [...folder.slice(same).map(() => '..'), ...file.slice(same)].map(encodeURIComponent).join('/');
  return `![${words.replace(/[[\]\\]/g, '\\$&').replace(/\s+/g, ' ')}](${way.replace(/[()]/g, (sign) => (sign === '(' ? '%28' : '%29'))})`;
}

/** A note with the ways to its pictures as they are from another folder; pictures of other places stay as they are. */
export function withPicturesFrom(text: string, before: string, after: string): string {
  if (folderOf(before) === folderOf(after) || !text.includes('![')) return text;
  return text.replace(/[^\r\n]+/g, (line) =>
    picturesIn(line).reduceRight((said, { from, to, words, target }) => {
      const [place] = picturePlaces(before, target);
      if (place === undefined || !/^(?:\.\.\/|[^/])/.test(target)) return said;
      return said.slice(0, from) + pictureLink(after, place, words) + said.slice(to);
    }, line),
  );
}
