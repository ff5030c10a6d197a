import { ClassicLevel } from 'classic-level';
import { mkdir } from 'node:fs/promises';
import { LENT_RECORD, LENT_SEEN, type LentRecord, type LentSeen, NOT_SEEN } from './lent-record';
import type { LentStore } from './lent-store';

const BYTES = { valueEncoding: 'view' } as const;
/** A write counts once it is on the disk. */
const DURABLE = { sync: true } as const;
const DIGITS = 12;

/** Keeps what is lent in a folder of this machine, for one process. */
export class LevelStore implements LentStore {
  readonly isShared = false;
  /** The number of the last change of each text; those of earlier runs are known once it is loaded. */
  private readonly last = new Map<string, number>();

  private constructor(private readonly db: ClassicLevel) {}

  /** @throws where another process has it open, or the folder cannot be written */
  static async open(folder: string): Promise<LevelStore> {
    await mkdir(folder, { recursive: true });
    const db = new ClassicLevel(folder);
    await db.open();
    return new LevelStore(db);
  }

  async record(name: string): Promise<LentRecord | null> {
    const words = await this.db.get(`record:${name}`);
    return words === undefined ? null : LENT_RECORD.parse(JSON.parse(words));
  }

  async keepRecord(name: string, record: LentRecord): Promise<void> {
    await this.db.put(`record:${name}`, JSON.stringify(record), DURABLE);
  }

  async seen(name: string): Promise<LentSeen> {
    const words = await this.db.get(`seen:${name}`);
    return words === undefined ? NOT_SEEN : LENT_SEEN.parse(JSON.parse(words));
  }

  async keepSeen(name: string, seen: LentSeen): Promise<void> {
    if (await this.record(name)) await this.db.put(`seen:${name}`, JSON.stringify(seen));
  }

  async count(): Promise<number> {
    return (await this.db.keys({ gte: 'record:', lt: 'record;' }).all()).length;
  }

  async drop(name: string): Promise<void> {
    const changes = await this.db.keys(changesOf(name)).all();
    await this.db.batch(
      [`record:${name}`, `seen:${name}`, `state:${name}`, ...changes].map((key) => ({ type: 'del' as const, key })),
      DURABLE,
    );
    this.last.delete(name);
  }

  async load(name: string): Promise<Uint8Array[]> {
    const state = await this.db.get<string, Uint8Array>(`state:${name}`, BYTES);
    const changes = await this.db.iterator<string, Uint8Array>({ ...changesOf(name), ...BYTES }).all();
    const last = changes.at(-1)?.[0];
    if (!this.last.has(name)) this.last.set(name, last === undefined ? 0 : Number(last.slice(-DIGITS)));
    return [...(state ? [state] : []), ...changes.map(([, change]) => change)];
  }

  read(name: string): Promise<Uint8Array[]> {
    return this.load(name);
  }

  async append(name: string, change: Uint8Array): Promise<void> {
    const number = (this.last.get(name) ?? 0) + 1;
    this.last.set(name, number);
    await this.db.put<string, Uint8Array>(keyOf(name, number), change, { ...BYTES, ...DURABLE });
  }

  async save(name: string, state: Uint8Array): Promise<void> {
    const upTo = this.last.get(name) ?? 0;
    const old = await this.db.keys({ gte: keyOf(name, 0), lte: keyOf(name, upTo) }).all();
    await this.db.batch<string, Uint8Array>(
      [{ type: 'put', key: `state:${name}`, value: state, ...BYTES }, ...old.map((key) => ({ type: 'del' as const, key }))],
      DURABLE,
    );
  }

  close(): Promise<void> {
    return this.db.close();
  }
}

const keyOf = (name: string, number: number): string => `change:${name}:${String(number).padStart(DIGITS, '0')}`;
const changesOf = (name: string) => ({ gte: `change:${name}:`, lt: `change:${name};` });
