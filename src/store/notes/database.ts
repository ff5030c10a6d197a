import Dexie, { type DBCore, type Table } from 'dexie';
import type { EarlierText } from '../keep/earlier-text';
import type { DeskFile } from '../desk/desk-file';
import type { LentBranch } from '../lending/lent-branch';
import type { OutsideList, OutsideRecord } from '../outside/outside-record';
import type { StoredPicture } from '../pictures/stored-picture';
import type { InStep } from '../folder/in-step-record';
import type { Part } from '../acting/step-parts';
import { type Content, type DemoState, type Marked, type StoredNote, newNoteId } from './content';
import type { Origin } from './origin';
import { DATABASE_NAME, NEWEST, TABLES, TURN } from './schema';
import { isStoreClosed } from './failure';

/** What a step did to one note; null where there was none. */
export interface StepChange {
  path: string;
  /** The id of the note; steps that were stored before notes had one say none. */
  id?: string;
  before: Content | Part | null;
  /** Of many notes that came in together only a mark is kept, of a long text the part that was changed. */
  after: Content | Marked | Part | null;
  demo: DemoState;
  /** The path that the note had before the step moved it. */
  movedFrom?: string;
}

/** A change with its texts whole, as it is told of. */
export type WholeChange = StepChange & { before: Content | null };

/** One step that Undo takes back. */
export interface Step {
  id?: number;
  tab: string;
  label: string;
  at: number;
  changes: StepChange[];
  /** What made it; steps that were stored before this was kept say none. */
  by?: Origin['by'];
}

interface KeyedValue {
  id: string;
  value: unknown;
}

/** The store was written by a newer version of the program: this one reads it, and writes nothing into it. */
export class NewerStoreError extends Error {
  constructor() {
    super('The store was written by a newer version of Recado.');
    this.name = 'NewerStoreError';
  }
}

/** The database of the browser: notes are the truth, the rest stands beside them. */
export class RecadoDatabase extends Dexie {
  declare notes: Table<StoredNote, string>;
  declare steps: Table<Step, number>;
  declare values: Table<KeyedValue, string>;
  /** What notes held before, and apart from it the texts themselves, which are much larger. */
  declare earlier: Table<EarlierText, number>;
  /** What notes and the files of a folder were when they were the same last. */
  declare inStep: Table<InStep, string>;
  declare inStepContents: Table<{ key: string; content: Content }, string>;
  /** The same of the desk on a server, and what is known of its sealed files. */
  declare deskStep: Table<InStep, string>;
  declare deskStepContents: Table<{ key: string; content: Content }, string>;
  declare deskFiles: Table<DeskFile, string>;
  /** The outside lists that are followed, and what is known of the tasks on them. */
  declare outsideLists: Table<OutsideList, string>;
  declare outsideTasks: Table<OutsideRecord, string>;
  /** What is lent, and what both sides of it agreed on. */
  declare lent: Table<LentBranch, string>;
  /** The pictures that notes show, beside them. */
  declare pictures: Table<StoredPicture, string>;
  declare earlierContents: Table<{ id: number; content: Content }, number>;
  private abandoned = false;

  constructor(
    name = DATABASE_NAME,
    /** Whether a newer version of the program wrote it: it is shown as it is then, and not written into. */
    readonly onlyRead = false,
  ) {
    // A write is called saved only when it is on the disk, not merely handed to the system.
    super(name, { chromeTransactionDurability: 'strict' });
    if (onlyRead) {
      // Without a version of its own the library takes the tables that it finds, and adds none.
      this.use({ stack: 'dbcore', name: 'only read', create: withoutWrites });
      return;
    }
    this.use({ stack: 'dbcore', name: 'in turn', create: writesInTurn });
    this.version(1).stores(TABLES[1]);
    this.version(2)
      .stores(TABLES[2])
      .upgrade((tables) =>
        tables
          .table<Partial<StoredNote>>('notes')
          .toCollection()
          .modify((note) => void (note.id ??= newNoteId())),
      );
    this.version(3).stores(TABLES[3]);
    this.version(4).stores(TABLES[4]);
    this.version(5).stores(TABLES[5]);
    this.version(6).stores(TABLES[6]);
    this.version(7).stores(TABLES[7]);
    this.version(8).stores(TABLES[8]);
  }

