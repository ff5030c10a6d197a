import { type Connection, type Document, type Extension, Hocuspocus } from '@hocuspocus/server';
import { Database } from '@hocuspocus/extension-database';
import { Throttle } from '@hocuspocus/extension-throttle';
import * as Y from 'yjs';
import {
  LENT_ABOUT,
  LENT_SAID,
  LENT_TOKEN,
  type LentRefusal,
  type LentRights,
  type LentState,
  type LentTold,
  readLent,
} from '../../src/core/sharing/lend/lent-messages';
import { inTurn } from '../parts/in-turn';
import { PerMinute } from '../parts/per-minute';
import { digest, isSame } from '../parts/secrets';
import { KeptChanges } from './kept-changes';
import { type LentRecord, isLent } from './lent-record';
import type { LentStore } from './lent-store';
import { MessageGuard } from './message-guard';
import { SeenLent } from './seen-lent';
import { isWord, wordKept } from './words';

/** How much one server lends, and to how many at once. */
export interface LendingLimits {
  texts: number;
  /** Of one text, at once. */
  borrowers: number;
  /** From one address of the network, and to one text, within a minute. */
  asked: number;
  admitted: number;
}

const LIMITS: LendingLimits = { texts: 10_000, borrowers: 100, asked: 600, admitted: 600 };
/** So long texts may take to be put away, in milliseconds. */
const PATIENCE = 1500;
/** Extensions of more weight come first; what joins processes has 1000. */
const FIRST = 2000;
/** How often it is looked whose last day is over, in milliseconds. */
const EACH = 1000;
/** So many wrong words are taken for a text within a minute. */
const MOST_GUESSES = 10;
/** What borrowers do is kept so often, in milliseconds. */
const KEPT_EACH = 5000;
/** So many ticks wait for their owner. */
const MOST_TICKS = 2000;

/** What is known of who is joined. */
interface Reader {
  role: 'owner' | 'borrower';
  rights: LentRights;
  name: string;
  /** When they may no more, in milliseconds since 1970; null for never. */
  until: number | null;
}

/** What the owner wishes. */
export interface LendingWish {
  rights: LentRights;
  until: number | null;
  /** A word that is asked for; null for none, undefined to leave it as it is. */
  word?: string | null | undefined;
  ended?: boolean | undefined;
}

interface LendingParts {
  now?: () => number;
  limits?: LendingLimits;
  /** What joins several processes. */
  extensions?: Extension[];
  /** Tells other processes that what is known of a text changed. */
  tell?: (name: string) => void;
}

/**
 * Texts that are lent: each is a document that its owner and those with its address change at once. Who only reads is kept from writing here, whatever
 * is sent; who is called back is put out at once.
 */
export class Lending {
  readonly hub: Hocuspocus;
  private readonly now: () => number;
  private readonly limits: LendingLimits;
  private readonly tell: (name: string) => void;
  private readonly turn = inTurn();
  private readonly kept: KeptChanges;
  private readonly guard = new MessageGuard();
  private readonly seen: SeenLent;
  private readonly guesses: PerMinute;
  private readonly asked: PerMinute;
  private readonly timers: readonly NodeJS.Timeout[];

  constructor(
    private readonly store: LentStore,
    { now = Date.now, limits = LIMITS, extensions = [], tell = () => undefined }: LendingParts = {},
  ) {
    this.now = now;
    this.limits = limits;
    this.tell = tell;
    this.guesses = new PerMinute(MOST_GUESSES, now);
    this.asked = new PerMinute(limits.admitted, now);
    this.kept = new KeptChanges(store, (error) => console.error('[lending] a change cannot be kept:', reasonOf(error)));
    this.seen = new SeenLent(store, now);
    const database = new Database({
      fetch: async ({ documentName }) => {
        const parts = await store.load(documentName);
        return parts.length === 0 ? null : Y.mergeUpdates(parts);
      },
      store: ({ documentName, state }) => this.save(documentName, new Uint8Array(state)),
    });
    this.hub = new Hocuspocus({
      quiet: true,
      debounce: 2000,
      maxDebounce: 10_000,
      extensions: [new Throttle({ throttle: limits.asked, banTime: 1 }), ...extensions, database, this.hooks()],
    });
    this.timers = [setInterval(() => this.sweep(), EACH), setInterval(() => void this.seen.flush().catch(() => undefined), KEPT_EACH)];
    for (const timer of this.timers) timer.unref();
  }

