import type { ActionContext } from '../../core/task/acts/action-context';
import { LINE_GONE, type LineRef, locateLine } from '../../core/task/writing/edit';
import type { TaskPlace } from '../../core/task/writing/write-task';
import type { WideIntention } from '../../core/task/acts/intention';
import { loadYaml, readFrontMatter } from '../../core/note/facts/front-matter';
import { lineText, splitLines } from '../../core/note/blocks/lines';
import { baseNameOf, folderOf, foldPath, freePath, pathFor } from '../../core/note/names/path';
import { renameInGather } from '../../core/gather/saying/rename-in-gather';
import { renameLinks, retargetTo } from '../../core/note/names/rename-links';
import { type StoredNote, contentOf } from '../notes/database';
import { type ActionResult, commitPlan } from '../notes/commit-plan';
import type { Renaming } from '../../core/gather/saying/rename-everywhere';
import type { LineTask, ManyOutcome } from './act-many';
import type { NoteStore } from '../notes/note-store';
import type { NoteWrite } from '../notes/note-write';
import { withGather } from '../../core/gather/saying/edit-block';

export type { ActionResult };
/** `raw` is the line as it stands now. */
export type LineResult = { done: true; step: number | null; raw: string } | { refused: string };

/** What an action on many lines did. */
export interface ManyResult {
  /** How many lines changed, in how many notes. */
  changed: number;
  notes: number;
  /** The lines that were refused, and why. */
  stayed: ManyOutcome['refused'];
  /** The lines as they stand afterwards; null for those that were not changed. */
  raws: (string | null)[];
  step: number | null;
}

/** What became of a note that was renamed or moved. */
export type Relocated = { path: string; places: number; step: number | null } | { refused: string };

const NO_TEXT = 'That note is not there, so nothing was changed.';

/** Does to the stored notes what a person asks for: each action is one commit, and one step of Undo. */
export class NoteActions {
  constructor(
    private readonly store: NoteStore,
    private readonly context: () => ActionContext,
    /** Stores what is being typed, so that an action finds it. */
    private readonly storeTyped: () => Promise<void> = async () => undefined,
  ) {}

  /** Carries out an intention on a line, in every note that it touches. */
  async act(ref: LineRef, intention: WideIntention, label: string): Promise<LineResult> {
    // Not needed before something is done; the first page shows sooner without.
    const [{ actAcross }, { shelfOf }] = await Promise.all([
      import('../../core/task/acts/act-across'),
      import('../../core/index/live/shelf'),
    ]);
    let raw = ref.expected;
    const result = await this.retry(label, async () => {
      const note = await this.store.get(ref.path);
      if (note?.text == null) return { refused: NO_TEXT };
      const notes = looksFurther(ref, intention) ? await this.store.all() : [note];
      const outcome = actAcross(shelfOf(notes), ref, intention, this.context());
      if ('refused' in outcome) return { refused: withPresent(outcome.refused, note.text, ref) };
      raw = lineAfter(note.text, ref, outcome.files.find((file) => foldPath(file.path) === note.key)?.text) ?? raw;
      return outcome.files.map(({ path, text }) => {
        const present = notes.find((one) => one.key === foldPath(path));
        return present ? write(present, text) : { path, expect: null, content: { text } };
      });
    });
    return 'refused' in result ? result : { ...result, raw };
  }

