import Dexie, { type Table } from 'dexie';
import type { LineDays } from '../../core/note/facts/line-days';
import { DATABASE_NAME } from './database-name';
import { isStoreClosed } from './failure';

/** What a note holds: text, or bytes that are no UTF-8 and therefore only kept. */
export type Content = { text: string } | { bytes: Uint8Array };

/** A content that is known by its mark alone: enough to tell whether a note still holds it. */
export interface Marked {
  mark: string;
}

/** Whether a note came with the demo, and whether a person changed it since; null for a person's own. */
export type DemoState = 'untouched' | 'edited' | null;

export interface StoredNote {
  /** Its folded path, by which it is found. */
  key: string;
  /** Made once and kept through rename and move, and when a deleted note is brought back. */
  id: string;
  /** What links and people use. */
  path: string;
  text: string | null;
  bytes: Uint8Array | null;
  /** Milliseconds since 1970. */
  changed: number;
  demo: DemoState;
  /** When its lines were seen first. */
  seen?: LineDays;
}

/** What a step did to one note; null where there was none. */
export interface StepChange {
  path: string;
  /** The id of the note; steps that were stored before notes had one say none. */
  id?: string;
  before: Content | null;
  /** Of many notes that came in together only a mark is kept. */
  after: Content | Marked | null;
  demo: DemoState;
  /** The path that the note had before the step moved it. */
  movedFrom?: string;
}

/** One step that Undo takes back. */
export interface Step {
  id?: number;
  tab: string;
  label: string;
  at: number;
  changes: StepChange[];
  /** Whether it is what was typed in a text. */
  typed?: boolean;
}

interface KeyedValue {
  id: string;
  value: unknown;
}

/** The newest version of the database that this program knows; the browser counts in tens. */
const NEWEST = 2;

/** The store was written by a newer version of the program. */
export class NewerStoreError extends Error {
  constructor() {
    super('The store was written by a newer version of Recado.');
    this.name = 'NewerStoreError';
  }
}

/** A name that no other note has: 96 random bits. */
export function newNoteId(): string {
  return [...crypto.getRandomValues(new Uint8Array(12))].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}

/** The database of the browser: notes are the truth, the rest stands beside them. */
export class RecadoDatabase extends Dexie {
  declare notes: Table<StoredNote, string>;
  declare steps: Table<Step, number>;
  declare values: Table<KeyedValue, string>;
  private abandoned = false;

  constructor(name = DATABASE_NAME) {
    // A write is called saved only when it is on the disk, not merely handed to the system.
    super(name, { chromeTransactionDurability: 'strict' });
    this.version(1).stores({ notes: 'key', steps: '++id, tab', values: 'id' });
    this.version(2)
      .stores({ notes: 'key, &id' })
      .upgrade((tables) =>
        tables
          .table<Partial<StoredNote>>('notes')
          .toCollection()
          .modify((note) => void (note.id ??= newNoteId())),
      );
  }

  /**
   * Opens it, for whoever wants to know why it cannot be opened.
   *
   * @throws NewerStoreError when a newer version of the program wrote it
   */
  async openOwn(): Promise<void> {
    await this.open();
    // The library opens newer stores too; what this program would write into one nobody knows.
    if (this.backendDB().version > NEWEST * 10) {
      this.abandon();
      throw new NewerStoreError();
    }
  }

  /**
   * Does something to notes and steps whole or not at all.
   *
   * @throws where the browser aborts it, with the reason as cause: the library only says that it was aborted, the transaction a moment later why
   */
  async atomically<T>(act: () => Promise<T>): Promise<T> {
    let begun: IDBTransaction | null = null;
    try {
      return await this.transaction('rw', this.notes, this.steps, () => {
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

/** What a stored note holds. */
export function contentOf(note: StoredNote): Content {
  return note.bytes === null ? { text: note.text ?? '' } : { bytes: note.bytes };
}

export function sameContent(a: Content | Marked | null, b: Content | Marked | null): boolean {
  if (a === null || b === null) return a === b;
  if ('mark' in a || 'mark' in b) return markOf(a) === markOf(b);
  if ('text' in a && 'text' in b) return a.text === b.text;
  if ('bytes' in a && 'bytes' in b) {
    return a.bytes.length === b.bytes.length && a.bytes.every((byte, index) => byte === b.bytes[index]);
  }
  return false;
}

/** Tells a content from any other that a person would write; no secret depends on it. */
export function markOf(content: Content | Marked): string {
  if ('mark' in content) return content.mark;
  // Two FNV-1a sums with different starts: 64 bits. Texts and bytes have loops of their own, since a long text is marked while one types.
  let first = 0x811c9dc5;
  let second = 0x9dc5811c;
  if ('text' in content) {
    const { text } = content;
    for (let index = 0; index < text.length; index++) {
      const code = text.charCodeAt(index);
      first = Math.imul(first ^ code, 0x01000193);
      second = Math.imul(second ^ code, 0x01000193) ^ (first >>> 13);
    }
    return markFrom('t', text.length, first, second);
  }
  for (const byte of content.bytes) {
    first = Math.imul(first ^ byte, 0x01000193);
    second = Math.imul(second ^ byte, 0x01000193) ^ (first >>> 13);
  }
  return markFrom('b', content.bytes.length, first, second);
}

const markFrom = (kind: string, length: number, first: number, second: number): string =>
  `${kind}${length}:${(first >>> 0).toString(36)}${(second >>> 0).toString(36)}`;