  /** Lends a text, or changes how it is lent; the key of the first who does is asked of all later ones. */
  lend(name: string, key: string, wish: LendingWish): Promise<'done' | 'refused' | 'full'> {
    return this.turn(async () => {
      const known = await this.store.record(name);
      if (known && !isSame(known.owner, digest(key))) return 'refused';
      if (!known && (await this.store.count()) >= this.limits.texts) return 'full';
      const word = wish.word === undefined ? (known?.word ?? null) : wish.word === null ? null : await wordKept(wish.word);
      const { rights, until, ended = known?.ended ?? false } = wish;
      await this.store.keepRecord(name, { owner: digest(key), rights, until, word, ended, since: known?.since ?? this.now() });
      await this.changed(name);
      this.tell(name);
      return 'done';
    });
  }

  /** How a text stands, for its owner; null where there is none, or the key is another. */
  async state(name: string, key: string): Promise<LentState | null> {
    const record = await this.owned(name, key);
    if (!record) return null;
    const { rights, until, word, since } = record;
    const there = [...(this.hub.documents.get(name)?.awareness.getStates().values() ?? [])].filter((one) => 'borrower' in one).length;
    return { rights, until, hasWord: word !== null, since, ...(await this.seen.of(name)), there };
  }

  /** All that is kept of a text, in the form of Yjs, for its owner; also what came by another process. */
  async text(name: string, key: string): Promise<Uint8Array | null> {
    if (!(await this.owned(name, key))) return null;
    await this.kept.settled(name);
    return Y.mergeUpdates(await this.store.read(name));
  }

  /** A text goes with all that is known of it. */
  drop(name: string, key: string): Promise<'done' | 'refused'> {
    return this.turn(async () => {
      const record = await this.store.record(name);
      if (!record) return 'done';
      if (!isSame(record.owner, digest(key))) return 'refused';
      await this.store.keepRecord(name, { ...record, ended: true });
      this.putOut(name, () => true);
      this.tell(name);
      await this.kept.forget(name);
      this.seen.forget(name);
      await this.store.drop(name);
      return 'done';
    });
  }

  /** What is known of a text changed, here or in another process: whoever may no more goes, whoever may something else comes anew. */
  async changed(name: string): Promise<void> {
    if (!this.hub.documents.has(name)) return;
    const record = await this.store.record(name);
    const isOver = !record || !isLent(record, this.now());
    this.putOut(name, ({ role }) => !record || (role === 'borrower' && isOver));
    this.putOut(name, ({ role, rights }) => role === 'borrower' && rights !== record?.rights, 'again');
    for (const { context } of this.hub.documents.get(name)?.getConnections() ?? [])
      if (readerOf(context).role === 'borrower') readerOf(context).until = record?.until ?? null;
  }

  async close(): Promise<void> {
    for (const timer of this.timers) clearInterval(timer);
    this.hub.closeConnections();
    // What each text still has to say is said before what says it goes.
    for (const end = Date.now() + PATIENCE; this.hub.documents.size > 0 && Date.now() < end;)
      await new Promise((resolve) => setTimeout(resolve, 20));
    await this.kept.close();
    await this.seen.flush();
    await this.hub.hooks('onDestroy', { instance: this.hub });
    await this.store.close();
  }

  private async owned(name: string, key: string): Promise<LentRecord | null> {
    const record = await this.store.record(name);
    return record && isSame(record.owner, digest(key)) ? record : null;
  }

  /** @param why what they are told: that there is nothing, or to come again */
  private putOut(name: string, isMeant: (reader: Reader) => boolean, why: 'nothing' | 'again' = 'nothing'): void {
    for (const connection of this.hub.documents.get(name)?.getConnections() ?? [])
      if (isMeant(readerOf(connection.context))) connection.close({ code: 4404, reason: why });
  }

  /** Whose last day is over goes, also where it is open. */
  private sweep(): void {
    this.guesses.prune();
    this.asked.prune();
    for (const name of this.hub.documents.keys()) this.putOut(name, ({ until }) => until !== null && this.now() >= until);
  }

