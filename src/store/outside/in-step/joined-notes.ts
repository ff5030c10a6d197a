import { isSealedPath } from '../../../core/note/names/path';
import { refOf } from '../../../core/task/line/ref';
import type { NoteListener, NoteSource } from '../../notes/note-source';
import type { StoredNote } from '../../notes/content';

/** Notes are looked through so many at once. */
const PORTION = 400;
/** Every line that says it is joined holds this. */
const SAYS = /\bjoined\s/i;

/** Which notes hold lines that are joined with outside lists: all are looked through once, then those that change. */
export class JoinedNotes {
  private paths: Set<string> | null = null;
  private readonly meanwhile = new Set<string>();

  constructor(
    private readonly store: NoteSource,
    /** Called when one of them changed. */
    private readonly touched: () => void,
  ) {}

  readonly listener: Partial<NoteListener> = {
    changed: (changes) => {
      let isTouched = false;
      for (const { path, content, by } of changes) {
        // What a sealed note says is kept nowhere else, and goes nowhere.
        const says = content !== null && 'text' in content && !isSealedPath(path) && SAYS.test(content.text);
        const had = this.paths?.has(path) ?? true;
        if (says) (this.paths ?? this.meanwhile).add(path);
        // One that says so no more was joined a moment ago.
        isTouched ||= by !== 'outside' && (says || had);
      }
      if (isTouched) this.touched();
    },
  };

  /** The notes as they are stored now. */
  async read(): Promise<StoredNote[]> {
    if (!this.paths) {
      const found = new Set<string>();
      for await (const { notes } of this.store.portions(PORTION))
        for (const { path, text } of notes) if (text !== null && SAYS.test(text)) found.add(path);
      for (const path of this.meanwhile) found.add(path);
      this.paths = found;
    }
    const notes = await this.store.many([...this.paths]);
    const present = notes.flatMap((note) => (note?.text != null && SAYS.test(note.text) ? [note] : []));
    this.paths = new Set(present.map(({ path }) => path));
    return present;
  }

  /** Where lines with some refs stand, although they do not say that they are joined; all notes are looked through. */
  async holding(refs: ReadonlySet<string>): Promise<Set<string>> {
    const found = new Set<string>();
    for await (const { notes } of this.store.portions(PORTION))
      for (const { text } of notes)
        for (const line of text?.match(/^.*\bref [a-z0-9]{6}\b.*$/gm) ?? []) {
          const ref = refOf(line);
          if (ref !== null && refs.has(ref)) found.add(ref);
        }
    return found;
  }
}