  /**
   * Does intentions to many lines, as one commit and one step of Undo.
   *
   * @returns how many lines changed in how many notes, and which were refused and why
   */
  async actMany(
    tasks: readonly LineTask[],
    label: string,
    progress?: (done: number) => Promise<boolean>,
  ): Promise<ManyResult | { refused: string }> {
    const { actOnLines } = await import('./act-many');
    let outcome: ManyOutcome | null = null;
    const result = await this.retry(label, async () => {
      const further = tasks.some(({ ref, intentions }) => intentions.some((intention) => looksFurther(ref, intention)));
      const paths = [...new Set(tasks.map(({ ref }) => foldPath(ref.path)))];
      const notes = further ? await this.store.all() : (await this.store.db.notes.bulkGet(paths)).filter((note) => note !== undefined);
      outcome = await actOnLines(notes, tasks, this.context(), progress);
      const byKey = new Map(notes.map((note) => [note.key, note]));
      return [...outcome.texts].flatMap(([key, { path, text }]): NoteWrite[] => {
        const present = byKey.get(key);
        if (present?.text === text) return [];
        return [present ? write(present, text) : { path, expect: null, content: { text } }];
      });
    });
    if ('refused' in result) return result;
    const { changed, texts, refused, raws } = outcome ?? { changed: 0, texts: new Map<string, never>(), refused: [], raws: [] };
    return { changed, notes: texts.size, stayed: refused, raws, step: result.step };
  }

  /** Writes a task into a note, which is made when there is none. */
  async writeTask(path: string, place: TaskPlace, line: string): Promise<ActionResult> {
    const { withTask } = await import('../../core/task/writing/write-task');
    return this.retry(`New task: ${line.replace(/^\S+ \[.\] /, '')}`, async () => {
      const note = await this.store.get(path);
      if (note && note.text === null) return { refused: NO_TEXT };
      const outcome = withTask(note?.text ?? null, place, line, this.context());
      if ('refused' in outcome) return outcome;
      return [note ? write(note, outcome.text) : { path, expect: null, content: { text: outcome.text } }];
    });
  }

  /** Puts another text into a gather block of a note, found by the text it has; other lines stay. */
  async editGather(path: string, before: string, after: string): Promise<ActionResult> {
    return this.retry('Changed a gather', async () => {
      const note = await this.store.get(path);
      if (note?.text == null) return { refused: NO_TEXT };
      const text = withGather(note.text, before, after);
      return text === null ? { refused: 'That gather is no longer there, so nothing was changed.' } : [write(note, text)];
    });
  }

  /**
   * Puts one text in the place of the two that a note has: the note gets it, and the note of the other text goes.
   *
   * @param compared both texts as they were when the choice was made; refused when one of them changed since
   */
  async settle(path: string, otherPath: string, compared: { text: string; other: string }, chosen: string): Promise<ActionResult> {
    return this.retry(`Chose between two texts: ${baseNameOf(path)}`, async () => {
      const [note, other] = await Promise.all([this.store.get(path), this.store.get(otherPath)]);
      if (note?.text !== compared.text || other?.text !== compared.other)
        return { refused: 'One of the texts changed meanwhile, so both are kept. Compare them again.' };
      const gone: NoteWrite = { path: other.path, expect: contentOf(other), content: null };
      return note.text === chosen ? [gone] : [write(note, chosen), gone];
    });
  }

  /** Makes a note; gives its path, which has a number when the title was taken in that folder. */
  async create(folder: string, title: string, text: string): Promise<{ path: string; step: number | null } | { refused: string }> {
    let path = pathFor(folder, title);
    const result = await this.retry(`New note: ${title}`, async () => {
      const taken = await this.store.paths();
      path = freePath(pathFor(folder, title), (folded) => taken.has(folded));
      return [{ path, expect: null, content: { text } }];
    });
    return 'refused' in result ? result : { path, step: result.step };
  }

  /** Puts a text into a note in the place of the one it has; for what is shown whole, as an agenda page. */
  async replace(path: string, text: string, label: string): Promise<ActionResult> {
    return this.retry(label, async () => {
      const note = await this.store.get(path);
      return note?.text === text ? [] : [{ path: note?.path ?? path, expect: note ? contentOf(note) : null, content: { text } }];
    });
  }

  async remove(paths: readonly string[], label: string): Promise<ActionResult> {
    return this.retry(label, async () => {
      const notes = await Promise.all(paths.map((path) => this.store.get(path)));
      return notes.flatMap((note) => (note ? [{ path: note.path, expect: contentOf(note), content: null }] : []));
    });
  }

