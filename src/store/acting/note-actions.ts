import type { MentionLine } from '../../core/search/links/with-links';
import type { ActionContext } from '../../core/task/acts/action-context';
import type { LineRef } from '../../core/task/writing/edit';
import type { LinePlace } from '../../core/task/writing/write-lines';
import type { Status } from '../../core/task/line/status';
import type { WideIntention } from '../../core/task/acts/intention';
import { hidesTitle, withTitleSaid } from '../../core/sharing/seal/sealed-names';
import { loadYaml } from '../../core/note/facts/front-matter';
import { baseNameOf, foldPath, freePath, pathFor } from '../../core/note/names/path';
import { contentOf } from '../notes/content';
import { type ActionResult, commitPlan } from '../notes/commit-plan';
import type { Renaming } from '../../core/gather/saying/rename-everywhere';
import type { LineTask, ManyOutcome } from '../../core/task/acts/act-on-lines';
import { writesOf } from './writes-of';
import type { NoteStore } from '../notes/note-store';
import { type NoteWrite, withText } from '../notes/note-write';
import { looksFurther, lineAfter, withPresent } from './line-in-note';
import type { Destination } from './relocation';
import { withGather } from '../../core/gather/saying/edit-block';
import { SHIPPED, command } from '../notes/origin';

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
    const result = await this.step(label, async () => {
      const note = await this.store.get(ref.path);
      if (note?.text == null) return { refused: NO_TEXT };
      const notes = looksFurther(ref, intention) ? await this.store.all() : [note];
      const outcome = actAcross(shelfOf(notes), ref, intention, this.context());
      if ('refused' in outcome) return { refused: withPresent(outcome.refused, note.text, ref) };
      raw = lineAfter(note.text, ref, outcome.files.find((file) => foldPath(file.path) === note.key)?.text) ?? raw;
      return outcome.files.map(({ path, text }) => {
        const present = notes.find((one) => one.key === foldPath(path));
        return present ? withText(present, text) : { path, expect: null, content: { text } };
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
    const { actOnNotes } = await import('./act-many');
    let outcome: ManyOutcome | null = null;
    const result = await this.step(label, async () => {
      const further = tasks.some(({ ref, intentions }) => intentions.some((intention) => looksFurther(ref, intention)));
      const paths = [...new Set(tasks.map(({ ref }) => foldPath(ref.path)))];
      const notes = further ? await this.store.all() : (await this.store.many(paths)).filter((note) => note !== undefined);
      outcome = await actOnNotes(notes, tasks, this.context(), progress);
      return writesOf(notes, outcome);
    });
    if ('refused' in result) return result;
    const { changed, texts, refused, raws } = outcome ?? { changed: 0, texts: new Map<string, never>(), refused: [], raws: [] };
    return { changed, notes: texts.size, stayed: refused, raws, step: result.step };
  }

  /**
   * Writes lines into a note, which is made when there is none.
   *
   * @param label what Undo says of it
   * @param made the text that a note that is made begins with, as from a template
   */
  async writeLines(path: string, place: LinePlace, lines: readonly string[], label: string, made = ''): Promise<ActionResult> {
    const { withLines } = await import('../../core/task/writing/write-lines');
    return this.step(label, async () => {
      const note = await this.store.get(path);
      if (note && note.text === null) return { refused: NO_TEXT };
      const outcome = withLines(note?.text ?? null, place, lines, this.context(), made);
      if ('refused' in outcome) return outcome;
      return [note ? withText(note, outcome.text) : { path, expect: null, content: { text: outcome.text } }];
    });
  }

  /** Puts another text into a gather block of a note, found by the text it has; other lines stay. */
  async editGather(path: string, before: string, after: string): Promise<ActionResult> {
    return this.edit(path, 'Changed a gather', (present) => {
      const text = withGather(present, before, after);
      return text === null ? { refused: 'That gather is no longer there, so nothing was changed.' } : { text };
    });
  }

  /**
   * Puts one text in the place of the two that a note has: the note gets it, and the note of the other text goes.
   *
   * @param compared both texts as they were when the choice was made; refused when one of them changed since
   */
  async settle(path: string, otherPath: string, compared: { text: string; other: string }, chosen: string): Promise<ActionResult> {
    return this.step(`Chose between two texts: ${baseNameOf(path)}`, async () => {
      const [note, other] = await Promise.all([this.store.get(path), this.store.get(otherPath)]);
      if (note?.text !== compared.text || other?.text !== compared.other)
        return { refused: 'One of the texts changed meanwhile, so both are kept. Compare them again.' };
      const gone: NoteWrite = { path: other.path, expect: contentOf(other), content: null };
      return note.text === chosen ? [gone] : [withText(note, chosen), gone];
    });
  }

  /** Makes a note; gives its path, which has a number when the title was taken in that folder. */
  async create(folder: string, title: string, text: string): Promise<{ path: string; step: number | null } | { refused: string }> {
    let path = pathFor(folder, title);
    const result = await this.step(`New note: ${title}`, async () => {
      const taken = await this.store.paths();
      const wanted = (await this.store.opener?.placed(pathFor(folder, title))) ?? pathFor(folder, title);
      if (typeof wanted !== 'string') return wanted;
      path = freePath(wanted, (folded) => taken.has(folded));
      return [{ path, expect: null, content: { text: hidesTitle(path) ? withTitleSaid(pathFor(folder, title), text) : text } }];
    });
    return 'refused' in result ? result : { path, step: result.step };
  }

  /** Makes a note at a path where there is none, as the page of a day that begins; no step of Undo. */
  async begin(path: string, text: string): Promise<ActionResult> {
    return commitPlan(this.store, SHIPPED, async () => ((await this.store.get(path)) ? [] : [{ path, expect: null, content: { text } }]));
  }

  /** Puts a text into a note in the place of the one it has; for what is shown whole, as an agenda page. */
  async replace(path: string, text: string, label: string): Promise<ActionResult> {
    return this.step(label, async () => {
      const note = await this.store.get(path);
      return note?.text === text ? [] : [{ path: note?.path ?? path, expect: note ? contentOf(note) : null, content: { text } }];
    });
  }

  /** Makes another text of that of a note, from what it is by then. */
  async edit(path: string, label: string, change: (text: string) => { text: string } | { refused: string }): Promise<ActionResult> {
    return this.step(label, async () => {
      const note = await this.store.get(path);
      if (note?.text == null) return { refused: NO_TEXT };
      const outcome = change(note.text);
      if ('refused' in outcome) return outcome;
      return outcome.text === note.text ? [] : [withText(note, outcome.text)];
    });
  }

  async remove(paths: readonly string[], label: string): Promise<ActionResult> {
    return this.step(label, async () => {
      const notes = await Promise.all(paths.map((path) => this.store.get(path)));
      return notes.flatMap((note) => (note ? [{ path: note.path, expect: contentOf(note), content: null }] : []));
    });
  }

  /**
   * Gives a note another title; its file, and every link to it, follow.
   *
   * @param file what the file is called, where that is not its title
   */
  async rename(path: string, title: string, file?: string): Promise<Relocated> {
    const wanted = title.trim();
    if (wanted === '') return { refused: 'A note needs a title.' };
    return this.relocate(path, `Renamed: ${baseNameOf(path)}`, { title: wanted, ...(file !== undefined && { file }) });
  }

  /** Puts a note into another folder; links by path follow. */
  async move(path: string, folder: string): Promise<Relocated> {
    return this.relocate(path, `Moved: ${baseNameOf(path)}`, { folder });
  }

  private async relocate(path: string, label: string, to: Destination): Promise<Relocated> {
    const { relocation } = await import('./relocation');
    let outcome = { path, places: 0 };
    const result = await this.step(label, async () => {
      const plan = relocation(await this.store.all(), path, to);
      if ('refused' in plan) return plan;
      outcome = { path: plan.path, places: plan.places };
      return plan.writes;
    });
    return 'refused' in result ? result : { ...outcome, step: result.step };
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
    const { renamedEverywhere } = await import('./renamed-everywhere');
    let outcome = { places: 0, notes: 0 };
    let asked = false;
    const result = await this.step(`Renamed: ${renaming.before}`, async () => {
      const plan = renamedEverywhere(await this.store.all(), renaming);
      if ('refused' in plan) return plan;
      outcome = { places: plan.places, notes: plan.notes };
      if (!asked && !(await confirmed(outcome.places, outcome.notes))) return { refused: '' };
      asked = true;
      return plan.writes;
    });
    return 'refused' in result ? result : { ...outcome, step: result.step };
  }

  /**
   * Makes links of places that only say a note's name, as one step of Undo. A line that is no longer as it was is left alone.
   *
   * @param target by which the links mean the note
   * @returns how many places became links
   */
  async linkMentions(
    lines: readonly MentionLine[],
    target: string,
    label: string,
  ): Promise<{ places: number; step: number | null } | { refused: string }> {
    const { withLinks } = await import('../../core/search/links/with-links');
    let places = 0;
    const result = await this.step(label, async () => {
      places = 0;
      const paths = [...new Set(lines.map(({ path }) => path))];
      const notes = await this.store.many(paths);
      return paths.flatMap((path, index): NoteWrite[] => {
        const note = notes[index];
        if (note?.text == null) return [];
        const outcome = withLinks(
          note.text,
          lines.filter((one) => one.path === path),
          target,
        );
        places += outcome.places;
        return outcome.places === 0 ? [] : [withText(note, outcome.text)];
      });
    });
    return 'refused' in result ? result : { places, step: result.step };
  }

  /**
   * Changes or removes a status that a note adds: the tasks that bear its sign get another, with its stamp, in the same step of Undo.
   *
   * @param path the note of the status
   * @param text what the note is to say; null takes it away
   * @param sign the sign that stands in the boxes now
   * @param becomes what the tasks become; null where the sign and its meaning stay
   * @returns how many tasks changed
   */
  async changeStatus(
    path: string,
    text: string | null,
    sign: string,
    becomes: { status: Status; sign: string } | null,
    label: string,
  ): Promise<{ changed: number; step: number | null } | { refused: string }> {
    const [{ tasksOfSign }, { actOnNotes }] = await Promise.all([import('./restatus'), import('./act-many')]);
    let changed = 0;
    const result = await this.step(label, async () => {
      const note = await this.store.get(path);
      if (note?.text == null) return { refused: NO_TEXT };
      const own = text === null ? { path: note.path, expect: contentOf(note), content: null } : withText(note, text);
      if (becomes === null) return [own];
      const notes = await this.store.all();
      const tasks = tasksOfSign(notes, sign, { do: 'status', ...becomes }, this.context());
      const outcome = await actOnNotes(notes, tasks, this.context());
      const [refusal] = outcome.refused;
      if (refusal) return { refused: `“${refusal.ref.expected.trim()}” cannot become that, so nothing was changed: ${refusal.reason}` };
      changed = outcome.changed;
      return [own, ...writesOf(notes, outcome)];
    });
    return 'refused' in result ? result : { changed, step: result.step };
  }

  /**
   * Gives a project or goal another state in its front matter, and closes tasks that stand for it elsewhere, as one step of Undo. A task
   * that is no longer as it was is left alone.
   *
   * @param stands the tasks whose words are one link to it
   * @returns how many of them were closed
   */
  async settleProject(
    path: string,
    state: 'active' | 'later' | 'done' | 'cancelled',
    stands: readonly LineRef[],
    label: string,
  ): Promise<{ closed: number; step: number | null } | { refused: string }> {
    const [{ withFields }, { actOnNotes }] = await Promise.all([import('../../core/note/facts/with-fields'), import('./act-many')]);
    let closed = 0;
    const result = await this.step(label, async () => {
      const notes = await this.store.many([...new Set([path, ...stands.map((ref) => ref.path)].map(foldPath))]);
      const there = notes.filter((note) => note !== undefined);
      const note = there.find((one) => one.key === foldPath(path));
      if (note?.text == null) return { refused: NO_TEXT };
      const own = withFields(note.text, { state });
      if (state !== 'done' && state !== 'cancelled') return [withText(note, own)];
      const tasks = stands.map((ref): LineTask => ({ ref, intentions: [{ do: 'status', status: state }] }));
      // A task may stand in the project itself, whose lines moved with the field.
      const texts = there.map((one) => ({ path: one.path, text: one.text }));
      const outcome = await actOnNotes(texts, tasks, this.context());
      closed = outcome.changed;
      const inside = outcome.texts.get(note.key);
      outcome.texts.set(note.key, { path: note.path, text: withFields(inside?.text ?? note.text, { state }) });
      return writesOf(there, outcome);
    });
    return 'refused' in result ? result : { closed, step: result.step };
  }

  /** Puts another line in the place of one, which must still be as it was. */
  async replaceLine(ref: LineRef, after: string, label: string): Promise<ActionResult> {
    const { withLine } = await import('../../core/task/writing/with-line');
    return this.edit(ref.path, label, (text) => withLine(text, ref, after));
  }

  /** Puts a line, with all that stands under it, before or behind another one of its note. */
  async placeBeside(ref: LineRef, other: LineRef, side: 'before' | 'behind', label: string): Promise<ActionResult> {
    const { withItemBeside } = await import('../../core/task/writing/with-item-beside');
    return this.edit(ref.path, label, (text) => withItemBeside(text, ref, other, side));
  }

  /**
   * Gives a note other fields in its front matter; one of null goes.
   *
   * @param made the text that the note begins with, where there is none yet
   */
  async setFields(path: string, fields: Readonly<Record<string, string | null>>, label: string, made = ''): Promise<ActionResult> {
    const { withFields } = await import('../../core/note/facts/with-fields');
    return this.step(label, async () => {
      const note = await this.store.get(path);
      if (note && note.text === null) return { refused: NO_TEXT };
      const text = withFields(note?.text ?? made, fields);
      return [note ? withText(note, text) : { path, expect: null, content: { text } }];
    });
  }

  /**
   * Puts the tasks of a day into an order by hand, which its page holds; a task of another note gets a ref where it has none.
   *
   * @param order the tasks in their order
   * @param made the text that the page begins with, where there is none yet
   */
  async orderDay(page: string, order: readonly LineRef[], planHeading: string, label: string, made = ''): Promise<ActionResult> {
    const { orderedDay } = await import('./day-order');
    return this.step(label, async () => {
      const notes = await this.store.many([...new Set([page, ...order.map((ref) => ref.path)].map(foldPath))]);
      return orderedDay(
        notes.filter((note) => note !== undefined),
        { page, order, planHeading, made },
        this.context(),
      );
    });
  }

  /**
   * Takes a task out of a day: its plan goes, and with it the echo that the day's page holds for its order.
   */
  async takeOutOfDay(page: string, task: LineRef, planHeading: string, label: string): Promise<ActionResult> {
    const { takenOut } = await import('./day-order');
    return this.step(label, async () => {
      const notes = await this.store.many([...new Set([page, task.path].map(foldPath))]);
      return takenOut(
        notes.filter((note) => note !== undefined),
        { page, task, planHeading },
        this.context(),
      );
    });
  }

  /** Carries out writes that are reckoned from what is stored by then, as one step. */
  async step(label: string, plan: () => Promise<NoteWrite[] | { refused: string }>): Promise<ActionResult> {
    // What notes say in their front matter decides what is done to them.
    await Promise.all([loadYaml(), this.storeTyped()]);
    return commitPlan(this.store, command(label), plan);
  }
}
