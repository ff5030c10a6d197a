import { shippedPath } from '../agenda/shipped-names';
import { NO_NARROWING, narrowed } from '../gather/answer/narrow';
import type { Answer } from '../gather/answer/answer';
import type { GatherError, Source } from '../gather/language/ast';
import { unknownNames } from '../gather/offering/unknown-names';
import { foldPath } from '../note/names/path';
import { AnswerTeller } from './live/answer-teller';
import { LiveGather } from './live/live-gather';
import type { AnswerNews } from './live/news';
import { rowsFor } from './note-entry';
import { type LibrarySettings, type NoteChange, CAN_BE_BEGUN, NoteIndex } from './note-index';
import type { SearchKeeper } from '../search/search-keeper';
import { PageCount } from './live/page-count';
import type { Row } from '../gather/rows/row';
import type { AnswerView } from './live/view';

export type { LibrarySettings, NoteChange } from './note-index';

interface Subscription {
  live: LiveGather;
  text: string;
  /** The note that holds the gather; null for one of the interface's own. */
  at: string | null;
  teller: AnswerTeller;
  /** What it means by where it stands, as JSON. */
  here: string;
  /** Names in it that nothing bears, as of a version of the names. */
  hints: { version: string; found: GatherError[] } | null;
}

/** All notes, read and indexed, with gathers that are kept answered. Pure: no clock, no store. */
export class Library extends NoteIndex {
  private readonly subscriptions = new Map<string, Subscription>();
  /** The agenda pages that are counted, with their gathers as they are written. */
  private readonly pages = new Map<string, { texts: readonly string[]; count: PageCount }>();
  /** The words of all notes, from when they are first asked for. */
  search: SearchKeeper | null = null;

  /** Reads changed notes into the index; gives the ids of the subscriptions whose answers may differ. */
  apply(changes: readonly NoteChange[]): string[] {
    const touched = new Set<string>();
    let renamed = false;
    const refsBefore = this.refs.version;
    const echoesBefore = this.echoes;
    const changed = new Set(changes.map(({ path }) => foldPath(path)));
    for (const change of changes) {
      const key = foldPath(change.path);
      // What answers hold of a note is taken out of them by its old rows, which its slots give only as long as they are its own.
      const removed = this.rowsAsked(key);
      if (this.replace(key, change, this.subscriptions.size > 0)) renamed = true;
      const added = this.rowsAsked(key);
      this.search?.changed(key);
      for (const [id, { live }] of this.subscriptions) {
        const { from } = live.gather;
        if (live.change(removed.get(from) ?? NO_ROWS, added.get(from) ?? NO_ROWS)) touched.add(id);
      }
      if (this.pages.size > 0) this.countNote(key);
    }
    const refsChanged = this.refs.version !== refsBefore;
    const echoed = this.echoes > 0 || echoesBefore > 0;
    for (const [id, subscription] of this.subscriptions) {
      const { live } = subscription;
      const again =
        (refsChanged && (echoed || live.asksForRefs)) ||
        (renamed && live.asksForNames) ||
        live.asksForOthers ||
        this.meansOther(subscription, changed);
      if (!again) continue;
      this.rebuild(subscription);
      touched.add(id);
    }
    if (this.pages.size > 0 && ((refsChanged && echoed) || renamed)) this.recount();
    return [...touched];
  }

  /** Whether what a gather means by where it stands is something else since its note changed, as when a person is renamed. */
  private meansOther({ at, here }: Subscription, changed: ReadonlySet<string>): boolean {
    return at !== null && changed.has(foldPath(at)) && JSON.stringify(this.contextAt(at).thisNote) !== here;
  }

  /** The rows of a note that the gathers that are kept answered look at, by what these gather. */
  private rowsAsked(key: string): ReadonlyMap<Source, readonly Row[]> {
    const entry = this.entries.get(key);
    const rows = new Map<Source, readonly Row[]>();
    if (!entry) return rows;
    for (const { live } of this.subscriptions.values())
      if (!rows.has(live.gather.from)) rows.set(live.gather.from, rowsFor(entry, live.gather.from));
    return rows;
  }

  /** Counts a note afresh on every agenda page. */
  private countNote(key: string): void {
    const rows = this.entries.get(key)?.head.rows ?? NO_ROWS;
    for (const { count } of this.pages.values()) count.take(key, rows);
  }

  /** New settings or a new day: everything that depends on them is answered afresh. Gives all ids. */
  changeSettings(settings: LibrarySettings, texts?: Iterable<NoteChange>): string[] {
    this.forgetNextSteps();
    const hidNotNow = this.settings.hidesNotNow;
    this.settings = { ...settings, ...(this.settings.statuses && { statuses: this.settings.statuses }) };
    if (texts) this.apply([...texts]);
    for (const [id, subscription] of [...this.subscriptions]) {
      const { text, at } = subscription;
      if (hidNotNow === this.settings.hidesNotNow) this.rebuild(subscription);
      else {
        this.unsubscribe(id);
        this.subscribe(id, text, at);
      }
    }
    this.recount();
    return [...this.subscriptions.keys()];
  }

