import type { AnswerView, GroupView, RowView } from './view';

/** What changed in the rows of a group: at a place one went (null), or one came. */
export interface RowSplice {
  at: number;
  row: RowView | null;
}

/** A group that changed: its new head, and its rows whole or as what happened to them. */
export interface GroupChange {
  head: Omit<GroupView, 'rows'>;
  rows: RowView[] | null;
  splices: RowSplice[];
  /** Rows that come behind those that were told before: a long list is told bit by bit. */
  more: RowView[];
}

/** What crosses to the page when an answer changed: the answer whole at first, then what is different. */
export type AnswerNews =
  | { is: 'whole'; answer: AnswerView }
  | {
      is: 'change';
      head: Omit<AnswerView, 'groups'>;
      /** The ids of the groups in their order; null while that is the same. */
      order: number[] | null;
      groups: GroupChange[];
    };

/**
 * The answer after news. Groups and rows that did not change stay the same objects, so that a view draws only the others.
 *
 * @param before the answer that the news build on; news that are whole need none
 */
function answerAfter(before: AnswerView | undefined, news: AnswerNews): AnswerView | undefined {
  if (news.is === 'whole') return news.answer;
  if (!before) return undefined;
  const known = new Map(before.groups.map((group) => [group.id, group]));
  const changed = new Map(news.groups.map((change) => [change.head.id, groupAfter(known.get(change.head.id), change)]));
  const groups = news.order
    ? news.order.flatMap((id) => changed.get(id) ?? known.get(id) ?? [])
    : before.groups.map((group) => changed.get(group.id) ?? group);
  return { ...news.head, groups };
}

function groupAfter(before: GroupView | undefined, { head, rows, splices, more }: GroupChange): GroupView {
  if (rows) return { ...head, rows };
  const next = [...(before?.rows ?? [])];
  for (const { at, row } of splices) {
    if (row) next.splice(at, 0, row);
    else next.splice(at, 1);
  }
  for (const row of more) next.push(row);
  return { ...head, rows: next };
}

/** All answers after news of some. */
export function answersAfter(
  before: Readonly<Record<string, AnswerView>>,
  news: Readonly<Record<string, AnswerNews>>,
): Record<string, AnswerView> {
  const answers = { ...before };
  for (const [id, one] of Object.entries(news)) {
    const after = answerAfter(answers[id], one);
    if (after) answers[id] = after;
  }
  return answers;
}
