import { loadYaml, missesYaml } from '../core/note/facts/front-matter';
import type { LineDays } from '../core/note/facts/line-days';
import { foldPath, isSealedPath } from '../core/note/names/path';
import { readableText } from '../core/sharing/seal/sealed-names';
import { Library, type LibrarySettings, type NoteChange } from '../core/index/library';
import { loadPatterns, needsPatterns } from '../core/gather/language/pattern';
import { OverviewKeeper } from '../core/index/live/overview-keeper';
import type { AnswerNews } from '../core/index/live/news';
import { NO_ANSWERS } from '../core/index/questions/no-answers';
import { type QuestionName, type Questions, answerTo } from '../core/index/questions/questions';
import type { Engine, EngineEvent } from './protocol';

/** So many rows of a list are shown at first; no screen holds more. */
const FIRST_ROWS = 200;

/** How long after the first answers, or after a change, the words of notes are indexed, in milliseconds. */
const SEARCH_AFTER = 3000;
/** The longest time without a pause, in milliseconds, and how much text is taken between two looks at the clock. */
const SLICE = 8;
const MORSEL = 2000;

/** How many notes are read at a time, so that progress can be told. */
const PORTION = 400;

/** What gives the notes; whatever stands behind it, a note source does. */
export interface TextReader {
  portions(size: number): AsyncIterable<{ notes: readonly { path: string; text: string | null; seen?: LineDays | null }[]; all: number }>;
}

/** The engine itself, without the worker around it: the library, who subscribed, and what to tell. */
export class EngineHost implements Engine {
  private library: Library | null = null;
  private ready = false;
  /** Whether the page was told of everything once. */
  private told = false;
  private tell: (event: EngineEvent) => void = () => undefined;
  /** Calls that came before everything was read. */
  private readonly waiting: (() => void)[] = [];
  private readonly subscribed = new Set<string>();
  /** What each id was last asked for: what waits for something else meanwhile gives way to it. */
  private readonly asked = new Map<string, object>();
  /** Everything is being read again; whether once more, and which notes (by folded paths) changed since it began. */
  private reading: { again: boolean; changed: Set<string> } | null = null;
  private readonly overview = new OverviewKeeper();
  private settings: LibrarySettings | null = null;
  /** Whether the words of notes are being indexed. */
  private feeding = false;
  /** Whether the rest of long lists is about to be told. */
  private tellingRest = false;

  /**
   * @param later calls something when a time in milliseconds has passed; without it nothing is done ahead
   */
  constructor(
    private readonly source: TextReader,
    private readonly later: ((call: () => void, after: number) => void) | null = null,
  ) {}

  async start(settings: LibrarySettings, tell: (event: EngineEvent) => void): Promise<void> {
    this.tell = tell;
    this.settings = settings;
    const library = new Library(settings);
    this.library = library;
    try {
      let read = 0;
      for await (const { notes, all } of this.load()) {
        library.apply(notes);
        if (missesYaml()) await this.readMissed(library, notes);
        read += notes.length;
        tell({ is: 'progress', read, all });
      }
    } catch (error) {
      tell({ is: 'failed', message: error instanceof Error ? error.message : String(error) });
      return;
    }
    if (this.settings !== settings) library.changeSettings(this.settings);
    if (library.outdated) await this.readAgain(library);
    // What was asked meanwhile is told at once, not each for itself: the first telling holds the whole library.
    for (const call of this.waiting.splice(0)) call();
    this.ready = true;
    // What is on the screen goes first; what the frame shows of all notes follows when it has left, and then the counts of all agenda pages.
    const first = [...this.subscribed];
    if (first.length > 0) tell({ is: 'news', answers: this.answersOf(first, FIRST_ROWS) });
    await new Promise((resolve) => setTimeout(resolve));
    this.publish(first.length > 0 ? [] : [...this.subscribed], { counting: false, most: FIRST_ROWS });
    if (first.some((id) => library.owes(id))) this.publishRest();
    tell({ is: 'ready' });
    await new Promise((resolve) => setTimeout(resolve));
    this.keepAgendasCounted(library, null);
    this.publish([]);
    this.feedSearch(SEARCH_AFTER);
  }

  /** Indexes the words of notes in a while, a few milliseconds at a time, until none waits. */
  private feedSearch(after: number): void {
    const { later } = this;
    if (this.feeding || !later) return;
    this.feeding = true;
    const feed = async (): Promise<void> => {
      const { searchKeeper } = await import('../core/index/questions/search');
      const keeper = this.library && searchKeeper(this.library);
      const until = performance.now() + SLICE;
      while (keeper && keeper.left > 0 && performance.now() < until) keeper.feed(MORSEL);
      this.feeding = keeper !== null && keeper.left > 0;
      if (this.feeding) later(() => void feed(), 0);
    };
    later(() => void feed(), after);
  }

  async apply(changes: NoteChange[]): Promise<void> {
    this.whenReady((library) => {
      for (const { path } of changes) this.reading?.changed.add(foldPath(path));
      this.publish(library.apply(changes));
      if (missesYaml()) void this.readMissed(library, changes);
      if (library.outdated) void this.readAgain(library);
      this.feedSearch(SEARCH_AFTER);
    });
  }

  /** Reads notes once more, as they are by then, with what some of their front matter needs and was not loaded yet. */
  private async readMissed(library: Library, notes: readonly NoteChange[]): Promise<void> {
    await loadYaml();
    this.publish(library.apply(notes.flatMap(({ path }) => library.present(path) ?? [])));
  }

