import type { RecadoDatabase } from '../notes/database';
import { type OutsideList, type OutsideRecord, keyOf } from './outside-record';

/** Most of what is known of most tasks is the same at each look, and is not written again. */
const isSame = (one: OutsideRecord, other: OutsideRecord): boolean =>
  (Object.keys(other) as (keyof OutsideRecord)[]).every(
    (field) =>
      one[field] === other[field] || (typeof other[field] === 'object' && JSON.stringify(one[field]) === JSON.stringify(other[field])),
  );

/** What is known of the tasks of all outside lists, as it is read at the beginning of a look and kept piece by piece. */
export class RecordBook {
  private readonly all: Map<string, OutsideRecord>;
  private readonly byId = new Map<string, OutsideRecord>();
  private readonly changed = new Set<string>();
  private readonly gone = new Set<string>();

  private constructor(
    private readonly db: RecadoDatabase,
    readonly lists: OutsideList[],
    records: OutsideRecord[],
  ) {
    this.all = new Map(records.map((one) => [one.key, one]));
    for (const one of records) if (one.id !== null) this.byId.set(one.id, one);
  }

  static async read(db: RecadoDatabase): Promise<RecordBook> {
    const [lists, records] = await Promise.all([db.outsideLists.toArray(), db.outsideTasks.toArray()]);
    return new RecordBook(db, lists, records);
  }

  of(list: string): OutsideRecord[] {
    return [...this.all.values()].filter((one) => one.list === list);
  }

  get(list: string, ref: string): OutsideRecord | null {
    return this.all.get(keyOf(list, ref)) ?? null;
  }

  at(id: string): OutsideRecord | null {
    return this.byId.get(id) ?? null;
  }

  /** Of the same task on another list, as after it was moved there. */
  elsewhere(uid: string, list: string): OutsideRecord | null {
    return [...this.all.values()].find((one) => one.uid === uid && one.list !== list) ?? null;
  }

  hasRef(ref: string): boolean {
    return this.lists.some(({ name }) => this.all.has(keyOf(name, ref)));
  }

  /** What is known of a task is other now. */
  put(record: OutsideRecord): void {
    const present = this.all.get(record.key);
    if (present && isSame(present, record)) return;
    this.all.set(record.key, record);
    if (record.id !== null) this.byId.set(record.id, record);
    this.changed.add(record.key);
    this.gone.delete(record.key);
  }

  drop({ key, id }: OutsideRecord): void {
    this.all.delete(key);
    if (id !== null && this.byId.get(id)?.key === key) this.byId.delete(id);
    this.changed.delete(key);
    this.gone.add(key);
  }

  /** Makes what changed durable, and with it how a list was left: together or not at all. */
  async keep(list: OutsideList | null = null): Promise<void> {
    const records = [...this.changed].flatMap((key) => this.all.get(key) ?? []);
    const gone = [...this.gone];
    this.changed.clear();
    this.gone.clear();
    if (records.length + gone.length === 0 && !list) return;
    const { outsideLists, outsideTasks } = this.db;
    await this.db.transaction('rw', outsideLists, outsideTasks, async () => {
      await outsideTasks.bulkDelete(gone);
      await outsideTasks.bulkPut(records);
      // One that nobody follows any more does not come back.
      if (list && (await outsideLists.get(list.name))) await outsideLists.put(list);
    });
    const at = list ? this.lists.findIndex(({ name }) => name === list.name) : -1;
    if (list && at >= 0) this.lists[at] = list;
  }
}
