import type { Sealer } from './sealer';

const SIGN = 'sealed for ';
const text = (bytes: Uint8Array): string => new TextDecoder('latin1').decode(bytes);

/** Seals nothing, for tests of many rounds: who may open it stands before it, and its length, so that half of it is noticed. */
export const plainSealer: Sealer = {
  seal: (bytes, identity) => plainSealer.sealFor(bytes, [identity]),
  sealFor: (bytes, recipients) => {
    const head = new TextEncoder().encode(`${SIGN}${recipients.join(',')} ${bytes.length}\n`);
    const sealed = new Uint8Array(head.length + bytes.length);
    sealed.set(head);
    sealed.set(bytes, head.length);
    return Promise.resolve(sealed);
  },
  open: (sealed, identities) => {
    const end = sealed.indexOf(10);
    const [, whom = '', length] = /^sealed for (\S+) (\d+)$/.exec(text(sealed.subarray(0, end))) ?? [];
    const by = identities.findIndex((one) => whom.split(',').includes(one));
    const bytes = sealed.slice(end + 1);
    return by < 0 || bytes.length !== Number(length) ? Promise.reject(new Error('It does not open.')) : Promise.resolve({ bytes, by });
  },
  sealByWords: (bytes, words) => plainSealer.sealFor(bytes, [words.replaceAll(' ', '-')]),
  openByWords: async (sealed, words) => (await plainSealer.open(sealed, [words.replaceAll(' ', '-')])).bytes,
  newIdentity: () => {
    const identity = `id${Math.random().toString(36).slice(2)}`;
    return Promise.resolve({ identity, recipient: identity });
  },
};