  /** Keeps a gather answered until it is unsubscribed, or subscribed with another text. */
  subscribe(id: string, text: string, at: string | null): void {
    const previous = this.subscriptions.get(id);
    if (previous && previous.text === text && previous.at === at) return;
    const live = this.liveGather(text, at);
    const subscription: Subscription = { live, text, at, here: '', hints: null, teller: new AnswerTeller(live) };
    this.subscriptions.set(id, subscription);
    this.rebuild(subscription);
  }

  unsubscribe(id: string): void {
    this.subscriptions.delete(id);
  }

  private liveGather(text: string, at: string | null): LiveGather {
    return new LiveGather(this.asked(text, at), this.contextAt(at), this.settings.dateStyle, this.lookup);
  }

  /** A gather as it is asked where it stands: pages of what is on the table leave the rest out where the settings say so. */
  private asked(text: string, at: string | null): string {
    return this.settings.hidesNotNow && at !== null && ON_THE_TABLE.has(at) ? narrowed(text, { ...NO_NARROWING, only: 'now' }) : text;
  }

  private rebuild(subscription: Subscription): void {
    const { live, at } = subscription;
    const context = this.contextAt(at);
    subscription.here = JSON.stringify(context.thisNote);
    live.rebuild(({ plan }) => this.matching(plan), context, this.settings.dateStyle);
  }

  /** Answers a gather once, without keeping it. */
  ask(text: string, at: string | null = null): { live: LiveGather; answer: Answer } {
    const live = this.liveGather(text, at);
    if (live.errors.length > 0) return { live, answer: live.answer() };
    return { live, answer: this.answerOf(live.plan) };
  }

  /** What of a note can be begun, the weightiest; null where there is nothing. */
  nextStep(path: string): Row | null {
    return this.ask(`where ${CAN_BE_BEGUN}\nlimit 1\nsteps apart`, path).answer.groups[0]?.rows[0]?.row ?? null;
  }

  /** What a subscribed gather comes to now; null for an id that nobody subscribed. */
  answer(id: string): AnswerView | null {
    const subscription = this.subscriptions.get(id);
    return subscription ? subscription.teller.answer(this.contextAt(subscription.at), this.hintsOf(subscription)) : null;
  }

  /**
   * What is different in the answer to a subscribed gather since this was last asked.
   *
   * @param most how many rows an answer that is told whole begins with; asked again, it gives the others
   */
  news(id: string, most?: number): AnswerNews | null {
    const subscription = this.subscriptions.get(id);
    return subscription ? subscription.teller.news(this.contextAt(subscription.at), this.hintsOf(subscription), most) : null;
  }

  /** Whether an answer was told without some of its rows. */
  owes(id: string): boolean {
    return this.subscriptions.get(id)?.teller.owes ?? false;
  }

  private hintsOf(subscription: Subscription): GatherError[] {
    const { text, at } = subscription;
    const version = `${this.tagNames.version} ${this.peopleNames.version} ${this.titlesVersion}`;
    if (subscription.hints?.version === version) return subscription.hints.found;
    const folder = at === null ? null : foldPath(at);
    const found = unknownNames(text, {
      tags: this.tagNames,
      people: this.peopleNames,
      hasNote: (name) => this.names.pathOf(name, folder) !== null,
      notes: () => [...this.entries.values()].map((entry) => entry.head.title),
      folders: () => [...this.entries.values()].map((entry) => entry.head.folder),
    });
    subscription.hints = { version, found };
    return found;
  }

  /** Keeps the open tasks of an agenda page counted; without gathers it is counted no more. */
  countPage(path: string, gathers: readonly string[] | null): void {
    const before = this.pages.get(path);
    if (gathers === null) this.pages.delete(path);
    else if (!before || before.texts.join('\0') !== gathers.join('\0')) this.startCount(path, gathers);
  }

  private startCount(path: string, gathers: readonly string[]): void {
    const texts = gathers.map((text) => this.asked(text, path));
    const count = new PageCount(texts, this.contextAt(path), this.settings.dateStyle, this.lookup);
    count.start(this.entries, this.placedColumns());
    this.pages.set(path, { texts: gathers, count });
  }

  private recount(): void {
    for (const [path, { texts }] of [...this.pages]) this.startCount(path, texts);
  }

  /** Path of each counted agenda page → its open tasks. */
  get pageCounts(): Record<string, number> {
    return Object.fromEntries([...this.pages].map(([path, { count }]) => [path, count.total]));
  }

  get countedPages(): readonly string[] {
    return [...this.pages.keys()];
  }
}

/** The pages of what is on the table. */
const ON_THE_TABLE: ReadonlySet<string> = new Set((['Today', 'Ahead', 'Undated'] as const).map(shippedPath));

const NO_ROWS: readonly Row[] = [];
