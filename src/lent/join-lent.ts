import { HocuspocusProviderWebsocket } from '@hocuspocus/provider';
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import type { Awareness } from 'y-protocols/awareness';
import * as Y from 'yjs';
import {
  LENT_ABOUT,
  LENT_SOCKET,
  LENT_TICK,
  LENT_TOLD,
  type LentAbout,
  type LentRefusal,
  type LentSaid,
  type LentTick,
  LENT_REFUSALS,
  readLent,
} from '../core/sharing/lend/lent-messages';
import { SharedText } from '../store/device/shared-text';

/** How far one is with the address: asked, shown, to be asked again as it is lent otherwise now, or why not. */
export type Access = 'asking' | 'open' | 'again' | LentRefusal;

/** What the page shows of what it is joined with. */
export interface Shown {
  access: Access;
  /** Whether the server is reached now. */
  isThere: boolean;
  /** Whether all that was written here is on the server’s disk. */
  isKept: boolean;
  /** Whether the text is as long as it may be: what was written last is not on the server. */
  isFull: boolean;
  about: LentAbout | null;
  /** Of a list, the ticks that wait for their owner’s program, by row. */
  ticks: ReadonlyMap<string, LentTick>;
}

/** So long after the last change it is asked whether it is kept, in milliseconds. */
const MARK_AFTER = 250;
/** The longest pause until a server that is away is asked again, in milliseconds. */
const LONGEST = 10_000;

/** What somebody lent, joined by its address. Nothing of it is stored here: what is not on the server goes with the page. */
export class JoinedLent {
  readonly doc = new Y.Doc();
  readonly text = this.doc.getText('text');
  private shown: Shown = { access: 'asking', isThere: false, isKept: true, isFull: false, about: null, ticks: new Map() };
  private readonly listeners = new Set<() => void>();
  private readonly socket: HocuspocusProviderWebsocket;
  private readonly provider: SharedText;
  private written = 0;
  private marking: ReturnType<typeof setTimeout> | null = null;

  constructor(
    private readonly address: string,
    private readonly word: string | null,
    private name: string,
  ) {
    this.socket = new HocuspocusProviderWebsocket({ url: location.origin.replace(/^http/, 'ws') + LENT_SOCKET, maxDelay: LONGEST });
    this.provider = new SharedText({
      websocketProvider: this.socket,
      name: bytesToHex(sha256(utf8ToBytes(address))),
      document: this.doc,
      token: () => this.token(),
      onAuthenticationFailed: ({ reason }) => this.refused(reason),
      onStateless: ({ payload }) => this.heard(payload),
      onSynced: () => this.joined(),
      onDisconnect: () => this.show({ isThere: false }),
      onClose: ({ event }) => this.closed(event.reason),
    });
    this.provider.attach();
    this.provider.setAwarenessField('borrower', true);
    this.rename(name);
    this.doc.on('update', (_: Uint8Array, origin: unknown) => void (origin !== this.provider && this.wrote()));
    const told = (): void => this.show({ about: this.readAbout(), ticks: this.readTicks() });
    this.doc.getMap('about').observe(told);
    this.doc.getMap('ticks').observe(told);
  }

  get awareness(): Awareness {
    return this.provider.awareness as Awareness;
  }

  readonly present = (): Shown => this.shown;

  readonly listen = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };

  /** What others see of one who is here. */
  rename(name: string): void {
    this.name = name;
    this.provider.setAwarenessField('user', { name });
    if (this.shown.access === 'open') this.say({ name });
  }

  /** Sets a tick of a list, or takes it off. */
  tick(id: string, status: LentTick['status']): void {
    this.say({ tick: { id, status } });
  }

  leave(): void {
    if (this.marking !== null) clearTimeout(this.marking);
    this.provider.destroy();
    this.socket.destroy();
  }

  private token(): string {
    return JSON.stringify({ address: this.address, ...(this.word !== null && { word: this.word }), name: this.name });
  }

  private say(said: LentSaid): void {
    this.provider.sendStateless(JSON.stringify(said));
  }

  private wrote(): void {
    this.written++;
    this.show({ isKept: false });
    this.mark();
  }

  /** Asks the server to say when all up to here is on its disk. */
  private mark(): void {
    this.marking ??= setTimeout(() => {
      this.marking = null;
      // What is not there yet cannot be kept: a mark that overtakes it would say so.
      if (!this.provider.isSynced || this.provider.hasUnsyncedChanges) return this.mark();
      this.say({ mark: this.written });
      // The answer may be lost with the connection.
      if (!this.shown.isKept) setTimeout(() => !this.shown.isKept && this.mark(), 2000);
    }, MARK_AFTER);
  }

  private heard(payload: string): void {
    const told = readLent(LENT_TOLD, payload);
    if (!told) return;
    if ('full' in told) this.show({ isFull: true });
    else if (told.kept === this.written) this.show({ isKept: true, isFull: false });
  }

  private refused(reason: string): void {
    const known = LENT_REFUSALS.find((one) => one === reason) ?? 'busy';
    if (known === 'nothing') this.end();
    else if (known === 'busy' && this.shown.access === 'open') this.awayFromIt('refused');
    else this.show({ access: known });
  }

  private joined(): void {
    this.provider.inStep();
    this.show({ access: 'open', isThere: true });
  }

  /** What was open stays in sight, with all that was written: it may be here alone. */
  private awayFromIt(after: 'closed' | 'refused'): void {
    this.show({ isThere: false });
    this.provider.joinAgain(after);
  }

  private closed(reason: string): void {
    if (reason === 'nothing') this.end();
    else if (reason === 'again') this.show({ access: 'again' });
    else if (this.shown.access === 'open') this.awayFromIt('closed');
  }

  /** It is lent no more: nothing of it stays in sight, and nobody is asked again. */
  private end(): void {
    this.show({ access: 'nothing' });
    this.leave();
  }

  private readAbout(): LentAbout | null {
    const read = LENT_ABOUT.safeParse(this.doc.getMap('about').toJSON());
    return read.success ? read.data : null;
  }

  private readTicks(): Map<string, LentTick> {
    const all = new Map<string, LentTick>();
    for (const [id, given] of this.doc.getMap('ticks').entries()) {
      const tick = LENT_TICK.safeParse(given);
      if (tick.success) all.set(id, tick.data);
    }
    return all;
  }

  private show(change: Partial<Shown>): void {
    this.shown = { ...this.shown, ...change };
    for (const listener of this.listeners) listener();
  }
}
