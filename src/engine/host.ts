import { foldPath } from '../core/note/path';
import { Library, type LibrarySettings, type NoteChange } from '../core/index/library';
import { loadPatterns, needsPatterns } from '../core/gather/pattern';
import { overviewOf } from '../core/index/overview';
import type { Why } from '../core/gather/why';
import type { Problem } from '../core/task/task';
import type { AnswerView } from '../core/index/view';
import type { Engine, EngineEvent } from './protocol';

/** Gives the stored notes in portions, so that progress can be told. */
export type Loader = () => AsyncIterable<{ notes: NoteChange[]; all: number }>;

/** The engine itself, without the worker around it: the library, who subscribed, and what to tell. */
export class EngineHost implements Engine {
  private library: Library | null = null;
  private ready = false;
  private tell: (event: EngineEvent) => void = () => undefined;
  /** Calls that came before everything was read. */
  private readonly waiting: (() => void)[] = [];
  private readonly subscribed = new Set<string>();
  /** Path of an agenda page → the ids under which its gathers are counted. */
  private readonly counted = new Map<string, string[]>();
  private settings: LibrarySettings | null = null;

  constructor(private readonly load: Loader) {}

  async start(settings: LibrarySettings, tell: (event: EngineEvent) => void): Promise<void> {
    this.tell = tell;
    this.settings = settings;
    const library = new Library(settings);
    this.library = library;
    try {
      let read = 0;
      for await (const { notes, all } of this.load()) {
        library.apply(notes);
        read += notes.length;
        tell({ is: 'progress', read, all });
      }
    } catch (error) {
      tell({ is: 'failed', message: error instanceof Error ? error.message : String(error) });
      return;
    }
    if (this.settings !== settings) library.changeSettings(this.settings);
    if (library.outdated) await this.readAgain(library);
    this.ready = true;
    for (const call of this.waiting.splice(0)) call();
    this.publish([...this.subscribed]);
    tell({ is: 'ready' });
  }

  async apply(changes: NoteChange[]): Promise<void> {
    this.whenReady((library) => {
      this.publish(library.apply(changes));
      if (library.outdated) void this.readAgain(library);
    });
  }

  async changeSettings(settings: LibrarySettings): Promise<void> {
    const before = this.settings;
    this.settings = settings;
    if (!this.ready) return;
    this.whenReady((library) => {
      this.publish(library.changeSettings(settings));
      const reading = before?.workingDay !== settings.workingDay || before.repeatLead !== settings.repeatLead;
      if (reading) void this.readAgain(library);
    });
  }

  async subscribe(id: string, text: string, at: string | null): Promise<void> {
    if (needsPatterns(text)) await loadPatterns();
    this.whenReady((library) => {
      library.subscribe(id, text, at);
      this.subscribed.add(id);
      if (this.ready) this.publish([id]);
    });
  }

  async unsubscribe(id: string): Promise<void> {
    this.whenReady((library) => {
      library.unsubscribe(id);
      this.subscribed.delete(id);
    });
  }

  async why(text: string, at: string | null, path: string, line: number): Promise<Why | null> {
    return this.library?.why(text, at, path, line) ?? null;
  }

  async refProblems(path: string): Promise<{ line: number; problems: Problem[] }[]> {
    return this.library?.refProblemsOf(path) ?? [];
  }

  /** Statuses or settings that change what texts mean: every note is read once more. */
  private async readAgain(library: Library): Promise<void> {
    library.takeStatuses();
    for await (const { notes } of this.load()) library.apply(notes);
    this.publish([...this.subscribed]);
  }

  async resolve(target: string, from: string | null): Promise<string | null> {
    const key = this.library?.names.pathOf(target, from && foldPath(from)) ?? null;
    return key === null ? null : (this.library?.entries.get(key)?.head.path ?? null);
  }

  private whenReady(call: (library: Library) => void): void {
    const { library } = this;
    if (this.ready && library) call(library);
    else this.waiting.push(() => this.library && call(this.library));
  }

  private publish(touched: readonly string[]): void {
    const { library } = this;
    if (!library || !this.ready) return;
    this.keepAgendasCounted(library);
    const answers: Record<string, AnswerView> = {};
    for (const id of touched) {
      const answer = this.subscribed.has(id) ? library.answer(id) : null;
      if (answer) answers[id] = answer;
    }
    const counts = Object.fromEntries([...this.counted].map(([path, ids]) => [path, library.countOpen(ids)]));
    this.tell({ is: 'news', overview: overviewOf(library, counts), answers });
  }

  /** Every agenda page's gathers are kept answered for the counts on the rack. */
  private keepAgendasCounted(library: Library): void {
    const pages = new Map<string, string[]>();
    for (const { head, gathers } of library.entries.values()) {
      if (head.kind === 'agenda') pages.set(head.path, gathers);
    }
    for (const [path, ids] of this.counted) {
      const kept = pages.get(path)?.length ?? 0;
      for (const id of ids.slice(kept)) library.unsubscribe(id);
      if (!pages.has(path)) this.counted.delete(path);
    }
    if ([...pages.values()].some((gathers) => gathers.some(needsPatterns))) {
      void loadPatterns().then(() => this.publish([]));
      return;
    }
    for (const [path, gathers] of pages) {
      const ids = gathers.map((_, index) => `count ${index} ${foldPath(path)}`);
      gathers.forEach((text, index) => library.subscribe(ids[index] ?? '', text, path));
      this.counted.set(path, ids);
    }
  }
}
