import type { OutsideTask, OutsideTrouble } from '../../core/sharing/outside/outside-task';
import type { SharedField, SharedTask } from '../../core/sharing/outside/shared-task';
import { type FaceMore, type Zone, readVtodo, writtenVtodo } from '../../core/sharing/outside/vtodo';
import { type OutsideRemote, OutsideTroubled } from './outside-remote';

const SAME: Zone = { fromUtc: (moment) => moment, toUtc: (moment) => moment };

interface Held {
  text: string;
  tag: string;
  /** The count of changes when it was changed last. */
  at: number;
}

/** An outside service in memory, for tests: lists of to-dos with tags and tokens, and faults on demand. */
export class MemoryService {
  private readonly lists = new Map<string, Map<string, Held>>();
  private readonly gone = new Map<string, Map<string, number>>();
  private changes = 0;
  private tags = 0;
  private oldest = 0;
  /** What fails next, one request after the other; `lost` does what it should, and its answer is lost. */
  faults: (OutsideTrouble | 'lost')[] = [];
  /** How many requests were made, and how many tasks were fetched or written. */
  requests = 0;
  tasks = 0;

  constructor(
    names: readonly string[],
    /** Milliseconds since 1970, by its own clock. */
    private readonly clock: () => number = () => 0,
    /** How far that clock is ahead, in milliseconds. */
    private readonly skew = 0,
  ) {
    for (const name of names) {
      this.lists.set(name, new Map());
      this.gone.set(name, new Map());
    }
  }

  /** Every task of a list by its address. */
  all(list: string): OutsideTask[] {
    return [...this.of(list).keys()].flatMap((id) => this.task(list, id) ?? []);
  }

  private task(list: string, id: string): OutsideTask | null {
    const held = this.of(list).get(id);
    const face = held ? readVtodo(held.text, SAME) : null;
    return held && face ? { id, tag: held.tag, source: held.text, face } : null;
  }

  /** Somebody writes a task there. */
  make(list: string, uid: string, task: SharedTask): void {
    this.write(list, `${list}/${uid}`, null, uid, ['words', 'status', 'due', 'plan', 'priority', 'tags', 'every'], task, null);
  }

  /** Somebody changes a task there. */
  change(list: string, id: string, fields: readonly SharedField[], task: SharedTask): void {
    const held = this.of(list).get(id);
    const uid = held && readVtodo(held.text, SAME)?.uid;
    if (held && uid !== undefined) this.write(list, id, held.text, uid, fields, task, null);
  }

  remove(list: string, id: string): void {
    if (this.of(list).delete(id)) this.gone.get(list)?.set(id, ++this.changes);
  }

  move(list: string, id: string, to: string): void {
    const held = this.of(list).get(id);
    if (!held || list === to) return;
    this.remove(list, id);
    this.of(to).set(id.replace(list, to), { ...held, tag: this.nextTag(), at: ++this.changes });
  }

  /** Somebody spoils what lies there by hand. */
  spoil(list: string, id: string): void {
    const held = this.of(list).get(id);
    if (held) this.of(list).set(id, { text: held.text.replaceAll('VTODO', 'VNOTHING'), tag: this.nextTag(), at: ++this.changes });
  }

  /** All tokens that were given count no more. */
  forgetTokens(): void {
    this.oldest = ++this.changes;
  }

  readonly remote: OutsideRemote = {
    changes: async ({ id: list, token }) => {
      const fault = await this.asked();
      const since = token === null ? -1 : Number(token);
      const whole = since < this.oldest;
      const changed = [...this.of(list)].filter(([, { at }]) => whole || at > since).map(([id, { tag }]) => ({ id, tag }));
      const gone = whole
        ? []
        : [...(this.gone.get(list) ?? [])].filter(([id, at]) => at > since && !this.of(list).has(id)).map(([id]) => id);
      if (fault) throw new OutsideTroubled('away');
      return { token: String(this.changes), whole, changed, gone, skew: this.skew };
    },
    tasks: async ({ id: list }, ids) => {
      const fault = await this.asked();
      const found = ids.flatMap((id) => this.task(list, id) ?? []);
      this.tasks += found.length;
      if (fault) throw new OutsideTroubled('away');
      return found;
    },
    put: async ({ id: list }, writes) => {
      const fault = await this.asked();
      const results = writes.map(({ id, uid, tag, source, change }) => {
        const address = id ?? `${list}/${uid}`;
        const present = this.of(list).get(address) ?? null;
        if ((present?.tag ?? null) !== tag) return { is: 'other', task: this.task(list, address) } as const;
        this.tasks += 1;
        this.write(list, address, source, uid, change.fields, change.task, change.more);
        return { is: 'done', task: this.task(list, address) as OutsideTask } as const;
      });
      if (fault) throw new OutsideTroubled('away');
      return results;
    },
    remove: async ({ id: list }, removals) => {
      const fault = await this.asked();
      const results = removals.map(({ id, tag }) => {
        const present = this.of(list).get(id);
        if (present && present.tag !== tag) return { is: 'other' } as const;
        this.remove(list, id);
        return { is: 'done' } as const;
      });
      if (fault) throw new OutsideTroubled('away');
      return results;
    },
  };

  /** Whether the answer is lost. */
  private async asked(): Promise<boolean> {
    await Promise.resolve();
    this.requests += 1;
    const fault = this.faults.shift();
    if (fault !== undefined && fault !== 'lost') throw new OutsideTroubled(fault, fault === 'busy' ? 5 : null);
    return fault === 'lost';
  }

  private of(list: string): Map<string, Held> {
    const found = this.lists.get(list);
    if (!found) throw new OutsideTroubled('missing');
    return found;
  }

  private write(
    list: string,
    id: string,
    source: string | null,
    uid: string,
    fields: readonly SharedField[],
    task: SharedTask,
    more: FaceMore | null,
  ): void {
    const minutes = Math.floor((this.clock() + this.skew) / 60_000);
    const now = { day: Math.floor(minutes / 1440), minute: minutes % 1440 };
    this.of(list).set(id, { text: writtenVtodo(source, uid, { fields, task, more }, SAME, now), tag: this.nextTag(), at: ++this.changes });
  }

  private nextTag(): string {
    return `"${(this.tags += 1)}"`;
  }
}
