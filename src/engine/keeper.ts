import { foldPath, isSealedPath } from '../core/note/names/path';
import type { LibrarySettings, NoteChange } from '../core/index/library';
import type { AnswerNews } from '../core/index/live/news';
import { NO_ANSWERS } from '../core/index/questions/no-answers';
import type { QuestionName, Questions } from '../core/index/questions/questions';
import type { Engine, EngineEvent } from './protocol';

/** An engine that runs apart from the page, as in a worker. */
export interface Apart {
  engine: Omit<Engine, 'start'>;
  start: (settings: LibrarySettings, hear: (event: EngineEvent) => void) => Promise<void>;
  end: () => void;
}

interface Asked {
  /** How the engine knows it: another name for each asking, so that late news of an earlier one are known as such. */
  name: string;
  text: string;
  at: string | null;
}

/** An engine that fails so often in a minute, in milliseconds, is not started again. */
const MOST_DEATHS = 3;
const MINUTE = 60_000;
/** An engine that gives no answer for so long, in milliseconds, counts as dead: reading the largest library takes some seconds. */
const SILENCE = 60_000;

const DEAD = 'The index stopped. Reload the page; your notes are safe.';

/**
 * Keeps an engine running for the page: it is started again when it dies, and asked again what the page still wants to know. News of what
 * nobody asks for any more do not reach the page.
 */
export class EngineKeeper implements Engine {
  private apart: Apart;
  private readonly asked = new Map<string, Asked>();
  /** What of sealed notes the page gave, by their folded paths: nobody else can read it to the next engine. */
  private readonly opened = new Map<string, NoteChange>();
  private count = 0;
  private deaths: number[] = [];

  constructor(
    private readonly spawn: (died: (reason: string) => void) => Apart,
    private settings: LibrarySettings,
    private readonly tell: (event: EngineEvent) => void,
    private readonly now: () => number = () => performance.now(),
  ) {
    this.apart = this.begin();
  }

  private begin(): Apart {
    const apart: Apart = this.spawn((reason) => this.died(apart, reason));
    const hear = (event: EngineEvent): void => {
      if (this.apart === apart) this.hear(event);
    };
    void apart.start(this.settings, hear).catch((error: unknown) => this.died(apart, String(error)));
    return apart;
  }

  /** Its successor reads the notes as they are stored; nothing of what was written is missing in them. */
  private died(apart: Apart, reason: string): void {
    if (this.apart !== apart) return;
    apart.end();
    const now = this.now();
    this.deaths = [...this.deaths.filter((time) => now - time < MINUTE), now];
    if (this.deaths.length > MOST_DEATHS) {
      this.tell({ is: 'failed', message: `${DEAD} (${reason})` });
      return;
    }
    this.apart = this.begin();
    if (this.opened.size > 0) void this.call((engine) => engine.apply([...this.opened.values()]), undefined);
    for (const [id, { text, at }] of this.asked) void this.askAgain(id, text, at);
  }

  private hear(event: EngineEvent): void {
    if (event.is !== 'news') return this.tell(event);
    const answers: Record<string, AnswerNews> = {};
    for (const [id, { name }] of this.asked) {
      const news = event.answers[name];
      if (news) answers[id] = news;
    }
    this.tell({ ...event, answers });
  }

  /** Calls the engine; one that fails, or stays silent, is replaced. */
  private async call<T>(act: (engine: Apart['engine']) => Promise<T>, otherwise: T): Promise<T> {
    const { apart } = this;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const silence = new Promise<never>((_, reject) => {
      timer = setTimeout(() => reject(new Error('it does not answer')), SILENCE);
    });
    try {
      return await Promise.race([act(apart.engine), silence]);
    } catch (error) {
      this.died(apart, error instanceof Error ? error.message : String(error));
      return otherwise;
    } finally {
      clearTimeout(timer);
    }
  }

  start(): Promise<void> {
    return Promise.resolve();
  }

  apply(changes: NoteChange[]): Promise<void> {
    for (const change of changes) {
      if (!isSealedPath(change.path)) continue;
      if (change.text) this.opened.set(foldPath(change.path), change);
      else this.opened.delete(foldPath(change.path));
    }
    return this.call((engine) => engine.apply(changes), undefined);
  }

  changeSettings(settings: LibrarySettings): Promise<void> {
    this.settings = settings;
    return this.call((engine) => engine.changeSettings(settings), undefined);
  }

  subscribe(id: string, text: string, at: string | null): Promise<void> {
    const before = this.asked.get(id);
    if (before) void this.call((engine) => engine.unsubscribe(before.name), undefined);
    return this.askAgain(id, text, at);
  }

  private askAgain(id: string, text: string, at: string | null): Promise<void> {
    const name = `${id} ${this.count++}`;
    this.asked.set(id, { name, text, at });
    return this.call((engine) => engine.subscribe(name, text, at), undefined);
  }

  unsubscribe(id: string): Promise<void> {
    const asked = this.asked.get(id);
    if (!asked || !this.asked.delete(id)) return Promise.resolve();
    return this.call((engine) => engine.unsubscribe(asked.name), undefined);
  }

  ask<Name extends QuestionName>(name: Name, given: Questions[Name]['given']): Promise<Questions[Name]['answer']> {
    return this.call<Questions[Name]['answer']>((engine) => engine.ask(name, given), NO_ANSWERS[name]);
  }
}
