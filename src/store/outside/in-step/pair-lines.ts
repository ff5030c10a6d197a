import { sameField } from '../../../core/sharing/outside/shared-task';
import type { LineTask } from '../../../core/task/acts/act-on-lines';
import { isOpen } from '../../../core/task/line/status';
import type { FaceLine } from '../face-lines';
import { withoutWay } from '../face-more';
import type { JoinedNotes } from './joined-notes';
import { type LostLine, type OutsideRecord, keyOf, newRecord } from '../outside-record';
import type { RecordBook } from '../record-book';

/** Which line is the face of which task. */
export interface Pairs {
  /** By the key of the record: the line that is the other face of a task there. */
  lines: Map<string, FaceLine>;
  /** The same, of the line in the list’s own note. */
  own: Map<string, FaceLine>;
  /** Lines that get a ref, or another list that their task was moved to there. */
  tasks: LineTask[];
  problems: { list: string; path: string; why: string }[];
  lost: { list: string; line: LostLine }[];
}

/**
 * Finds the line of each task and the task of each line: by `ref`; where a line lost its ref, by words; a line that has none gets one. What is
 * gone on one side is asked about, never followed.
 *
 * @param lines those of notes that say they are joined
 * @param ownLines those in the notes of the lists
 */
export async function pairLines(
  book: RecordBook,
  lines: readonly FaceLine[],
  ownLines: ReadonlyMap<string, readonly FaceLine[]>,
  joined: Pick<JoinedNotes, 'holding'>,
  makeRef: () => string,
): Promise<Pairs> {
  const pairs: Pairs = { lines: new Map(), own: new Map(), tasks: [], problems: [], lost: [] };
  const missing: OutsideRecord[] = [];
  for (const { name } of book.lists) {
    const mine = lines.filter((line) => isOf(line, name));
    const byRef = chosen(name, mine, book, pairs);
    for (const [ref, line] of byRef) {
      const moved = book.get(name, ref) ? null : metElsewhere(name, ref, lines, book);
      if (moved) {
        pairs.tasks.push(withList(line, moved.list));
        continue;
      }
      const record = book.get(name, ref) ?? newRecord(name, ref, `recado-${ref}`);
      const asks = record.asks === 'gone here' ? null : record.asks;
      if (!record.joined || record.path !== line.path || asks !== record.asks) book.put({ ...record, joined: true, path: line.path, asks });
      pairs.lines.set(record.key, line);
    }
    const refless = mine.filter(({ ref }) => ref === null);
    const alone =
      refless.length === 0 ? [] : book.of(name).filter((one) => (one.joined || isMet(one)) && !one.isGone && !byRef.has(one.ref));
    for (const line of refless) findPartner(name, line, alone, pairs, makeRef);
    pairOwn(name, ownLines.get(name) ?? [], book, pairs, makeRef);
    for (const record of book.of(name)) if (record.joined && !byRef.has(record.ref)) missing.push(record);
  }
  await settleMissing(missing, book, pairs, joined);
  for (const { name } of book.lists) for (const record of book.of(name)) settleGone(record, book, pairs);
  return pairs;
}

/** Whether a line says that it is joined with a list, whatever its capital letters. */
const isOf = ({ joined }: FaceLine, list: string): boolean => joined?.toLowerCase() === list.toLowerCase();

/** The line of each ref: where several bear one, that which stands where it stood; the others are told. */
function chosen(list: string, lines: readonly FaceLine[], book: RecordBook, pairs: Pairs): Map<string, FaceLine> {
  const byRef = new Map<string, FaceLine[]>();
  for (const line of lines) if (line.ref !== null) byRef.set(line.ref, [...(byRef.get(line.ref) ?? []), line]);
  const found = new Map<string, FaceLine>();
  for (const [ref, all] of byRef) {
    const path = book.get(list, ref)?.path;
    const line = all.find((one) => one.path === path) ?? all[0];
    if (!line) continue;
    found.set(ref, line);
    for (const other of all)
      if (other !== line)
        pairs.problems.push({
          list,
          path: other.path,
          why: `“${other.shared.words}” bears the identity of another line; take “ref ${ref}” off it.`,
        });
  }
  return found;
}

/** A task of another list that bears the name of a line and was never seen before: it was moved there while nothing was known of it. */
function metElsewhere(list: string, ref: string, lines: readonly FaceLine[], book: RecordBook): OutsideRecord | null {
  const others = book.lists.flatMap(({ name }) => (name === list ? [] : (book.get(name, ref) ?? [])));
  const isFree = ({ list: other }: OutsideRecord): boolean => !lines.some((line) => line.ref === ref && isOf(line, other));
  return others.find((one) => !one.joined && !one.isGone && isMet(one) && isFree(one)) ?? null;
}

