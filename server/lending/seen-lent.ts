import { type LentSeen } from './lent-record';
import type { LentStore } from './lent-store';

/** So many of those who changed a text are told. */
const MOST_HANDS = 20;

/** What borrowers do with texts; kept every now and then, as none of it is anybody’s words. */
export class SeenLent {
  private readonly news = new Map<string, LentSeen>();

  constructor(
    private readonly store: LentStore,
    private readonly now: () => number,
  ) {}

  async of(name: string): Promise<LentSeen> {
    return together(await this.store.seen(name), this.news.get(name));
  }

  opened(name: string): void {
    this.newsOf(name).opened = this.now();
  }

  changed(name: string, who: string): void {
    const news = this.newsOf(name);
    news.changes++;
    news.hands = [{ name: who, at: this.now() }, ...news.hands.filter((one) => one.name !== who)].slice(0, MOST_HANDS);
  }

  forget(name: string): void {
    this.news.delete(name);
  }

  async flush(): Promise<void> {
    for (const [name, news] of [...this.news]) {
      this.news.delete(name);
      await this.store.keepSeen(name, together(await this.store.seen(name), news));
    }
  }

  private newsOf(name: string): LentSeen {
    const present = this.news.get(name);
    if (present) return present;
    const fresh: LentSeen = { opened: null, changes: 0, hands: [] };
    this.news.set(name, fresh);
    return fresh;
  }
}

function together(before: LentSeen, news: LentSeen | undefined): LentSeen {
  if (!news) return before;
  const names = new Set(news.hands.map(({ name }) => name));
  return {
    opened: news.opened ?? before.opened,
    changes: before.changes + news.changes,
    hands: [...news.hands, ...before.hands.filter(({ name }) => !names.has(name))].slice(0, MOST_HANDS),
  };
}
