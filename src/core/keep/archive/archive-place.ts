import { type Day, civilFrom } from '../../calendar/day';
import { fieldWords } from '../../note/facts/front-matter';
import type { YamlFields } from '../../note/facts/yaml-result';
import { foldName } from '../../note/names/names';
import { foldPath, folderOf } from '../../note/names/path';

/** Where finished lines go when their note does not say it. */
export interface ArchiveSettings {
  /** Folders with the archive of what stands in and below them; the nearest counts. */
  archiveFolders: readonly { folder: string; note: string }[];
  /** Tags with the archive of what bears them, a shelf for one subject; the first that fits counts. */
  shelves: readonly { tag: string; note: string }[];
  /** The archive of everything else; `{year}` stands for the year. */
  archiveNote: string;
}

export const ARCHIVE_DEFAULTS: ArchiveSettings = { archiveFolders: [], shelves: [], archiveNote: 'Archive/{year}' };

/**
 * The archive to which a finished line goes: that of its note, of the nearest folder, of the first tag in the order of the settings, or
 * the yearly one.
 *
 * @param tags the folded tags that it bears or inherits
 * @example archivePlace('Rounds/Daily.md', {}, [], ARCHIVE_DEFAULTS, day) // 'Archive/2026'
 */
export function archivePlace(path: string, fields: YamlFields, tags: readonly string[], settings: ArchiveSettings, today: Day): string {
  const said = placeWords(fieldWords(fields['archive']));
  if (said !== null) return said;
  for (let folder = folderOf(path); folder !== ''; folder = folderOf(folder)) {
    const place = settings.archiveFolders.find((one) => foldPath(one.folder) === foldPath(folder));
    if (place) return placeWords(place.note) ?? place.note;
  }
  const shelf = settings.shelves.find(({ tag }) => tags.includes(foldName(tag)));
  const note = shelf?.note ?? settings.archiveNote.replaceAll('{year}', String(civilFrom(today).year));
  return placeWords(note) ?? note;
}

/** What a link or a path says, without brackets; null where it says nothing. */
function placeWords(words: string | null): string | null {
  const bare = words
    ?.trim()
    .replace(/^\[\[|\]\]$/g, '')
    .trim();
  return bare ? bare : null;
}