const withList = ({ path, line, raw }: FaceLine, list: string): LineTask => ({
  ref: { path, line, expected: raw },
  intentions: [{ do: 'set', clause: `joined ${list}` }],
});

/**
 * A line that says it is joined and has no ref: it lost it, or it is new.
 *
 * @param alone the tasks whose line is not found
 */
function findPartner(list: string, line: FaceLine, alone: readonly OutsideRecord[], pairs: Pairs, makeRef: () => string): void {
  const named = alone.filter(({ here, last, there }) =>
    [here, last ? last.here : there].some((one) => one && sameField('words', one, line.shared)),
  );
  // One that stood in this note, and is called otherwise now, may be it.
  const near = alone.filter(({ path }) => path === line.path);
  const may = (named.length > 0 ? named : near).map(({ ref }) => ref);
  const { path, raw, shared } = line;
  if (may.length > 1 || (may.length === 1 && named.length === 0)) {
    pairs.lost.push({ list, line: { path, line: line.line, raw, words: shared.words, may } });
    return;
  }
  const ref = may[0] ?? makeRef();
  pairs.tasks.push({ ref: { path, line: line.line, expected: raw }, intentions: [{ do: 'set', clause: `ref ${ref}` }] });
}

/** A task that bears the name of a line and was never seen before, as after the store was lost. */
const isMet = ({ last, id, source }: OutsideRecord): boolean => last === null && id !== null && /^X-RECADO-REF/im.test(source ?? '');

/** The lines in the note of the list itself: one that a person wrote there is to be made there. */
function pairOwn(list: string, lines: readonly FaceLine[], book: RecordBook, pairs: Pairs, makeRef: () => string): void {
  for (const line of lines) {
    const present = line.ref === null ? null : book.get(list, line.ref);
    const isKnown = present !== null && !pairs.own.has(present.key);
    // What was closed before it ever was there, as the record of a repeat, is nothing that is to be there.
    if (!isKnown && (present !== null || !isOpen(line.shared.status))) continue;
    const ref = line.ref ?? makeRef();
    const record = present ?? newRecord(list, ref, `recado-${ref}`);
    // What was taken off and put back before it went there stays.
    if (!present || present.dropped) book.put({ ...record, dropped: false });
    pairs.own.set(record.key, line);
  }
  for (const record of book.of(list)) {
    if (record.joined) continue;
    const line = pairs.own.get(record.key);
    if (line) pairs.lines.set(record.key, line);
    else if (record.id === null) book.drop(record);
    else if (record.own !== null && !record.dropped) book.put({ ...record, dropped: true });
  }
}

/** Lines that are not found: no longer joined, or gone with all that they said. */
async function settleMissing(
  missing: readonly OutsideRecord[],
  book: RecordBook,
  pairs: Pairs,
  joined: Pick<JoinedNotes, 'holding'>,
): Promise<void> {
  const unasked = missing.filter(({ asks }) => asks !== 'gone here');
  if (unasked.length === 0) return;
  const held = await joined.holding(new Set(unasked.map(({ ref }) => ref)));
  const lostWords = new Set(pairs.lost.flatMap(({ line }) => line.may));
  const found = new Set(
    pairs.tasks.flatMap(({ intentions }) => intentions.flatMap((one) => (one.do === 'set' ? one.clause.replace('ref ', '') : []))),
  );
  for (const record of unasked) {
    if (found.has(record.ref) || lostWords.has(record.ref)) continue;
    if (held.has(record.ref)) {
      book.put({ ...record, joined: false, path: null, more: record.written && withoutWay(record.written) });
      const own = pairs.own.get(record.key);
      if (own) pairs.lines.set(record.key, own);
    } else if (record.isGone || record.id === null) book.drop(record);
    else book.put({ ...record, asks: 'gone here' });
  }
}

/** What is gone there: moved to another list that is followed, or asked about where a line of a note is its other face. */
function settleGone(record: OutsideRecord, book: RecordBook, pairs: Pairs): void {
  const line = pairs.lines.get(record.key);
  if (!record.isGone || !record.joined || !line) return;
  const other = book.elsewhere(record.uid, record.list);
  if (!other || other.isGone || other.joined) {
    if (record.asks === null) book.put({ ...record, asks: 'gone there' });
    return;
  }
  pairs.tasks.push(withList(line, other.list));
  pairs.lines.delete(record.key);
  book.drop(record);
  book.drop(other);
  const { ref, last, written, noticed } = record;
  book.put({ ...other, key: keyOf(other.list, ref), ref, last, written, noticed, path: line.path, joined: true, own: null });
}
