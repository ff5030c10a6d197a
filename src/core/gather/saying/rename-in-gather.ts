import { foldPath } from '../../note/names/path';
import { tokensOf } from '../language/lexer';

/** What is renamed where a gather names it in quotes: a note by its title, a folder, or a heading. */
export type GatherRename =
  | { is: 'note'; retarget: (title: string) => string | null }
  | { is: 'folder'; before: string; after: string }
  | { is: 'heading'; before: string; after: string };

/**
 * Changes the quoted names of a gather with what they name: `note = "…"`, `path in "…"`, `heading = "…"`. Links, tags and
 * people in it follow as they do in any line.
 *
 * @returns the new text and how many places changed
 */
export function renameInGather(text: string, rename: GatherRename): { text: string; places: number } {
  const tokens = tokensOf(text);
  let result = '';
  let at = 0;
  let places = 0;
  tokens.forEach((token, index) => {
    if (token.kind !== 'text') return;
    const field = tokens[index - 2]?.value;
    const sign = tokens[index - 1]?.value;
    const next = field === undefined || sign === undefined ? null : renamed(field, sign, token.value, rename);
    if (next === null) return;
    places++;
    result += `${text.slice(at, token.from)}"${next.replace(/[\\"]/g, '\\$&')}"`;
    at = token.to;
  });
  return { text: result + text.slice(at), places };
}

function renamed(field: string, sign: string, value: string, rename: GatherRename): string | null {
  const compared = sign === '=' || sign === '!=';
  switch (rename.is) {
    case 'note':
      return field === 'note' && compared ? rename.retarget(value) : null;
    case 'heading':
      return field === 'heading' && compared && foldPath(value) === foldPath(rename.before) ? rename.after : null;
    case 'folder': {
      if (field !== 'path' || sign !== 'in') return null;
      const folded = foldPath(value);
      const before = foldPath(rename.before);
      return folded === before ? rename.after : folded.startsWith(`${before}/`) ? rename.after + value.slice(rename.before.length) : null;
    }
  }
}