  /** Gives a note another title; its file, and every link to it, follow. */
  async rename(path: string, title: string): Promise<Relocated> {
    const wanted = title.trim();
    if (wanted === '') return { refused: 'A note needs a title.' };
    return this.relocate(path, (note, taken) => freePath(pathFor(folderOf(note.path), wanted), taken), wanted);
  }

  /**
   * Renames a tag, a handle, a folder or a heading wherever it stands, as one step of Undo.
   *
   * @param confirmed told how many places in how many notes would change; false leaves everything as it is
   */
  async renameEverywhere(
    renaming: Renaming,
    confirmed: (places: number, notes: number) => boolean | Promise<boolean>,
  ): Promise<{ places: number; notes: number; step: number | null } | { refused: string }> {
    const { renamedText } = await import('../../core/gather/saying/rename-everywhere');
    let outcome = { places: 0, notes: 0 };
    let asked = false;
    const result = await this.retry(`Renamed: ${renaming.before}`, async () => {
      const notes = await this.store.all();
      const writes: NoteWrite[] = [];
      let places = 0;
      for (const note of notes) {
        const path = renaming.is === 'folder' ? inOtherFolder(note.path, renaming.before, renaming.after) : note.path;
        const renamed = note.text === null ? null : renamedText(note.path, note.text, renaming);
        places += (renamed?.places ?? 0) + (path === note.path ? 0 : 1);
        if (path === note.path && (renamed?.places ?? 0) === 0) continue;
        writes.push(...relocated(note, path, renamed ? { text: renamed.text } : contentOf(note)));
      }
      if (writes.length === 0) return { refused: `${renaming.before} is named nowhere, so nothing was changed.` };
      const taken = new Set(notes.map((note) => note.key));
      const clash = writes.find((write) => write.expect === null && write.content !== null && taken.has(foldPath(write.path)));
      if (clash) return { refused: `There is a note ${clash.path} already, so nothing was changed.` };
      outcome = { places, notes: writes.filter((write) => write.content !== null).length };
      if (!asked && !(await confirmed(outcome.places, outcome.notes))) return { refused: '' };
      asked = true;
      return writes;
    });
    return 'refused' in result ? result : { ...outcome, step: result.step };
  }

  /** Puts a note into another folder; links by path follow. */
  async move(path: string, folder: string): Promise<Relocated> {
    const name = path.slice(path.lastIndexOf('/') + 1);
    return this.relocate(path, (_note, taken) => freePath(folder === '' ? name : `${folder}/${name}`, taken), null);
  }

  private async relocate(
    path: string,
    target: (note: StoredNote, taken: (folded: string) => boolean) => string,
    title: string | null,
  ): Promise<Relocated> {
    let outcome = { path, places: 0 };
    const label = title === null ? `Moved: ${baseNameOf(path)}` : `Renamed: ${baseNameOf(path)}`;
    const result = await this.retry(label, async () => {
      const notes = await this.store.all();
      const note = notes.find((one) => one.key === foldPath(path));
      if (!note) return { refused: NO_TEXT };
      const next = target(note, (folded) => folded !== note.key && this.taken(notes)(folded));
      const plan = relocation(notes, note, next, title);
      outcome = { path: next, places: plan.places };
      return plan.writes;
    });
    return 'refused' in result ? result : { ...outcome, step: result.step };
  }

  private taken(notes: readonly StoredNote[]): (folded: string) => boolean {
    const keys = new Set(notes.map((note) => note.key));
    return (folded) => keys.has(folded);
  }

  private async retry(label: string, plan: () => Promise<NoteWrite[] | { refused: string }>): Promise<ActionResult> {
    // What notes say in their front matter decides what is done to them.
    await Promise.all([loadYaml(), this.storeTyped()]);
    return commitPlan(this.store, label, plan);
  }
}

