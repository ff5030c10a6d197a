import type { RecadoDatabase } from '../notes/database';
import { type OutsideList, type OutsideRecord, keyOf } from './outside-record';

/** Most of what is known of most tasks is the same at each look, and is not written again. */
const isSame = (one: OutsideRecord, other: OutsideRecord): boolean =>
  (Object.keys(other) as (keyof OutsideRecord)[]).every(
    (field) =>
      one[field] === other[field] || (typeof other[field] === 'object' && JSON.stringify(one[field]) === JSON.stringify(other[field])),
  );

/**
 * What is known of the tasks of all outside lists, as it is read at the beginning of a look and kept piece by piece. A look waits for services,
 * and a person does not wait for a look: what somebody changed meanwhile stays as it was changed.
 */
export class RecordBook {
  private readonly all: Map<string, OutsideRecord>;
  private readonly byId = new Map<string, OutsideRecord>();
  /** As it was read or kept last. */
  private readonly kept: Map<string, OutsideRecord>;
  private readonly changed = new Set<string>();
  private readonly gone = new Set<string>();

  private constructor(
    private readonly db: RecadoDatabase,
    public lists: readonly OutsideList[],
    records: OutsideRecord[],
  ) {
    this.all = new Map(records.map((one) => [one.key, one]));
    this.kept = new Map(this.all);
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

  /** Which lists are followed now. */
  async lookAtLists(): Promise<void> {
    this.lists = await this.db.outsideLists.toArray();
  }

  /**
   * Makes what changed durable, and with it how a list was left: together or not at all.
   *
   * @returns whether somebody else changed some of it meanwhile, so that it is as they left it
   */
  async keep(list: OutsideList | null = null): Promise<boolean> {
    const keys = [...this.changed, ...this.gone];
    this.changed.clear();
    this.gone.clear();
    if (keys.length === 0 && !list) return false;
    let isOther = false;
    const { outsideLists, outsideTasks } = this.db;
    await this.db.transaction('rw', outsideLists, outsideTasks, async () => {
      const present = await outsideTasks.bulkGet(keys);
      const mine = keys.filter((key, at) => this.isAsKept(key, present[at]) || this.takeOver(key, present[at]));
      isOther = mine.length < keys.length;
      await outsideTasks.bulkPut(mine.flatMap((key) => this.all.get(key) ?? []));
      await outsideTasks.bulkDelete(mine.filter((key) => !this.all.has(key)));
      // One that nobody follows any more does not come back, and neither does the key that it had before.
      const followed = list && (await outsideLists.get(list.name));
      if (list && followed) await outsideLists.put({ ...list, account: followed.account });
    });
    for (const key of keys) this.keptNow(key);
    this.lists = this.lists.map((one) => (one.name === list?.name ? list : one));
    return isOther;
  }

  private isAsKept(key: string, present: OutsideRecord | undefined): boolean {
    const before = this.kept.get(key);
    return before === undefined || present === undefined ? before === present : isSame(before, present);
  }

  /** Somebody else changed it: it is as they left it. */
  private takeOver(key: string, present: OutsideRecord | undefined): false {
    if (present) this.all.set(key, present);
    else this.all.delete(key);
    return false;
  }

  private keptNow(key: string): void {
    const record = this.all.get(key);
    if (record) this.kept.set(key, record);
    else this.kept.delete(key);
  }
}
