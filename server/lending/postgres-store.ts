import { Pool, type PoolClient } from 'pg';
import * as Y from 'yjs';
import { LENT_RECORD, LENT_SEEN, type LentRecord, type LentSeen, NOT_SEEN } from './lent-record';
import type { LentStore } from './lent-store';

const TABLES = `
  create table if not exists recado_lent (name text primary key, record jsonb not null, seen jsonb, state bytea);
  create table if not exists recado_lent_changes (
    number bigserial primary key, name text not null references recado_lent on delete cascade, change bytea not null);
  create index if not exists recado_lent_changes_name on recado_lent_changes (name);`;
/** So that two processes that start at once do not both make the tables; any number. */
const LOCK = 7_319_824;
/** What is read is of one moment: another process may bring changes into the state in between. */
const ONE_MOMENT = 'begin isolation level repeatable read read only';
/** So long it is waited for the database, in milliseconds. */
const PATIENCE = 5000;

/** Keeps what is lent in PostgreSQL, for any number of processes. */
export class PostgresStore implements LentStore {
  readonly isShared = true;
  /** The changes that are part of what this process holds of a text: those of others stay until they come to it. */
  private readonly known = new Map<string, string[]>();

  private constructor(private readonly pool: Pool) {}

  /** @throws where the database does not answer */
  static async open(address: string): Promise<PostgresStore> {
    const pool = new Pool({ connectionString: address, connectionTimeoutMillis: PATIENCE, max: 10 });
    // One that goes while nobody uses it is no reason to stop.
    pool.on('error', () => undefined);
    const store = new PostgresStore(pool);
    await store.together(async (client) => {
      await client.query('select pg_advisory_xact_lock($1)', [LOCK]);
      await client.query(TABLES);
    });
    return store;
  }

  async record(name: string): Promise<LentRecord | null> {
    const { rows } = await this.pool.query<{ record: unknown }>('select record from recado_lent where name = $1', [name]);
    return rows[0] ? LENT_RECORD.parse(rows[0].record) : null;
  }

  async keepRecord(name: string, record: LentRecord): Promise<void> {
    await this.pool.query('insert into recado_lent (name, record) values ($1, $2) on conflict (name) do update set record = $2', [
      name,
      JSON.stringify(record),
    ]);
  }

  async seen(name: string): Promise<LentSeen> {
    const { rows } = await this.pool.query<{ seen: unknown }>('select seen from recado_lent where name = $1', [name]);
    return rows[0]?.seen ? LENT_SEEN.parse(rows[0].seen) : NOT_SEEN;
  }

  async keepSeen(name: string, seen: LentSeen): Promise<void> {
    await this.pool.query('update recado_lent set seen = $2 where name = $1', [name, JSON.stringify(seen)]);
  }

  async count(): Promise<number> {
    const { rows } = await this.pool.query<{ count: string }>('select count(*) from recado_lent');
    return Number(rows[0]?.count ?? 0);
  }

  async drop(name: string): Promise<void> {
    await this.pool.query('delete from recado_lent where name = $1', [name]);
    this.known.delete(name);
  }

  async load(name: string): Promise<Uint8Array[]> {
    const { parts, numbers } = await this.parts(name);
    this.known.set(name, numbers);
    return parts;
  }

  async read(name: string): Promise<Uint8Array[]> {
    return (await this.parts(name)).parts;
  }

  private parts(name: string): Promise<{ parts: Uint8Array[]; numbers: string[] }> {
    return this.together(async (client) => {
      const state = await client.query<{ state: Buffer | null }>('select state from recado_lent where name = $1', [name]);
      const { rows } = await client.query<{ number: string; change: Buffer }>(
        'select number, change from recado_lent_changes where name = $1 order by number',
        [name],
      );
      const present = state.rows[0]?.state;
      const changes = rows.map(({ change }) => new Uint8Array(change));
      return { parts: [...(present ? [new Uint8Array(present)] : []), ...changes], numbers: rows.map(({ number }) => number) };
    }, ONE_MOMENT);
  }

  async append(name: string, change: Uint8Array): Promise<void> {
    const { rows } = await this.pool.query<{ number: string }>(
      'insert into recado_lent_changes (name, change) values ($1, $2) returning number',
      [name, Buffer.from(change)],
    );
    if (rows[0]) this.known.set(name, [...(this.known.get(name) ?? []), rows[0].number]);
  }

  async save(name: string, state: Uint8Array): Promise<void> {
    const known = this.known.get(name) ?? [];
    await this.together(async (client) => {
      // Another process may have kept what did not come here yet.
      const { rows } = await client.query<{ state: Buffer | null }>('select state from recado_lent where name = $1 for update', [name]);
      const there = rows[0]?.state;
      const both = there ? bothOf(new Uint8Array(there), state) : state;
      await client.query('update recado_lent set state = $2 where name = $1', [name, Buffer.from(both)]);
      await client.query('delete from recado_lent_changes where name = $1 and number = any($2::bigint[])', [name, known]);
    });
    const left = new Set(known);
    this.known.set(
      name,
      (this.known.get(name) ?? []).filter((number) => !left.has(number)),
    );
  }

  close(): Promise<void> {
    return this.pool.end();
  }

  private async together<T>(work: (client: PoolClient) => Promise<T>, begin = 'begin'): Promise<T> {
    const client = await this.pool.connect();
    try {
      await client.query(begin);
      const result = await work(client);
      await client.query('commit');
      return result;
    } catch (error) {
      await client.query('rollback').catch(() => undefined);
      throw error;
    } finally {
      client.release();
    }
  }
}

/** Both states in one, and what was deleted in either let go. */
function bothOf(one: Uint8Array, other: Uint8Array): Uint8Array {
  const doc = new Y.Doc();
  Y.applyUpdate(doc, one);
  Y.applyUpdate(doc, other);
  return Y.encodeStateAsUpdate(doc);
}