/** Whether an action on a line can touch other notes: what points somewhere, or is moved there. */
function looksFurther(ref: LineRef, intention: WideIntention): boolean {
  if (
    intention.do === 'need' ||
    intention.do === 'move' ||
    intention.do === 'archive' ||
    intention.do === 'echo' ||
    intention.do === 'swap'
  )
    return true;
  return /recado:|\bref /.test(ref.expected);
}

/** A refusal because a line is no longer there says what stands in its place. */
export function withPresent(refused: string, text: string, ref: LineRef): string {
  if (refused !== LINE_GONE) return refused;
  const lines = splitLines(text);
  const present = ref.line < lines.starts.length ? lineText(lines, ref.line).trim() : '';
  return present === '' ? refused : `${refused} It says now: “${present.slice(0, 120)}”.`;
}

/** What stands after an action where the line stood that it meant; undefined when its note did not change. */
function lineAfter(before: string, ref: LineRef, after: string | undefined): string | undefined {
  const place = locateLine(splitLines(before), ref);
  return after === undefined || 'refused' in place ? undefined : lineText(splitLines(after), place.line);
}

function write(note: StoredNote, text: string): NoteWrite {
  return { path: note.path, expect: contentOf(note), content: { text } };
}

/** Every note that a renamed or moved note changes: itself, and those that link to it. */
function relocation(
  notes: readonly StoredNote[],
  note: StoredNote,
  path: string,
  title: string | null,
): { writes: NoteWrite[]; places: number } {
  const front = note.text === null ? null : readFrontMatter(splitLines(note.text));
  const oldTitle = front?.title ?? baseNameOf(note.path);
  // Without a title of its own a note is called as its file, which may differ from what was typed.
  const newTitle = front?.title ? (title ?? oldTitle) : baseNameOf(path);
  const retarget = retargetTo({ path: note.path, titles: [oldTitle, baseNameOf(note.path)] }, { path, title: newTitle });
  const own = note.text === null || title === null || !front?.title ? note.text : withTitle(note.text, title);
  const writes: NoteWrite[] = [];
  let places = 0;
  for (const other of notes) {
    if (other.text === null) continue;
    const source = other === note ? (own ?? '') : other.text;
    const renamed = renameLinks(source, retarget, (line) => renameInGather(line, { is: 'note', retarget }));
    places += renamed.places;
    if (other !== note && renamed.places > 0) writes.push(write(other, renamed.text));
    if (other === note) writes.push(...relocated(note, path, { text: renamed.text }));
  }
  if (note.text === null) writes.push(...relocated(note, path, contentOf(note)));
  return { writes, places };
}

/** The path of a note whose folder, or one around it, is called otherwise. */
function inOtherFolder(path: string, before: string, after: string): string {
  return foldPath(path).startsWith(`${foldPath(before)}/`) ? after + path.slice(before.length) : path;
}

function relocated(note: StoredNote, path: string, content: NonNullable<NoteWrite['content']>): NoteWrite[] {
  if (foldPath(path) === note.key) return [{ path, expect: contentOf(note), content }];
  return [
    { path: note.path, expect: contentOf(note), content: null },
    { path, expect: null, content, movedFrom: note.path },
  ];
}

/** Replaces the title that the front matter says; everything else stays. */
function withTitle(text: string, title: string): string {
  const lines = splitLines(text);
  const { lineCount } = readFrontMatter(lines);
  for (let line = 1; line < lineCount; line++) {
    if (!/^title:/.test(lineText(lines, line))) continue;
    const plain = /^\p{L}[\p{L}\p{N} ]*$/u.test(title) && !/^(?:true|false|null)$/i.test(title);
    return text.slice(0, lines.starts[line]) + `title: ${plain ? title : JSON.stringify(title)}` + text.slice(lines.ends[line]);
  }
  return text;
}