  /**
   * Opens it, for whoever wants to know why it cannot be opened.
   *
   * @throws NewerStoreError when a newer version of the program wrote it, and it is not only read or keeps its notes elsewhere
   */
  async openOwn(): Promise<void> {
    await this.open();
    const { version, objectStoreNames } = this.backendDB();
    // The library opens newer stores too; what this program would write into one nobody knows.
    const readable = this.onlyRead ? READ_OF_NEWER.every((table) => objectStoreNames.contains(table)) : version <= NEWEST * 10;
    if (!readable) {
      this.abandon();
      throw new NewerStoreError();
    }
    // Tables that were found, not declared, are not yet properties.
    if (this.onlyRead) Object.assign(this, Object.fromEntries(this.tables.map((table) => [table.name, table])));
  }

  /**
   * Does something to notes, steps, earlier texts and what is known of what is lent whole or not at all.
   *
   * @throws where the browser aborts it, with the reason as cause: the library only says that it was aborted, the transaction a moment later why
   */
  async atomically<T>(act: () => Promise<T>): Promise<T> {
    let begun: IDBTransaction | null = null;
    try {
      return await this.transaction('rw', [this.notes, this.steps, this.earlier, this.earlierContents, this.lent], () => {
        begun = Dexie.currentTransaction.idbtrans;
        return act();
      });
    } catch (error) {
      const why = begun && (await reasonOf(begun));
      throw why ? new Error('The browser aborted the write.', { cause: [why, error] }) : error;
    }
  }

  /**
   * Opens the database again where an error says that the browser closed it, as it does with a full disk; not after `abandon`.
   *
   * @returns whether trying again makes sense now
   */
  async reopen(error: unknown): Promise<boolean> {
    if (this.abandoned || !isStoreClosed(error)) return false;
    this.close({ disableAutoOpen: false });
    return this.open().then(
      () => true,
      () => false,
    );
  }

  /** Somebody deleted or renewed the database: nothing is written into it any more. */
  abandon(): void {
    this.abandoned = true;
    this.close();
  }
}

/** The database that is there, to be opened; where a newer version of the program wrote it, to be read only. */
export async function presentDatabase(name = DATABASE_NAME): Promise<RecadoDatabase> {
  // A browser that does not list its databases shows no newer one: `openOwn` refuses it then.
  const present = (await indexedDB.databases?.().catch(() => []))?.find((one) => one.name === name);
  return new RecadoDatabase(name, (present?.version ?? 0) > NEWEST * 10);
}

/** The one door of all writes, closed. */
function withoutWrites(core: DBCore): DBCore {
  return {
    ...core,
    transaction: (tables, mode, options) => {
      if (mode === 'readwrite') throw new NewerStoreError();
      return core.transaction(tables, mode, options);
    },
  };
}

/**
 * One write after the other, in all tabs: each takes the same empty table with its own. A browser of the Chromium family that is killed while two
 * writes into different tables are under way finds the locks of both on its disk, takes that for damage, and deletes the whole database
 * (seen in version 156: “Got corruption … Unknown corruption”).
 */
function writesInTurn(core: DBCore): DBCore {
  return {
    ...core,
    transaction: (tables, mode, options) => core.transaction(mode === 'readwrite' ? [...tables, TURN] : tables, mode, options),
  };
}

/** What of a newer store this program must find to show notes. */
const READ_OF_NEWER = ['notes', 'values'];

/** How long a transaction that failed may take to say why, in milliseconds. */
const SAYS_WHY = 150;

/** Why the browser aborted a transaction; null when it does not say. */
function reasonOf(transaction: IDBTransaction): Promise<DOMException | null> {
  return new Promise((resolve) => {
    if (transaction.error) return resolve(transaction.error);
    transaction.addEventListener('abort', () => resolve(transaction.error));
    setTimeout(() => resolve(transaction.error), SAYS_WHY);
  });
}
