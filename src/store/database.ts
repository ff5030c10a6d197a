import Dexie, { type Table } from 'dexie';
import type { LineDays } from '../core/note/line-days';
import { DATABASE_NAME } from './database-name';

/** What a note holds: text, or bytes that are no UTF-8 and therefore only kept. */
export type Content = { text: string } | { bytes: Uint8Array };

/** Whether a note came with the demo, and whether a person changed it since; null for a person's own. */
export type DemoState = 'untouched' | 'edited' | null;

export interface StoredNote {
  /** The folded path: the identity of the note. */
  key: string;
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
  before: Content | null;
  after: Content | null;
  demo: DemoState;
}

/** One step that Undo takes back. */
export interface Step {
  id?: number;
  tab: string;
  label: string;
  at: number;
  changes: StepChange[];
}

interface KeyedValue {
  id: string;
  value: unknown;
}

/** The database of the browser: notes are the truth, the rest stands beside them. */
export class RecadoDatabase extends Dexie {
  declare notes: Table<StoredNote, string>;
  declare steps: Table<Step, number>;
  declare values: Table<KeyedValue, string>;

  constructor(name = DATABASE_NAME) {
    // A write is called saved only when it is on the disk, not merely handed to the system.
    super(name, { chromeTransactionDurability: 'strict' });
    this.version(1).stores({ notes: 'key', steps: '++id, tab', values: 'id' });
  }
}

/** What a stored note holds. */
export function contentOf(note: StoredNote): Content {
  return note.bytes === null ? { text: note.text ?? '' } : { bytes: note.bytes };
}

export function sameContent(a: Content | null, b: Content | null): boolean {
  if (a === null || b === null) return a === b;
  if ('text' in a && 'text' in b) return a.text === b.text;
  if ('bytes' in a && 'bytes' in b) {
    return a.bytes.length === b.bytes.length && a.bytes.every((byte, index) => byte === b.bytes[index]);
  }
  return false;
}