  async changeSettings(settings: LibrarySettings): Promise<void> {
    const before = this.settings;
    this.settings = settings;
    if (!this.ready) return;
    this.whenReady((library) => {
      this.publish(library.changeSettings(settings));
      const meaning = (one: LibrarySettings | null): string => JSON.stringify([one?.workingDay, one?.repeatLead, one?.days]);
      const reading = meaning(before) !== meaning(settings);
      if (reading) void this.readAgain(library);
    });
  }

  async subscribe(id: string, text: string, at: string | null): Promise<void> {
    const asked = {};
    this.asked.set(id, asked);
    if (needsPatterns(text)) await loadPatterns();
    this.whenReady((library) => {
      if (this.asked.get(id) !== asked) return;
      library.subscribe(id, text, at);
      this.subscribed.add(id);
      if (!this.ready) return;
      this.publish([id], { most: FIRST_ROWS });
    });
  }

  async unsubscribe(id: string): Promise<void> {
    this.asked.delete(id);
    this.whenReady((library) => {
      library.unsubscribe(id);
      this.subscribed.delete(id);
    });
  }

  async ask<Name extends QuestionName>(name: Name, given: Questions[Name]['given']): Promise<Questions[Name]['answer']> {
    return this.library ? answerTo(this.library, name, given) : NO_ANSWERS[name];
  }

  /**
   * Statuses or settings that change what texts mean: every note is read once more. A note that changes meanwhile is newer than what is
   * being read; should the meaning change again, it begins anew.
   */
  private async readAgain(library: Library): Promise<void> {
    if (this.reading) {
      this.reading.again = true;
      return;
    }
    const reading: { again: boolean; changed: Set<string> } = { again: true, changed: new Set() };
    this.reading = reading;
    try {
      while (reading.again) {
        reading.again = false;
        library.takeStatuses();
        for (const key of reading.changed) {
          const note = library.present(key);
          if (note) library.apply([note]);
        }
        for await (const { notes } of this.load()) library.apply(notes.filter(({ path }) => !reading.changed.has(foldPath(path))));
      }
    } catch (error) {
      this.tell({ is: 'failed', message: error instanceof Error ? error.message : String(error) });
    } finally {
      this.reading = null;
    }
    this.publish([...this.subscribed]);
  }

  /** All notes as the library reads them, portion by portion. */
  private async *load(): AsyncGenerator<{ notes: NoteChange[]; all: number }> {
    for await (const { notes, all } of this.source.portions(PORTION))
      yield { notes: notes.flatMap((note) => this.readable(note) ?? []), all };
  }

  /** What lies there sealed is read as the page gives it while it is open. */
  private readable({ path, text, seen }: { path: string; text: string | null; seen?: LineDays | null }): NoteChange | null {
    const given = text === null && isSealedPath(path) ? (this.library?.present(foldPath(path)) ?? null) : null;
    const readable = readableText(path, text);
    return given ?? (readable === null ? null : { path, text: readable, seen: seen ?? null });
  }

  private whenReady(call: (library: Library) => void): void {
    const { library } = this;
    if (this.ready && library) call(library);
    else this.waiting.push(() => this.library && call(this.library));
  }

  /** Tells the rows of long lists that were left out, bit by bit, so that the page is never held up. */
  private publishRest(): void {
    if (this.tellingRest) return;
    this.tellingRest = true;
    setTimeout(() => {
      this.tellingRest = false;
      const owing = [...this.subscribed].find((id) => this.library?.owes(id));
      if (owing !== undefined) this.publish([owing]);
    });
  }

  private publish(touched: readonly string[], { counting = true, most }: { counting?: boolean; most?: number } = {}): void {
    const { library } = this;
    if (!library || !this.ready) return;
    const changed = this.told ? library.takeChanged() : null;
    if (counting) this.keepAgendasCounted(library, changed);
    const answers = this.answersOf(touched, most);
    this.told = true;
    this.tell({ is: 'news', overview: this.overview.news(library, changed, library.pageCounts), answers });
    if (touched.some((id) => library.owes(id))) this.publishRest();
  }

  private answersOf(ids: readonly string[], most?: number): Record<string, AnswerNews> {
    const answers: Record<string, AnswerNews> = {};
    for (const id of ids) {
      const news = this.subscribed.has(id) ? this.library?.news(id, most) : null;
      if (news) answers[id] = news;
    }
    return answers;
  }

  /**
   * Every agenda page's gathers are kept counted for the rack.
   *
   * @param changed the folded paths of the notes to look at; null for all
   */
  private keepAgendasCounted(library: Library, changed: ReadonlySet<string> | null): void {
    for (const path of library.countedPages) {
      const entry = library.entries.get(foldPath(path));
      if (entry?.head.kind !== 'agenda' || entry.foot !== null || entry.head.path !== path) library.countPage(path, null);
    }
    for (const key of changed ?? library.entries.keys()) {
      const entry = library.entries.get(key);
      // What a foot finds depends on the note above it: it has no count of its own.
      if (entry?.head.kind !== 'agenda' || entry.foot !== null) continue;
      if (entry.gathers.some(needsPatterns)) {
        void loadPatterns().then(() => {
          library.countPage(entry.head.path, entry.gathers);
          this.publish([]);
        });
      } else library.countPage(entry.head.path, entry.gathers);
    }
  }
}
