import type { OutsideTask } from '../../../core/sharing/outside/outside-task';
import { type OutsideList, newRecord } from '../outside-record';
import { OutsideTroubled, type OutsideRemote } from '../outside-remote';
import type { RecordBook } from '../record-book';

/** So many tasks are fetched at once. */
const AT_ONCE = 200;

/**
 * Looks at what changed on a list and keeps it; nothing is done about it yet. Where the service fails, all stays as it was known.
 *
 * @param now in milliseconds since 1970
 * @returns the list as it was left
 */
export async function lookThere(
  list: OutsideList,
  book: RecordBook,
  remote: OutsideRemote,
  now: number,
  makeRef: () => string,
): Promise<OutsideList> {
  if (list.until !== null && list.until > now) return list;
  try {
    const look = await remote.changes(list);
    const wanted = look.changed.filter(({ id, tag }) => book.at(id)?.tag !== tag || book.at(id)?.isGone === true).map(({ id }) => id);
    const tasks: OutsideTask[] = [];
    for (let at = 0; at < wanted.length; at += AT_ONCE) tasks.push(...(await remote.tasks(list, wanted.slice(at, at + AT_ONCE))));
    const read = new Set(tasks.map(({ id }) => id));
    for (const id of wanted) {
      const record = read.has(id) ? null : book.at(id);
      if (record) book.put({ ...record, isUnread: true });
    }
    for (const task of tasks) take(list.name, task, look.skew, book, makeRef);
    const there = new Set(look.changed.map(({ id }) => id));
    const gone = look.whole ? book.of(list.name).flatMap(({ id }) => (id === null || there.has(id) ? [] : [id])) : look.gone;
    for (const id of gone) {
      const record = book.at(id);
      if (record?.list === list.name) book.put({ ...record, isGone: true });
    }
    const next = { ...list, token: look.token, at: now, trouble: null, until: null };
    await book.keep(next);
    return next;
  } catch (error) {
    return troubled(list, book, error, now);
  }
}

/** What went wrong with a service is kept with its list. */
export async function troubled(list: OutsideList, book: RecordBook, error: unknown, now: number): Promise<OutsideList> {
  if (!(error instanceof OutsideTroubled)) throw error;
  const { trouble, after } = error;
  const next: OutsideList = { ...list, trouble, until: trouble === 'busy' ? now + 1000 * (after ?? 30) : null };
  await book.keep(next);
  return next;
}

function take(list: string, { id, tag, source, face }: OutsideTask, skew: number, book: RecordBook, makeRef: () => string): void {
  // One whose making was not heard of, or whose store was lost, is known by its own name.
  const own = face.ref === null ? null : book.get(list, face.ref);
  const present = book.at(id) ?? (own?.id == null ? own : null);
  const record = present ?? newRecord(list, freeRef(face.ref, book, makeRef), face.uid);
  const modified = face.modified === null ? null : face.modified - skew;
  const asks = record.asks === 'gone there' ? null : record.asks;
  book.put({
    ...record,
    id,
    tag,
    source,
    modified,
    asks,
    isUnread: false,
    uid: face.uid,
    there: face.task,
    description: face.description,
    isGone: false,
  });
}

function freeRef(ref: string | null, book: RecordBook, makeRef: () => string): string {
  if (ref !== null && !book.hasRef(ref)) return ref;
  for (;;) {
    const made = makeRef();
    if (!book.hasRef(made)) return made;
  }
}
