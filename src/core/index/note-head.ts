import type { Day } from '../calendar/day';
import type { NoteKind } from '../note/front-matter';
import { foldName } from '../note/names';
import { folderOf } from '../note/path';
import type { ReadNote } from '../task/read-note';
import type { Row } from './row';

/** Gives the row of a task by its slot. */
export interface RowSource {
  rowAt(slot: number): Row;
}

/** What the index keeps of a note for all its rows. */
export class NoteHead {
  readonly path: string;
  readonly folder: string;
  readonly title: string;
  readonly kind: NoteKind;
  /** The day of a journal page. */
  readonly journal: Day | null;
  /** Whether its front matter says kind journal. */
  readonly journalSaid: boolean;
  /** The date of its front matter. */
  readonly date: Day | null;
  /** The handle of a person's page, folded. */
  readonly handle: string | null;
  /** The slots of its tasks, in the order of their lines. */
  slots: number[] = [];

  constructor(
    { path, title, kind, journal, front }: ReadNote,
    private readonly source: RowSource,
  ) {
    this.path = path;
    this.folder = folderOf(path);
    this.title = title;
    this.kind = kind;
    this.journal = journal;
    this.journalSaid = front.kind === 'journal';
    this.date = front.date;
    this.handle = kind === 'person' ? foldName(front.handle ?? title) : null;
  }

  /** Its tasks; each row is made when it is first asked for. */
  get rows(): readonly Row[] {
    return this.slots.map((slot) => this.source.rowAt(slot));
  }
}
