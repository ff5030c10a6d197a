import 'fake-indexeddb/auto';
import { ACTION_DEFAULTS } from '../core/task/acts/action-context';
import { editorText } from '../core/note/blocks/line-endings';
import { type Change, differenceOf } from '../core/task/writing/edit';
import type { Content } from './notes/content';
import { RecadoDatabase } from './notes/database';
import { DeviceMemory } from './device/device-memory';
import { Drafts } from './texts/drafts';
import { NoteActions } from './acting/note-actions';
import { NoteStore } from './notes/note-store';
import type { OpenText, WordsApart } from './texts/open-text';
import { OpenTexts, type SaveState } from './texts/open-texts';
import type { Faults } from './test-faults';
import { writeNote } from './notes/write-note';
import { TYPING } from './notes/origin';

let count = 0;
const open: NoteStore[] = [];

/** A storage of the browser's form, in memory. */
export function memoryStorage(): Storage {
  const kept = new Map<string, string>();
  return {
    get length() {
      return kept.size;
    },
    key: (index) => [...kept.keys()][index] ?? null,
    getItem: (key) => kept.get(key) ?? null,
    setItem: (key, value) => void kept.set(key, value),
    removeItem: (key) => void kept.delete(key),
    clear: () => kept.clear(),
  };
}

/** One tab over a database, with all that writes in it. */
export function tabOn(name: string, tab = 'this', storage: Storage = memoryStorage(), faults?: Faults, now: () => number = () => 0) {
  const db = new RecadoDatabase(name);
  faults?.plague(db);
  const problems: unknown[] = [];
  const store = new NoteStore(db, tab, now, (error) => problems.push(error));
  open.push(store);
  const memory = new DeviceMemory(() => storage);
  const drafts = new Drafts(memory, tab, () => 0);
  const states: SaveState[] = [];
  const apart: WordsApart[] = [];
  const told = { saving: (state: SaveState) => void states.push(state), apart: (words: WordsApart) => void apart.push(words) };
  const openTexts = new OpenTexts(store, drafts, told, (error) => problems.push(error));
  const actions = new NoteActions(
    store,
    () => ({ now: { day: 20780, minute: 554 }, settings: ACTION_DEFAULTS, makeRef: () => 'k3f9qa' }),
    () => openTexts.settle(),
  );
  /** Opens a note in an editor of its own; what is done between its reading and its opening. */
  const edit = async (path: string, between?: () => Promise<unknown>): Promise<TestEditor> => {
    const there = await store.text(path);
    await between?.();
    const surface = new TestSurface(editorText(openTexts.waiting(path) ?? there ?? ''));
    const removed: string[] = [];
    const text = writeNote(openTexts, path, there, surface, () => removed.push(text.path));
    return { text, surface, removed, type: (words, at) => typeIn(text, surface, words, at), leave: () => openTexts.end(text) };
  };
  return { name, db, store, actions, drafts, memory, storage, openTexts, states, apart, problems, edit };
}

export interface TestEditor {
  text: OpenText;
  surface: TestSurface;
  removed: string[];
  /** Types words at the end of a line (from 0), or of the text. */
  type: (words: string, line?: number) => void;
  leave: () => Promise<void>;
}

function typeIn(text: OpenText, surface: TestSurface, words: string, line?: number): void {
  const lines = surface.text().split('\n');
  const at = line ?? lines.length - 1;
  lines[at] = `${lines[at] ?? ''}${words}`;
  surface.set(lines.join('\n'));
  text.typed();
}

/** What is written in, without an editor. */
class TestSurface {
  private base: string;
  private sentText: string | null = null;

  constructor(private shown: string) {
    this.base = shown;
  }

  readonly text = (): string => this.shown;
  readonly show = (text: string): void => void (this.shown = text);
  readonly set = (text: string): void => void (this.shown = text);
  readonly sent = (): void => void (this.sentText = this.shown);
  readonly stored = (): void => void (this.base = this.sentText ?? this.base);
  readonly unsaved = (): Change[] => {
    const change = differenceOf(this.base, this.shown);
    return change ? [change] : [];
  };
  readonly differs = (changes: readonly Change[]): void => {
    const [change] = changes;
    if (!change) this.base = this.shown;
    else {
      const end = change.from + change.insert.length;
      // Only its length counts: what it grew from is not known here.
      this.base = this.shown.slice(0, change.from) + '\u0000'.repeat(change.to - change.from) + this.shown.slice(end);
    }
  };
}

/**
 * A store of its own with some notes, and what acts on it; closed when the tests of the file are done.
 *
 * @param now milliseconds since 1970
 */
export function desk(notes: Record<string, string> = {}, now?: () => number) {
  const tab = tabOn(`test-${process.pid}-${count++}`, 'this', memoryStorage(), undefined, now);
  const ready = tab.store.commit(
    TYPING,
    Object.entries(notes).map(([path, text]) => ({ path, expect: null, content: { text } })),
  );
  return { ...tab, ready };
}

/** Several tabs over one store with some notes. */
export async function tabs(notes: Record<string, string>, ...names: string[]) {
  const { name, store } = desk();
  await store.commit(
    TYPING,
    Object.entries(notes).map(([path, text]) => ({ path, expect: null, content: { text } })),
  );
  const storage = memoryStorage();
  return names.map((tab) => tabOn(name, tab, storage));
}

const sleep = setTimeout;

/** Waits until something holds; what tabs tell each other takes its time. Where time is made up, as much of it passes. */
export async function until(holds: () => boolean | Promise<boolean>, what: string): Promise<void> {
  for (let tries = 0; tries < 300; tries++) {
    if (await holds()) return;
    if (setTimeout !== sleep) await jest.advanceTimersByTimeAsync(10);
    await new Promise((resolve) => sleep(resolve, setTimeout === sleep ? 10 : 1));
  }
  throw new Error(`it never came to this: ${what}`);
}

afterAll(() => open.forEach((store) => store.close()));

export const text = (words: string): Content => ({ text: words });

/** The texts of all notes, by path. */
export async function texts(store: NoteStore): Promise<Record<string, string | null>> {
  return Object.fromEntries((await store.all()).map((note) => [note.path, note.text]));
}

/**
 * Time is made up in the tests that follow: it passes only in `until` and `pass`. What the database and the channels between tabs wait for
 * goes on.
 */
export function madeUpTime(): void {
  beforeEach(() => jest.useFakeTimers({ doNotFake: ['setImmediate', 'clearImmediate', 'nextTick', 'queueMicrotask', 'Date'] }));
  afterEach(() => jest.useRealTimers());
}

/** So many milliseconds of made-up time pass, and what they bring about happens. */
export async function pass(milliseconds: number): Promise<void> {
  for (let left = milliseconds; left > 0; left -= 100) {
    await jest.advanceTimersByTimeAsync(Math.min(left, 100));
    await new Promise((resolve) => sleep(resolve, 1));
  }
}