  /** A state that cannot be kept now loses nothing: its changes are, or are still tried. */
  private async save(name: string, state: Uint8Array): Promise<void> {
    try {
      if (await this.store.record(name)) await this.store.save(name, state);
    } catch (error) {
      console.error('[lending] a text cannot be kept:', reasonOf(error));
    }
  }

  private hooks(): Extension {
    return {
      // Before what joins several processes, which waits for an answer: a change counts from the moment it came.
      priority: FIRST,
      onAuthenticate: async ({ token, documentName, connectionConfig, context }) => {
        const reader = await this.admitted(documentName, token);
        if (typeof reader === 'string') throw new Refused(reader);
        connectionConfig.readOnly = reader.role === 'borrower' && reader.rights !== 'write';
        if (reader.role === 'borrower') this.seen.opened(documentName);
        // The socket that asks is no longer one that only waits.
        (context as { letIn?: () => void }).letIn?.();
        return reader;
      },
      beforeHandleMessage: ({ document, update, connection, context }) => {
        const verdict = this.guard.check(document, update, readerOf(context).role === 'owner');
        if (verdict === 'fine') return Promise.resolve();
        if (verdict === 'full') connection.sendStateless(JSON.stringify({ full: true } satisfies LentTold));
        return Promise.reject(new Refused(verdict === 'full' ? 'full' : 'refused'));
      },
      // Nobody waits for it: it must not fail.
      onChange: ({ documentName, update, context, transactionOrigin }) => {
        // What came from another process is on the disk by it.
        if (typeof transactionOrigin !== 'string') this.kept.add(documentName, update);
        const { role, name } = readerOf(context);
        if (role === 'borrower') this.seen.changed(documentName, name);
        return Promise.resolve();
      },
      onStateless: async ({ connection, document, documentName, payload }) => {
        const said = readLent(LENT_SAID, payload);
        if (!said) return;
        const reader = readerOf(connection.context);
        if ('mark' in said) {
          await this.kept.settled(documentName);
          connection.sendStateless(JSON.stringify({ kept: said.mark } satisfies LentTold));
        } else if ('name' in said) reader.name = said.name;
        else if (reader.rights === 'tick' && reader.role === 'borrower') tick(document, connection, said.tick, reader.name, this.now());
      },
    };
  }

  /** Who asks, or why they are not let in: each asks the store once, whatever is wrong. */
  private async admitted(name: string, token: string): Promise<Reader | LentRefusal> {
    const asked = readLent(LENT_TOKEN, token);
    const record = await this.store.record(name);
    if (!asked) return 'nothing';
    if ('key' in asked)
      return record && isSame(record.owner, digest(asked.key)) ? { role: 'owner', rights: 'write', name: '', until: null } : 'nothing';
    if (!record || !isSame(name, digest(asked.address)) || !isLent(record, this.now())) return 'nothing';
    if (this.asked.isTooMany(name)) return 'busy';
    if (record.word) {
      if (asked.word === undefined) return 'word';
      if (this.guesses.isTooMany(name)) return 'busy';
      if (!(await isWord(record.word, asked.word))) return 'wrong word';
      this.guesses.forgive(name);
    }
    if ((this.hub.documents.get(name)?.getConnectionsCount() ?? 0) >= this.limits.borrowers) return 'busy';
    return { role: 'borrower', rights: record.rights, name: asked.name ?? '', until: record.until };
  }
}

/** Why somebody is not let in, or put out; without words of its own it is written into no log. */
class Refused extends Error {
  readonly code = 4403;

  constructor(readonly reason: string) {
    super('');
  }
}

const reasonOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));

/** The hub hands over what the hooks said of who is joined. */
const readerOf = (context: unknown): Reader => context as Reader;

/** A tick on a row of a list waits in the text until its owner’s program puts it onto its line. */
function tick(document: Document, connection: Connection, { id, status }: { id: string; status: string }, who: string, at: number): void {
  const about = LENT_ABOUT.safeParse(document.getMap('about').toJSON());
  const ticks = document.getMap('ticks');
  if (!about.success || !about.data.rows.includes(id) || (ticks.size >= MOST_TICKS && !ticks.has(id))) return;
  document.transact(() => ticks.set(id, { status, who, at }), connection);
}
