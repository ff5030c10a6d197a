import { parseGather } from '../core/gather/language/parse';
import type { LibrarySettings, NoteChange } from '../core/index/library';
import { isOutsidePath } from '../core/note/names/outside-path';
import type { QuestionName, Questions } from '../core/index/questions/questions';
import type { EngineHost } from './host';
import type { Engine, EngineEvent } from './protocol';

/**
 * The engine of the notes, and beside it one of the outside lists: a library of its own, so that nothing of what stands there is among the notes.
 * It is begun by the first gather from outside lists.
 */
export class EngineWithOutside implements Engine {
  private outside: EngineHost | null = null;
  private settings: LibrarySettings | null = null;
  private tell: (event: EngineEvent) => void = () => undefined;

  /** @param begin makes the engine of the outside lists */
  constructor(
    private readonly notes: EngineHost,
    private readonly begin: () => EngineHost,
  ) {}

  start(settings: LibrarySettings, tell: (event: EngineEvent) => void): Promise<void> {
    this.settings = settings;
    this.tell = tell;
    return this.notes.start(settings, tell);
  }

  async apply(changes: NoteChange[]): Promise<void> {
    const [own, other] = [changes.filter(({ path }) => !isOutsidePath(path)), changes.filter(({ path }) => isOutsidePath(path))];
    if (other.length > 0) await this.outside?.apply(other);
    if (own.length > 0) await this.notes.apply(own);
  }

  async changeSettings(settings: LibrarySettings): Promise<void> {
    this.settings = settings;
    await this.outside?.changeSettings(settings);
    await this.notes.changeSettings(settings);
  }

  async subscribe(id: string, text: string, at: string | null): Promise<void> {
    const engine = isFromOutside(text) ? this.ofLists() : this.notes;
    const other = engine === this.notes ? this.outside : this.notes;
    await other?.unsubscribe(id);
    await engine.subscribe(id, text, at);
  }

  async unsubscribe(id: string): Promise<void> {
    await Promise.all([this.notes.unsubscribe(id), this.outside?.unsubscribe(id)]);
  }

  ask<Name extends QuestionName>(name: Name, given: Questions[Name]['given']): Promise<Questions[Name]['answer']> {
    return this.isOfLists(given) ? this.ofLists().ask(name, given) : this.notes.ask(name, given);
  }

  /** What is asked of a line of an outside list, or by a gather from one. */
  private isOfLists(given: object): boolean {
    if ('path' in given && typeof given.path === 'string' && isOutsidePath(given.path)) return true;
    return 'text' in given && typeof given.text === 'string' && isFromOutside(given.text);
  }

  private ofLists(): EngineHost {
    if (this.outside) return this.outside;
    const engine = this.begin();
    this.outside = engine;
    // Of the frame it tells nothing: that shows the notes.
    const tell = (event: EngineEvent): void => {
      if (event.is === 'news' && Object.keys(event.answers).length > 0) this.tell({ is: 'news', answers: event.answers });
    };
    if (this.settings) void engine.start(this.settings, tell);
    return engine;
  }
}

/** Most gathers do not hold the word at all. */
const isFromOutside = (text: string): boolean => text.includes('outside') && parseGather(text).gather.from === 'outside';
