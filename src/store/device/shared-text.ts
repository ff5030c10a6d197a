import { HocuspocusProvider, WebSocketStatus } from '@hocuspocus/provider';

/** So long after it was closed a text is joined again at first, and at most, in milliseconds. */
const FIRST = 500;
const LONGEST = 10_000;

interface Changed {
  added: number[];
  updated: number[];
  removed: number[];
}

/**
 * A text that several change at once, joined by a socket that may carry several. It tells of nobody but who has it open here: what others say
 * of themselves they say, and said again by each it would be more than a server takes. Where the text alone was closed, and not the socket,
 * nobody joins it again but who asks for it (`joinAgain`).
 */
export class SharedText extends HocuspocusProvider {
  private pause = FIRST;
  private waiting: ReturnType<typeof setTimeout> | null = null;

  override awarenessUpdateHandler({ added, updated, removed }: Changed, origin: unknown): void {
    const own = (ids: number[]): number[] => ids.filter((id) => id === this.document.clientID);
    const told = { added: own(added), updated: own(updated), removed: own(removed) };
    if (told.added.length + told.updated.length + told.removed.length > 0) super.awarenessUpdateHandler(told, origin);
  }

  /**
   * Joins again after a pause, each time a longer one until it was in step; a socket that is away comes back by itself. Once refused, it takes
   * a new socket: on the old one a server hears no second asking. Where the text alone was closed, others of the socket are left in peace.
   */
  joinAgain(after: 'closed' | 'refused'): void {
    const socket = this.configuration.websocketProvider;
    if (this.waiting !== null || socket.status !== WebSocketStatus.Connected) return;
    this.waiting = setTimeout(() => {
      this.waiting = null;
      if (after === 'refused') socket.webSocket?.close();
      else void this.sendToken().then(() => this.startSync());
    }, this.pause);
    this.pause = Math.min(LONGEST, 2 * this.pause);
  }

  override onOpen(event: Parameters<HocuspocusProvider['onOpen']>[0]): Promise<void> {
    this.stopWaiting();
    return super.onOpen(event);
  }

  /** It is in step: the next pause is a short one. */
  inStep(): void {
    this.pause = FIRST;
  }

  override destroy(): void {
    this.stopWaiting();
    super.destroy();
  }

  private stopWaiting(): void {
    if (this.waiting !== null) clearTimeout(this.waiting);
    this.waiting = null;
  }
}
