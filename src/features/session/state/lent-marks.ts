import { foldPath } from '../../../core/note/names/path';

/** What bears the sign of being lent: tasks by their ref, sections by the line of their heading, and the notes that hold any of it. */
export interface LentMarks {
  refs: ReadonlySet<string>;
  /** Folded path, line break, the whole line of the heading. */
  headings: ReadonlySet<string>;
  notes: ReadonlySet<string>;
}

const text = (one: unknown): string | null => (typeof one === 'string' ? one : null);

/** Read without the schema of all that is told: it is looked at with the first page, and few lend anything. */
function readMarks(given: unknown): LentMarks {
  const all = (Array.isArray(given) ? given : []) as Record<string, unknown>[];
  const marks = { refs: new Set<string>(), headings: new Set<string>(), notes: new Set<string>() };
  for (const { path, ref, kind, words } of all) {
    const at = text(path);
    if (kind === 'list' || at === null) continue;
    marks.notes.add(foldPath(at));
    if (text(ref) !== null) marks.refs.add(text(ref) ?? '');
    else if (kind !== 'note') marks.headings.add(`${foldPath(at)}\n${text(words) ?? ''}`);
  }
  return marks;
}

export const LENT_MARKS = { id: 'lent', read: readMarks };
export const NO_MARKS: LentMarks = readMarks([]);
