import { createHash, randomUUID } from 'node:crypto';
import { mkdirSync, readFileSync, readdirSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';

/** A task as it lies there: a calendar object of its own (RFC 4791, 4.1). */
export interface TaskFile {
  /** The name of its file, with `.ics`. */
  name: string;
  /** Another one for each text. */
  tag: string;
  text: string;
}

/** What changed in a list since a mark. */
export interface ListChanges {
  mark: number;
  changed: TaskFile[];
  gone: string[];
}

/** A list, as its page and its protocol know it. */
export interface TaskList {
  id: string;
  title: string;
}

interface Known {
  tag: string;
  /** The mark of its last change. */
  at: number;
}

interface State {
  title: string;
  mark: number;
  /** Changes before this mark are forgotten: who looked then must look at everything. */
  oldest: number;
  files: Record<string, Known>;
  gone: Record<string, number>;
}

const STATE = 'list.json';
const NAME = /^[\w.@-]{1,120}\.ics$/;
/** So many removals are remembered. */
const REMEMBERED = 500;

const tagOf = (text: string): string => createHash('sha256').update(text).digest('hex').slice(0, 24);

/** Whether a file of a task may be called so. */
export const isTaskName = (name: string): boolean => NAME.test(name) && !name.startsWith('.');

/**
 * The lists of the stand-in, each a folder of files. Files are looked at anew each time, so that what somebody changes in them by hand counts as
 * any other change.
 */
export class TaskFiles {
  constructor(private readonly folder: string) {
    mkdirSync(folder, { recursive: true });
  }

  lists(): TaskList[] {
    return this.ids()
      .sort()
      .map((id) => ({ id, title: this.look(id).title }));
  }

  /** Makes a list; one that is there stays. */
  makeList(id: string, title: string): void {
    if (this.has(id)) return;
    mkdirSync(path.join(this.folder, id), { recursive: true });
    this.keep(id, { title, mark: 0, oldest: 0, files: {}, gone: {} });
  }

  has(id: string): boolean {
    return /^[\w-]{1,64}$/.test(id) && this.ids().includes(id);
  }

  all(id: string): TaskFile[] {
    const { files } = this.look(id);
    return Object.keys(files)
      .sort()
      .flatMap((name) => this.read(id, name) ?? []);
  }

  read(id: string, name: string): TaskFile | null {
    if (!isTaskName(name)) return null;
    try {
      const text = readFileSync(path.join(this.folder, id, name), 'utf8');
      return { name, tag: tagOf(text), text };
    } catch {
      return null;
    }
  }

  /**
   * Writes a task whole.
   *
   * @param before its tag as the writer saw it; null for none, undefined for whatever is there
   * @returns null where something else is there
   */
  write(id: string, name: string, text: string, before: string | null | undefined): TaskFile | null {
    const present = this.read(id, name)?.tag ?? null;
    if (before !== undefined && before !== present) return null;
    const file = path.join(this.folder, id, name);
    writeFileSync(`${file}.new`, text);
    renameSync(`${file}.new`, file);
    this.look(id);
    return { name, tag: tagOf(text), text };
  }

  /** @returns false where something else, or nothing, is there */
  remove(id: string, name: string, before: string | undefined): boolean {
    const present = this.read(id, name)?.tag;
    if (present === undefined || (before !== undefined && before !== present)) return false;
    rmSync(path.join(this.folder, id, name));
    this.look(id);
    return true;
  }

  /** Moves a task to another list; it keeps its name. */
  move(from: string, name: string, to: string): boolean {
    const file = this.read(from, name);
    if (!file || !this.has(to) || this.read(to, name)) return false;
    this.write(to, name, file.text, null);
    return this.remove(from, name, undefined);
  }

  mark(id: string): number {
    return this.look(id).mark;
  }

  /** What changed since a mark; null where that is too long ago to be known, or was never one. */
  since(id: string, mark: number): ListChanges | null {
    const state = this.look(id);
    if (!Number.isInteger(mark) || mark < state.oldest || mark > state.mark) return null;
    const changed = Object.entries(state.files).filter(([, { at }]) => at > mark);
    return {
      mark: state.mark,
      changed: changed.flatMap(([name]) => this.read(id, name) ?? []),
      gone: Object.entries(state.gone).flatMap(([name, at]) => (at > mark ? [name] : [])),
    };
  }

  /** All marks that were given count no more, as after a service was set up anew. */
  forgetMarks(id: string): void {
    const state = this.look(id);
    this.keep(id, { ...state, mark: state.mark + 1, oldest: state.mark + 1, gone: {} });
  }

  private ids(): string[] {
    return readdirSync(this.folder).filter((id) => statSync(path.join(this.folder, id)).isDirectory());
  }

  /** The list as its folder is now. */
  private look(id: string): State {
    const folder = path.join(this.folder, id);
    const state = this.kept(folder, id);
    const present = new Map(
      readdirSync(folder)
        .filter(isTaskName)
        .map((name) => [name, tagOf(readFileSync(path.join(folder, name), 'utf8'))]),
    );
    const news = [...present].filter(([name, tag]) => state.files[name]?.tag !== tag);
    const gone = Object.keys(state.files).filter((name) => !present.has(name));
    if (news.length + gone.length === 0) return state;
    const mark = state.mark + 1;
    for (const [name, tag] of news) {
      state.files[name] = { tag, at: mark };
      delete state.gone[name];
    }
    for (const name of gone) {
      delete state.files[name];
      state.gone[name] = mark;
    }
    const oldest = Object.entries(state.gone).sort(([, a], [, b]) => a - b);
    const forgotten = oldest.slice(0, Math.max(0, oldest.length - REMEMBERED));
    for (const [name] of forgotten) delete state.gone[name];
    const next = { ...state, mark, oldest: Math.max(state.oldest, ...forgotten.map(([, at]) => at)) };
    this.keep(id, next);
    return next;
  }

  private kept(folder: string, id: string): State {
    try {
      return JSON.parse(readFileSync(path.join(folder, STATE), 'utf8')) as State;
    } catch {
      // Somebody made the folder by hand, or spoilt what stood there: what is in it counts, and older marks do not.
      const mark = Math.floor(Date.now() / 1000);
      return { title: id, mark, oldest: mark, files: {}, gone: {} };
    }
  }

  private keep(id: string, state: State): void {
    const file = path.join(this.folder, id, STATE);
    writeFileSync(`${file}.new`, JSON.stringify(state, null, 1));
    renameSync(`${file}.new`, file);
  }
}

/** A name for a task that is made here. */
export const newTaskName = (): string => `${randomUUID()}.ics`;
