import { armor } from 'age-encryption';
import type { Seal } from '../../core/sharing/seal/seal-note';
import type { Sealer } from '../desk/sealer';

/** The work that trying one passphrase takes, as the logarithm of its rounds (RFC 7914, N): what `age` takes, about a second. */
const WORK = 18;

/** The passphrase does not open the key of a seal. */
export class WrongPassphraseError extends Error {
  constructor() {
    super('This passphrase does not open the seal.');
    this.name = 'WrongPassphraseError';
  }
}

/** The key of a seal was cut short or changed, so that no passphrase opens it. */
export class BrokenKeyError extends Error {
  constructor() {
    super('The key in the note of this seal was cut short or changed. An earlier text of that note, or a copy, has it whole.');
    this.name = 'BrokenKeyError';
  }
}

/** What a passphrase is compared as: letters that look the same are the same, however a keyboard makes them. */
const plain = (passphrase: string): string => passphrase.normalize('NFC');

/**
 * Seals a key by a passphrase, as a file of identities that `age -i` takes, in its armour.
 *
 * @param work for tests
 */
export async function sealedKey(sealer: Sealer, identity: string, to: string, passphrase: string, work = WORK): Promise<string> {
  const file = new TextEncoder().encode(`# public key: ${to}\n${identity}\n`);
  return armor.encode(await sealer.sealByWords(file, plain(passphrase), work));
}

/**
 * Opens the key of a seal.
 *
 * @returns the identity, `AGE-SECRET-KEY-1…`
 * @throws WrongPassphraseError, BrokenKeyError
 */
export async function openedKey(sealer: Sealer, { key, to }: Pick<Seal, 'key' | 'to'>, passphrase: string): Promise<string> {
  let sealed: Uint8Array;
  try {
    sealed = armor.decode(key);
  } catch {
    throw new BrokenKeyError();
  }
  const file = await sealer.openByWords(sealed, plain(passphrase)).catch((error: unknown) => {
    throw /no identity matched/.test(String(error)) ? new WrongPassphraseError() : new BrokenKeyError();
  });
  const lines = new TextDecoder().decode(file).split('\n');
  const identity = lines.find((line) => line.startsWith('AGE-SECRET-KEY-'))?.trim();
  // A note that names another than its key would have what comes sealed for a stranger.
  if (identity === undefined || !lines.includes(`# public key: ${to}`)) throw new BrokenKeyError();
  return identity;
}
