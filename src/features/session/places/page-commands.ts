/**
 * Runs a command on the text that is on the page, or with `onlyAsk` tells whether there is one that takes it. With a step it takes that
 * back, where it is the newest that happened since the text was opened.
 */
export type TextRunner = (id: string, onlyAsk?: boolean, step?: number) => boolean;

let runner: TextRunner | null = null;

/** The editor on the page takes the commands of texts; null when it leaves. */
export function setTextRunner(next: TextRunner | null): void {
  runner = next;
}

export function runInText(id: string, onlyAsk = false, step?: number): boolean {
  return runner?.(id, onlyAsk, step) ?? false;
}

type NoteRuns = Readonly<Record<string, () => void>>;

let noteRuns: NoteRuns = {};

/** The page of a note gives what its commands do, by their ids; none when it leaves. */
export function setNoteRuns(next: NoteRuns): void {
  noteRuns = next;
}

/** What a command does on the note that is on the page; undefined when there is none. */
export const noteRun = (id: string): (() => void) | undefined => noteRuns[id];

/** The row of a list that has the focus, or has lent it to the menu of commands. */
interface FocusedRow {
  element: Element;
  run: (id: string) => void;
}

let row: FocusedRow | null = null;

/** The list whose row has the focus takes the commands of rows; null when the focus goes elsewhere. */
export function setFocusedRow(next: FocusedRow | null): void {
  row = next;
}

/** What runs commands on the row that has the focus; null when none has, or it is gone. */
export const runOnRow = (): ((id: string) => void) | null => (row?.element.isConnected ? row.run : null);
