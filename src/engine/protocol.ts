import type { LibrarySettings, NoteChange } from '../core/index/library';
import type { AnswerNews } from '../core/index/live/news';
import type { OverviewNews } from '../core/index/live/overview';
import type { Why } from '../core/gather/answer/why';
import type { Status } from '../core/task/line/status';
import type { Problem } from '../core/task/line/task';

/** What the engine tells the page. One message holds everything that one change brought, never a mixture. */
export type EngineEvent =
  | { is: 'progress'; read: number; all: number }
  | { is: 'ready' }
  | { is: 'failed'; message: string }
  | { is: 'news'; overview: OverviewNews; answers: Record<string, AnswerNews> };

/** A task that was looked for by its words. */
export interface FoundTask {
  path: string;
  /** From 0. */
  line: number;
  raw: string;
  text: string;
  noteTitle: string;
  status: Status;
}

/** What the page asks of the engine; every call may be made before it is ready. */
export interface Engine {
  /** Reads every stored note, then answers. */
  start(settings: LibrarySettings, tell: (event: EngineEvent) => void): Promise<void>;
  apply(changes: NoteChange[]): Promise<void>;
  changeSettings(settings: LibrarySettings): Promise<void>;
  /** Keeps a gather answered under an id; `at` is the note that holds it. */
  subscribe(id: string, text: string, at: string | null): Promise<void>;
  unsubscribe(id: string): Promise<void>;
  /** Why the task on a line (from 0) is in the answer to a gather, or what keeps it out; null when either is gone. */
  why(text: string, at: string | null, path: string, line: number): Promise<Why | null>;
  /** The first tasks whose words hold some words, wherever they stand and whatever their status. */
  find(words: string): Promise<FoundTask[]>;
  /** The tasks that bear some refs, in that order; one that nothing or several bear is left out. */
  tasksOf(refs: readonly string[]): Promise<(FoundTask & { ref: string })[]>;
  /** What is wrong with what the tasks of a note point at, by line (from 0). */
  refProblems(path: string): Promise<{ line: number; problems: Problem[] }[]>;
  /** The path of the note that a link means, as it stands in the note at `from`; null when there is none. */
  resolve(target: string, from: string | null): Promise<string | null>;
}
