import type { IdIn } from './definitions';

/** What runs the commands of a text; the editor on the page gives it. Each tells whether it did anything. */
export interface TextCommands {
  run: (id: IdIn<'text'>) => boolean;
  /** Takes back what happened last since the text was opened, or with a step that one, where it is the newest. */
  undo: (step?: number) => boolean;
  redo: () => boolean;
}

type MayLack = 'note-title' | 'note-move' | 'note-archive';

/** What each command does on the note that is on the page; null where a note has no title or folder of its own. */
export type NoteCommands = Readonly<Record<Exclude<IdIn<'note'>, MayLack>, () => void> & Record<MayLack, (() => void) | null>>;

/** The row of a list that has the focus, or has lent it to the menu of commands. */
export interface FocusedRow {
  element: Element;
  run: (id: IdIn<'list'>) => void;
}

interface Held {
  text: TextCommands;
  note: NoteCommands;
  row: FocusedRow;
}

/**
 * Who does what commands say, as long as it is there: the text on the page, its note, and the row that has the focus. Whoever is there gives
 * itself and takes itself back; whoever came last counts, and when that goes, who was there before.
 *
 * @example
 * const leave = desk.hold('text', { run, undo, redo });
 * desk.text?.run('text-tick');
 * leave();
 */
export class CommandDesk {
  private readonly held: { [Part in keyof Held]: Held[Part][] } = { text: [], note: [], row: [] };

  hold<Part extends keyof Held>(part: Part, who: Held[Part]): () => void {
    const leave = (): void => {
      const there: Held[Part][] = this.held[part];
      const at = there.indexOf(who);
      if (at !== -1) there.splice(at, 1);
    };
    leave();
    // Rows come and go with the focus: only the last is meant.
    if (part === 'row') this.leaveRow();
    this.held[part].push(who);
    return leave;
  }

  /** The focus left the lists. */
  leaveRow(): void {
    this.held.row.length = 0;
  }

  get text(): TextCommands | null {
    return this.held.text.at(-1) ?? null;
  }

  get note(): NoteCommands | null {
    return this.held.note.at(-1) ?? null;
  }

  /** Null also when the row is gone. */
  get row(): FocusedRow | null {
    const row = this.held.row.at(-1);
    return row?.element.isConnected ? row : null;
  }
}
