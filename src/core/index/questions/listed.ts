import type { ListedGather, ListedRow } from '../../formats/listed';
import type { AnswerRow } from '../../gather/answer/answer';
import { foldPath } from '../../note/names/path';
import type { Library } from '../library';

/** The answers to some gathers as they stand at a place; to all that a note holds, where none are given. What cannot be read holds nothing. */
export function listed(library: Library, texts: readonly string[] | null, at: string | null): ListedGather[] {
  const given = texts ?? (at === null ? [] : (library.entries.get(foldPath(at))?.gathers ?? []));
  return given.map((text) => {
    const { live, answer } = library.ask(text, at);
    if (live.errors.length > 0) return { title: null, groups: [] };
    const isGrouped = live.gather.groupBy.length > 0;
    const groups = answer.groups.map(({ label, rows }) => ({ label: isGrouped ? label : null, rows: rows.map(listedRow) }));
    return { title: live.gather.title, groups };
  });
}

const listedRow = ({ row, steps }: AnswerRow): ListedRow => ({
  what: row.what,
  path: row.head.path,
  noteTitle: row.head.title,
  line: row.task.line,
  steps: steps.map(listedRow),
});
