import { readFrontMatter } from '../../note/facts/front-matter';
import { quotedYaml, withFields } from '../../note/facts/with-fields';
import { splitLines } from '../../note/blocks/lines';
import { baseNameOf, liesIn } from '../../note/names/path';

/** Whether the names of sealed notes stay readable while they are closed. */
export type SealedTitles = 'hidden' | 'shown';

/** A seal, as its note says it: whom notes are sealed for, and the key that opens them, itself sealed by a passphrase. */
export interface Seal {
  /** The path of its note, by which it is known. */
  path: string;
  name: string;
  /** For whom its notes are sealed: the public half of its key, `age1…`. */
  to: string;
  /** The folders whose notes are all sealed by it. */
  folders: string[];
  titles: SealedTitles;
  /** An age file in its armour of letters, which opens with the passphrase: the key, as `age -i` takes it. */
  key: string;
}

/** The folder in which notes of seals are made. */
export const SEALS_FOLDER = 'Seals';

const ARMOUR = /^-----BEGIN AGE ENCRYPTED FILE-----\r?\n[^]*?^-----END AGE ENCRYPTED FILE-----/m;

/** Reads a note of kind `seal`; null for any other note, and one without a key. */
export function readSeal(path: string, text: string): Seal | null {
  const front = readFrontMatter(splitLines(text));
  const key = ARMOUR.exec(text)?.[0];
  const to = front.fields['to'];
  if (front.kind !== 'seal' || key === undefined || typeof to !== 'string') return null;
  const folders = front.fields['folders'];
  return {
    path,
    name: front.title ?? baseNameOf(path),
    to: to.trim(),
    folders: (Array.isArray(folders) ? folders : [folders]).flatMap((one) =>
      typeof one === 'string' && one.trim() !== '' ? [one.trim()] : [],
    ),
    titles: front.fields['titles'] === 'shown' ? 'shown' : 'hidden',
    key: key.replace(/\r\n/g, '\n'),
  };
}

/** The text of the note of a new seal. */
export function sealText({ to, folders, titles, key }: Pick<Seal, 'to' | 'folders' | 'titles' | 'key'>): string {
  const fields = { kind: 'seal', to, titles, ...(folders.length > 0 && { folders: foldersYaml(folders) }) };
  return `${withFields('', fields)}
This is a seal: the key of sealed notes, which a passphrase opens. Without this note, or without the passphrase, nobody can read them.

${key.trim()}
`;
}

/** The text of a seal with other folders, or other words of its key. */
export function sealTextWith(text: string, change: Partial<Pick<Seal, 'folders' | 'titles' | 'key'>>): string {
  const { folders, titles, key } = change;
  const fields = {
    ...(titles !== undefined && { titles }),
    ...(folders !== undefined && { folders: folders.length > 0 ? foldersYaml(folders) : null }),
  };
  const said = Object.keys(fields).length > 0 ? withFields(text, fields) : text;
  return key === undefined ? said : said.replace(ARMOUR, () => key.trim());
}

const foldersYaml = (folders: readonly string[]): string => `[${folders.map(quotedYaml).join(', ')}]`;

/** The seal that seals what is in a folder, by the innermost folder that one names; null for none, as for seals themselves. */
export function sealOfFolder(seals: readonly Seal[], path: string): Seal | null {
  if (liesIn(path, SEALS_FOLDER)) return null;
  const found = seals.flatMap((seal) =>
    seal.folders.filter((folder) => folder !== '' && liesIn(path, folder)).map((folder) => ({ seal, folder })),
  );
  return found.sort((a, b) => b.folder.length - a.folder.length)[0]?.seal ?? null;
}
