import * as z from 'zod/mini';
import { RecadoDatabase } from '../notes/database';
import type { NoteStore } from '../notes/note-store';
import { OUTSIDE_NAME } from '../notes/schema';
import { type OutsideList, keyOf, newRecord } from './outside-record';
import { tellSeen } from './seen-lists';

const moment = z.nullable(z.string());
const task = z.object({
  words: z.string(),
  status: z.enum(['todo', 'underway', 'waiting', 'done', 'cancelled']),
  due: moment,
  plan: moment,
  priority: z.nullable(z.enum(['top', 'high', 'low'])),
  tags: z.array(z.string()),
  every: z.nullable(z.string()),
});
const more = z.nullable(z.object({ ref: z.string(), description: z.string(), url: z.string() }));
const SHAPE = z.object({
  lists: z.array(z.object({ name: z.string(), title: z.string(), id: z.string(), address: z.string(), user: z.string() })),
  pairs: z.array(
    z.object({
      ...{
        list: z.string(),
        ref: z.string(),
        id: z.nullable(z.string()),
        uid: z.string(),
        tag: z.nullable(z.string()),
        path: z.nullable(z.string()),
      },
      last: z.nullable(z.object({ here: task, there: task })),
      written: more,
    }),
  ),
});

/** What of outside lists a full export holds; null where none is followed. */
export async function outsideFile(name = OUTSIDE_NAME): Promise<string | null> {
  const db = new RecadoDatabase(name);
  try {
    const [lists, records] = await Promise.all([db.outsideLists.toArray(), db.outsideTasks.toArray()]);
    if (lists.length === 0) return null;
    const file: z.infer<typeof SHAPE> = {
      lists: lists.map(({ name: own, title, id, account: { address, user } }) => ({ name: own, title, id, address, user })),
      pairs: records
        .filter(({ joined }) => joined)
        .map(({ list, ref, id, uid, tag, path, last, written }) => ({
          ...{ list, ref, id, uid, tag, path, written },
          last: last && { here: { ...last.here, tags: [...last.here.tags] }, there: { ...last.there, tags: [...last.there.tags] } },
        })),
    };
    return `${JSON.stringify(file)}\n`;
  } finally {
    db.close();
  }
}

/**
 * Takes in what an export says of outside lists. Lists that are followed here already stay as they are; the key of the others is asked for on
 * their page, and until then nothing is asked there.
 *
 * @returns how many lists came in
 * @throws where the file is none
 */
export async function takeOutside(store: NoteStore, json: string, name = OUTSIDE_NAME): Promise<number> {
  const { lists, pairs } = SHAPE.parse(JSON.parse(json));
  const db = new RecadoDatabase(name);
  try {
    const known = new Set(await db.outsideLists.toCollection().primaryKeys());
    const news = lists.filter((list) => !known.has(list.name));
    const names = new Set(news.map((list) => list.name));
    await db.outsideLists.bulkPut(
      news.map(({ name: own, title, id, address, user }): OutsideList => ({
        ...{ name: own, title, id, account: { protocol: 'caldav', address, user, key: '' } },
        ...{ token: null, at: null, trouble: 'refused', until: null, told: [], lost: [], problems: [] },
      })),
    );
    const records = pairs
      .filter(({ list }) => names.has(list))
      .map((pair) => ({ ...newRecord(pair.list, pair.ref, pair.uid), ...pair, joined: true, there: pair.last?.there ?? null }));
    await db.outsideTasks.bulkPut(records.map((record) => ({ ...record, key: keyOf(record.list, record.ref) })));
    if (news.length > 0) await tellSeen(store, db);
    return news.length;
  } finally {
    db.close();
  }
}
