import { splitLines } from '../../note/blocks/lines';
import { readFrontMatter } from '../../note/facts/front-matter';
import { meetingFacts } from '../../meeting/meeting-facts';
import type { SeriesMeeting } from '../../meeting/series';
import type { NoteEntry } from '../note-entry';

/** What the front matter of meetings says. */
export const meetingsIn = (entries: readonly NoteEntry[]): SeriesMeeting[] =>
  entries.map(({ head: { path, title }, text }) => ({ path, title, facts: meetingFacts(readFrontMatter(splitLines(text))) }));
