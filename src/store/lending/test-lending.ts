import * as Y from 'yjs';
import { LENT_SETTINGS } from '../../core/sharing/lend/lent-settings';
import { partAt, type LentKind } from '../../core/sharing/lend/lent-part';
import { lentText } from '../../core/sharing/lend/lent-lines';
import type { LentState } from '../../core/sharing/lend/lent-messages';
import type { NoteStore } from '../notes/note-store';
import type { LentBranch } from './lent-branch';
import type { LendingServer } from './lending-server';
import { type LentHost, LentKeeper } from './lent-keeper';
import { writeInto } from './write-into';

/** A server of lending in memory: each side hears of the other when both are joined, and at once. */
export class MemoryLending {
  readonly docs = new Map<string, Y.Doc>();
  /** Who changed what, as a server knows it. */
  readonly hands = new Map<string, { name: string; at: number }[]>();
  readonly ended = new Set<string>();
  readonly dropped = new Set<string>();
  private readonly joins = new Map<Y.Doc, () => void>();

  docOf(name: string): Y.Doc {
    const present = this.docs.get(name);
    if (present) return present;
    const doc = new Y.Doc();
    this.docs.set(name, doc);
    return doc;
  }

  /** Joins somebody’s document with the one of a name; gives what parts them. */
  join(name: string, mine: Y.Doc): () => void {
    const there = this.docOf(name);
    Y.applyUpdate(there, Y.encodeStateAsUpdate(mine, Y.encodeStateVector(there)), mine);
    Y.applyUpdate(mine, Y.encodeStateAsUpdate(there, Y.encodeStateVector(mine)), 'server');
    const out = (update: Uint8Array, origin: unknown): void => void (origin !== 'server' && Y.applyUpdate(there, update, mine));
    const into = (update: Uint8Array, origin: unknown): void => void (origin !== mine && Y.applyUpdate(mine, update, 'server'));
    mine.on('update', out);
    there.on('update', into);
    const part = (): void => {
      mine.off('update', out);
      there.off('update', into);
      this.joins.delete(mine);
    };
    this.joins.set(mine, part);
    return part;
  }

  readonly server: LendingServer = {
    lend: ({ name }, { ended }) => {
      if (ended) this.ended.add(name);
      return Promise.resolve(null);
    },
    state: ({ name }) => Promise.resolve(this.dropped.has(name) ? null : { ...NOBODY, hands: this.hands.get(name) ?? [] }),
    text: ({ name }) => Promise.resolve(this.docs.has(name) ? Y.encodeStateAsUpdate(this.docOf(name)) : null),
    drop: ({ name }) => {
      this.dropped.add(name);
      this.docs.delete(name);
      return Promise.resolve();
    },
  };
}

const NOBODY: LentState = { rights: 'write', until: null, hasWord: false, since: 0, opened: null, changes: 0, hands: [], there: 0 };

/** A borrower who writes by lines, as hands do. */
export class Borrower {
  readonly doc = new Y.Doc();
  private leaves: (() => void) | null = null;

  constructor(
    private readonly lending: MemoryLending,
    private readonly name: string,
    private readonly who: string,
  ) {}

  come(): this {
    this.leaves ??= this.lending.join(this.name, this.doc);
    return this;
  }

  go(): void {
    this.leaves?.();
    this.leaves = null;
  }

  get text(): string {
    return this.doc.getText('text').toString();
  }

  write(change: (text: string) => string, at = 0): void {
    writeInto(this.doc.getText('text'), change(this.text), null);
    const hands = this.lending.hands.get(this.name) ?? [];
    this.lending.hands.set(this.name, [{ name: this.who, at }, ...hands.filter(({ name }) => name !== this.who)]);
  }
}

/** Puts a part of a note on loan, as the program does. */
export async function lendPart(
  store: NoteStore,
  name: string,
  path: string,
  line: number,
  kind: LentKind,
  ref: string | null,
): Promise<LentBranch> {
  const note = await store.get(path);
  const text = note?.text ?? '';
  const part = partAt(text, line, kind);
  if (!note || !part) throw new Error(`nothing begins on line ${line} of ${path}`);
  const doc = new Y.Doc();
  writeInto(doc.getText('text'), lentText(text, part), null);
  const branch: LentBranch = {
    ...{ name, address: name, key: name, title: 'Lens', who: '', rights: 'write', until: null, hasWord: false, since: 0 },
    ...{ gone: [], rows: [], trouble: null, ended: false, there: null, heard: 0, text, state: Y.encodeStateAsUpdate(doc) },
    what: { is: 'part', note: note.id, path, part, ref },
  };
  await store.db.lent.put(branch);
  return branch;
}

/** Keeps what a store lends, with a server in memory. */
export function keeperOf(store: NoteStore, lending: MemoryLending, more: Partial<LentHost> = {}) {
  const problems: unknown[] = [];
  const arrived: { who: string; step: number }[] = [];
  const beside: string[] = [];
  const joined = new Map<string, { doc: Y.Doc; told: Parameters<LentHost['connect']>[2]; part: (() => void) | null }>();
  let isAway = false;
  const keeper = new LentKeeper({
    ...{ store, server: lending.server },
    connect: (branch, doc, told) => {
      const one = { doc, told, part: isAway ? null : lending.join(branch.name, doc) };
      joined.set(branch.name, one);
      if (!isAway) queueMicrotask(told.synced);
      return { leave: () => one.part?.() };
    },
    answer: () => Promise.resolve([]),
    act: () => Promise.resolve(null),
    save: () => Promise.resolve(),
    settings: () => LENT_SETTINGS.parse({}),
    makeId: () => Math.random().toString(36).slice(2, 10),
    now: () => 1000,
    arrived: (_, who, step) => void arrived.push({ who, step }),
    beside: (_title, path) => void beside.push(path),
    problem: (error) => void problems.push(error),
    ...more,
  });
  const stop = store.listen(keeper.listener);
  return {
    ...{ keeper, problems, arrived, beside },
    /** The network goes. */
    away: () => {
      isAway = true;
      for (const one of joined.values()) {
        one.part?.();
        one.part = null;
      }
    },
    back: () => {
      isAway = false;
      for (const [name, one] of joined) {
        one.part ??= lending.join(name, one.doc);
        one.told.synced();
      }
    },
    /** Looks until nothing is left to be brought over. */
    settle: async () => {
      for (let round = 0; round < 3; round++) await keeper.settle();
    },
    end: () => {
      stop();
      keeper.end();
    },
  };
}
