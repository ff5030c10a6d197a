import { type Document, MessageType } from '@hocuspocus/server';
import * as decoding from 'lib0/decoding';
import * as Y from 'yjs';
import { LENT_LARGEST } from '../../src/core/sharing/lend/lent-messages';

/** What a borrower shows of themselves, a name and a cursor, needs no more, in bytes. */
const LARGEST_PRESENCE = 2048;
/** What a text may take with all that is remembered of its changes, in bytes. */
const LARGEST_STATE = 8 * LENT_LARGEST;

/** What may be sent: above all not what is meant for all others at once. */
const TAKEN: ReadonlySet<MessageType> = new Set([
  MessageType.Sync,
  MessageType.SyncReply,
  MessageType.Awareness,
  MessageType.QueryAwareness,
  MessageType.Auth,
  MessageType.Stateless,
  MessageType.CLOSE,
  MessageType.SyncStatus,
]);

export type Verdict = 'fine' | 'refused' | 'full';

/** Looks at messages before anything is done with them. */
export class MessageGuard {
  private readonly sizes = new WeakMap<Y.Doc, { known: number; since: number }>();

  /** @throws where it is no message at all */
  check(document: Document, message: Uint8Array, isOwner: boolean): Verdict {
    const decoder = decoding.createDecoder(message);
    decoding.readVarString(decoder);
    const type: MessageType = decoding.readVarUint(decoder);
    if (!TAKEN.has(type)) return 'refused';
    if (type === MessageType.Awareness && !isOwner && message.length > LARGEST_PRESENCE) return 'refused';
    return type === MessageType.Sync || type === MessageType.SyncReply ? this.fits(document, message, decoder) : 'fine';
  }

  private fits(document: Y.Doc, message: Uint8Array, decoder: decoding.Decoder): Verdict {
    const size = this.sizes.get(document) ?? { known: Y.encodeStateAsUpdate(document).length, since: 0 };
    this.sizes.set(document, size);
    size.since += message.length;
    if (size.known + size.since > LARGEST_STATE)
      Object.assign(size, { known: Y.encodeStateAsUpdate(document).length, since: message.length });
    if (size.known + size.since > LARGEST_STATE) return 'full';
    const present = bytesIn(document);
    if (present + message.length <= LENT_LARGEST) return 'fine';
    // What only takes words away is shorter than it looks: near the limit it is tried.
    const step = decoding.readVarUint(decoder);
    if (step === 0) return 'fine';
    const tried = new Y.Doc();
    Y.applyUpdate(tried, Y.encodeStateAsUpdate(document));
    Y.applyUpdate(tried, decoding.readVarUint8Array(decoder));
    const then = bytesIn(tried);
    return then > LENT_LARGEST && then > present ? 'full' : 'fine';
  }
}

/** At most three bytes a letter (RFC 3629); only what may be too long is counted. */
function bytesIn(document: Y.Doc): number {
  const text = document.getText('text');
  return text.length * 3 <= LENT_LARGEST / 2 ? text.length * 3 : Buffer.byteLength(text.toString());
}
