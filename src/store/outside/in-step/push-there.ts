import type { OutsideTrouble, OutsideWrite, PutResult } from '../../../core/sharing/outside/outside-task';
import { asOthersRead, sameField } from '../../../core/sharing/outside/shared-task';
import { troubled } from './look-there';
import type { OutsideList, OutsideRecord } from '../outside-record';
import { OutsideTroubled, type OutsideRemote } from '../outside-remote';
import type { RecordBook } from '../record-book';
import { goingThere, inStep } from './settle-record';

/** So many tasks are sent at once. */
const AT_ONCE = 50;

interface Going {
  record: OutsideRecord;
  write: OutsideWrite;
}

/**
 * Sends what changed here, and takes away there what a person took off the list here. What is sent is kept with its answer, part by part.
 *
 * @param now in milliseconds since 1970
 * @returns whether something else was there than was seen, so that it is to be looked at again
 */
export async function pushThere(list: OutsideList, book: RecordBook, remote: OutsideRemote, now: number): Promise<boolean> {
  let isOther = false;
  try {
    // What bears the name of a line could stand on a list that nobody looked at yet.
    const mayMake = book.lists.every(({ token, account }) => token !== null || account.address !== list.account.address);
    const going = book.of(list.name).flatMap((record): Going[] => {
      const write = record.id !== null || mayMake ? writeOf(record) : null;
      return write ? [{ record, write }] : [];
    });
    for (let at = 0; at < going.length; at += AT_ONCE) {
      const some = going.slice(at, at + AT_ONCE);
      const results = await remote.put(
        list,
        some.map(({ write }) => write),
      );
      const troubles = some.flatMap((one, index): OutsideTrouble[] => {
        const result = results[index];
        if (!result) return [];
        if (result.is === 'failed') return [result.trouble];
        isOther = takeResult(one, result, book, now) || isOther;
        return [];
      });
      await book.keep();
      const [trouble] = troubles;
      if (trouble) throw new OutsideTroubled(trouble);
    }
    isOther = (await removeThere(list, book, remote)) || isOther;
  } catch (error) {
    await book.keep();
    await troubled(list, book, error, now);
    return false;
  }
  return isOther;
}

/** What is to be written of a task; null for nothing. */
function writeOf(record: OutsideRecord): OutsideWrite | null {
  const { here, id, uid, tag, source, asks, isGone, isUnread, dropped, more, written, description } = record;
  if (!here || asks !== null || isGone || isUnread || dropped) return null;
  const fields = goingThere(record, here);
  // What others wrote under a task there is theirs.
  const isOurs = id === null || description === '' || description === written?.description;
  const isOld =
    more !== null && isOurs && (more.description !== written?.description || more.url !== written.url || more.ref !== written.ref);
  if (id !== null && fields.length === 0 && !isOld) return null;
  return { id, uid, tag, source, change: { fields, task: asOthersRead(here), more: isOld ? more : null } };
}

/** Keeps what became of a write; whether something else was there. */
function takeResult({ record, write }: Going, result: Exclude<PutResult, { is: 'failed' }>, book: RecordBook, now: number): boolean {
  const { here } = record;
  if (!here) return false;
  const { fields, more } = write.change;
  if (result.is === 'done') {
    const { id, tag, source, face } = result.task;
    const last = record.id === null || !record.last ? { here, there: face.task } : inStep(record, here, face.task, fields);
    const noticed = Object.fromEntries(Object.entries(record.noticed).filter(([field]) => !fields.some((one) => one === field)));
    book.put({
      ...record,
      id,
      tag,
      source,
      last,
      noticed,
      there: face.task,
      modified: now,
      description: face.description,
      written: more ?? record.written,
    });
    return false;
  }
  if (record.id !== null) return true;
  const { task } = result;
  // It was made before, and nothing is known of that any more; or somebody else has a task of this name.
  const held = task ? book.at(task.id) : null;
  const isOurs = task?.face.ref === record.ref || (task?.face.ref === null && sameField('words', task.face.task, asOthersRead(here)));
  if (task && isOurs && !held?.joined) {
    if (held) book.drop(held);
    const { id, tag, source, face } = task;
    book.put({ ...record, id, tag, source, there: face.task, description: face.description, written: more });
  } else book.put({ ...record, uid: `recado-${record.ref}-${Math.random().toString(36).slice(2, 10)}` });
  return true;
}

async function removeThere(list: OutsideList, book: RecordBook, remote: OutsideRemote): Promise<boolean> {
  const going = book.of(list.name).filter(({ dropped }) => dropped);
  let isOther = false;
  for (let at = 0; at < going.length; at += AT_ONCE) {
    const some = going.slice(at, at + AT_ONCE);
    const removals = some.flatMap(({ id, tag }) => (id === null || tag === null ? [] : [{ id, tag }]));
    const results = removals.length === 0 ? [] : await remote.remove(list, removals);
    for (const record of some) {
      const result = results[removals.findIndex(({ id }) => id === record.id)];
      if (!result || result.is === 'done') book.drop(record);
      // It was changed there meanwhile: it stays, and comes back here.
      else if (result.is === 'other') {
        book.put({ ...record, dropped: false, own: null });
        isOther = true;
      } else {
        await book.keep();
        throw new OutsideTroubled(result.trouble);
      }
    }
    await book.keep();
  }
  return isOther;
}
