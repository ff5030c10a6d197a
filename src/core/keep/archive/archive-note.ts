import { type Day, isoDay } from '../../calendar/day';
import { splitLines } from '../../note/blocks/lines';
import { NOTE_KINDS, fieldWords, readFrontMatter } from '../../note/facts/front-matter';
import { quotedYaml, withFields } from '../../note/facts/with-fields';
import { withoutEnding } from '../../note/names/path';

/** Where archived notes lie: under this folder, in the folders they lay in. */
export const ARCHIVE_FOLDER = 'Archive';

/**
 * The text of a note that is archived whole: it says what kind it was, where it lay and since when it is there. A project or goal that
 * says no end is done.
 *
 * @example archivedNote('---\nkind: project\n---\n', 'Projects/Catalogue.md', 20780)
 * // '---\nkind: archive\nwas: project\nfrom: "[[Projects/Catalogue]]"\narchived: 2026-11-23\nstate: done\n---\n'
 */
export function archivedNote(text: string, path: string, today: Day): string {
  const { kind, fields } = readFrontMatter(splitLines(text));
  const state = fieldWords(fields['state'])?.trim().toLowerCase();
  const ends = (kind === 'project' || kind === 'goal') && state !== 'done' && state !== 'cancelled';
  return withFields(text, {
    kind: 'archive',
    ...(kind !== null && { was: kind }),
    from: quotedYaml(`[[${withoutEnding(path)}]]`),
    archived: isoDay(today),
    ...(ends && { state: 'done' }),
  });
}

/** Where a note that was archived whole lay; null for any other. */
export function archivedFrom(text: string): string | null {
  const { kind, fields } = readFrontMatter(splitLines(text));
  const from = /^\[\[([^\]]+)\]\]$/.exec(fieldWords(fields['from']) ?? '')?.[1];
  return kind === 'archive' && from !== undefined && fields['archived'] !== undefined ? `${from}.md` : null;
}

/** The text of a note that comes back from the archive; its state stays. */
export function broughtBackNote(text: string): string {
  const was = fieldWords(readFrontMatter(splitLines(text)).fields['was'])?.trim();
  const kind = NOTE_KINDS.find((one) => one === was) ?? null;
  const back = withFields(text, { kind, was: null, from: null, archived: null });
  // Front matter that only said where it came from goes with that.
  return back.replace(/^---(\r?\n)---\r?\n/, '');
}
