import { HocuspocusProviderWebsocket } from '@hocuspocus/provider';
import { LENT_SOCKET } from '../../core/sharing/lend/lent-messages';
import { SharedText } from '../device/shared-text';
import type { LentHost } from './lent-keeper';

/** The longest pause until a server that is away is asked again, in milliseconds. */
const LONGEST = 20_000;

/** Joins what is lent with the server of this page, all by one socket. */
export function liveLinks(origin: string): { connect: LentHost['connect']; end: () => void } {
  const websocketProvider = new HocuspocusProviderWebsocket({
    url: origin.replace(/^http/, 'ws') + LENT_SOCKET,
    maxDelay: LONGEST,
  });
  return {
    connect: ({ name, key }, document, { synced, refused }) => {
      const provider: SharedText = new SharedText({
        ...{ websocketProvider, name, document, token: JSON.stringify({ key }) },
        onSynced: () => {
          provider.inStep();
          synced();
        },
        onAuthenticationFailed: ({ reason }) => (reason === 'nothing' ? refused() : provider.joinAgain('refused')),
        onClose: ({ event: { reason } }) => reason !== 'nothing' && provider.joinAgain('closed'),
      });
      provider.attach();
      // Whoever has it open sees that its owner is there.
      provider.setAwarenessField('owner', true);
      return { leave: () => provider.destroy() };
    },
    end: () => websocketProvider.destroy(),
  };
}
