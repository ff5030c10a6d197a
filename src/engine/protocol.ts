import type { QuestionName, Questions } from '../core/index/questions/questions';
import type { LibrarySettings, NoteChange } from '../core/index/library';
import type { AnswerNews } from '../core/index/live/news';
import type { OverviewNews } from '../core/index/live/overview';

/** What the engine tells the page. One message holds everything that one change brought, never a mixture. */
export type EngineEvent =
  | { is: 'progress'; read: number; all: number }
  | { is: 'ready' }
  | { is: 'failed'; message: string }
  /** The overview is left out where only answers are told, as with the first ones, which go before it. */
  | { is: 'news'; overview?: OverviewNews; answers: Record<string, AnswerNews> };

/** What the page asks of the engine; every call may be made before it is ready. */
export interface Engine {
  /** Reads every stored note, then answers. */
  start(settings: LibrarySettings, tell: (event: EngineEvent) => void): Promise<void>;
  apply(changes: NoteChange[]): Promise<void>;
  changeSettings(settings: LibrarySettings): Promise<void>;
  /** Keeps a gather answered under an id; `at` is the note that holds it. */
  subscribe(id: string, text: string, at: string | null): Promise<void>;
  unsubscribe(id: string): Promise<void>;
  /** Answers a question of all notes that is no gather. */
  ask<Name extends QuestionName>(name: Name, given: Questions[Name]['given']): Promise<Questions[Name]['answer']>;
}
