import { readFrontMatter } from '../../note/facts/front-matter';
import { quotedYaml, withFields } from '../../note/facts/with-fields';
import { splitLines } from '../../note/blocks/lines';
import { SEALED_ENDING, baseNameOf, fileNameOf, folderOf, isSealedPath } from '../../note/names/path';

/** The name of a sealed note whose title is hidden, before its endings: letters and digits that say nothing. */
const HIDDEN = /^sealed-[a-z2-7]{16}(?: \d+)?$/;

/** Whether a path tells nothing of its note, which is sealed with its title. */
export const hidesTitle = (path: string): boolean => isSealedPath(path) && HIDDEN.test(baseNameOf(path));

/** The path of a note once it is sealed, its title staying readable: `Private/Diary.md.age`. */
export const sealedPath = (path: string): string => (isSealedPath(path) ? path : path + SEALED_ENDING);

/**
 * The path of a note once it is sealed with its title.
 *
 * @param sign sixteen letters, the same on every device that can open the seal, and telling nothing to others
 */
export function hiddenPath(path: string, sign: string): string {
  const folder = folderOf(path);
  return `${folder === '' ? '' : `${folder}/`}sealed-${sign}.md${SEALED_ENDING}`;
}

/** The text of a note with its title in it, so that it is called the same when its file is not. */
export function withTitleSaid(path: string, text: string): string {
  const front = readFrontMatter(splitLines(text));
  return front.title === null && front.problem === null ? withFields(text, { title: quotedYaml(baseNameOf(path)) }) : text;
}

/** Where a sealed note goes when it is sealed no more: to its file's name, or to that of its title. */
export function unsealedName(path: string, text: string): string {
  if (!hidesTitle(path)) return fileNameOf(path).slice(0, -SEALED_ENDING.length);
  return `${readFrontMatter(splitLines(text)).title ?? baseNameOf(path)}.md`;
}

/**
 * What of a note that is there can be listed and found: its text; nothing but its name where it is no text, or closed; null where even its
 * name tells nothing.
 */
export const readableText = (path: string, text: string | null): string | null => text ?? (hidesTitle(path) ? null : '');
