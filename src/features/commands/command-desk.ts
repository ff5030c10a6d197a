import type { IdIn } from './definitions';

/** What runs the commands of a text; the editor on the page gives it. Each tells whether it did anything. */
export interface TextCommands {
  run: (id: IdIn<'text'>) => boolean;
  /** Takes back what happened last since the text was opened, or with a step that one, where it is the newest. */
  undo: (step?: number) => boolean;
  redo: () => boolean;
}

type MayLack = 'note-title' | 'note-move';

/** What each command does on the note that is on the page; null where a note has no title or folder of its own. */
export type NoteCommands = Readonly<Record<Exclude<IdIn<'note'>, MayLack>, () => void> & Record<MayLack, (() => void) | null>>;

/** The row of a list that has the focus, or has lent it to the menu of commands. */
export interface FocusedRow {
  element: Element;
  run: (id: IdIn<'list'>) => void;
}

/**
 * Who does what commands say, as long as it is there: the text on the page, its note, and the row that has the focus. Whoever is there gives
 * itself and takes itself back; whoever came later stays.
 *
 * @example
 * const leave = desk.hold('text', { run, undo, redo });
 * desk.text?.run('text-tick');
 * leave();
 */
export class CommandDesk {
  private held: { text: TextCommands | null; note: NoteCommands | null; row: FocusedRow | null } = { text: null, note: null, row: null };

  hold<Part extends 'text' | 'note' | 'row'>(part: Part, who: NonNullable<CommandDesk['held'][Part]>): () => void {
    this.held[part] = who;
    return () => {
      if (this.held[part] === who) this.held = { ...this.held, [part]: null };
    };
  }

  /** The focus left the lists. */
  leaveRow(): void {
    this.held.row = null;
  }

  get text(): TextCommands | null {
    return this.held.text;
  }

  get note(): NoteCommands | null {
    return this.held.note;
  }

  /** Null also when the row is gone. */
  get row(): FocusedRow | null {
    return this.held.row?.element.isConnected ? this.held.row : null;
  }
}
