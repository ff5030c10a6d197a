import { foldName } from '../../note/names/names';
import { foldPath } from '../../note/names/path';
import { splitLines } from '../../note/blocks/lines';
import { readFrontMatter } from '../../note/facts/front-matter';
import { digestIn } from '../../meeting/digest/digest';
import { meetingFacts } from '../../meeting/meeting-facts';
import type { SeriesMeeting } from '../../meeting/series';
import { writtenDigest } from '../../meeting/digest/written-digest';
import { readNote } from '../../task/reading/read-note';
import type { NoteEntry } from '../note-entry';

/** What the front matter of meetings says: of those of a series, or of all. */
export function meetingsIn(entries: readonly NoteEntry[], series: string | null): SeriesMeeting[] {
  const wanted = series === null ? null : foldName(series);
  return entries
    .filter(({ head }) => wanted === null || head.series === wanted)
    .map(({ head: { path, title }, text }) => ({ path, title, facts: meetingFacts(readFrontMatter(splitLines(text))) }));
}

/** The digest of a meeting as its text gives it now, with what a person wrote into the one that stands there. */
export function digestOfMeeting(entries: readonly NoteEntry[], path: string, heading: string): string[] {
  const entry = entries.find(({ head }) => foldPath(head.path) === foldPath(path));
  if (!entry) return [];
  const { series } = entry.head;
  // Most meetings of a long series left nothing open.
  const left = series === null ? [] : entries.filter(({ head, counts }) => head.series === series && counts.open > 0);
  const notes = left.map(({ head, text }) => readNote(head.path, text));
  const { text } = writtenDigest({ path: entry.head.path, text: entry.text, series: notes, heading, last: null });
  return (digestIn(readNote(entry.head.path, text), heading)?.text ?? '').trim().split('\n');
}
