import { Decrypter, Encrypter, armor, generateX25519Identity, identityToRecipient } from 'age-encryption';
import type { Sealer } from './sealer';

/**
 * The work that trying one passphrase takes, as the logarithm of its rounds (RFC 7914, N). Words of an invitation have 66 bits and last ten
 * minutes: what makes them hard to try is their number.
 */
const WORK = 14;

const recipients = new Map<string, Promise<string>>();

/** Whom one seals for, for an identity; it is computed once. */
function recipientOf(identity: string): Promise<string> {
  const known = recipients.get(identity);
  if (known) return known;
  const made = identityToRecipient(identity);
  recipients.set(identity, made);
  return made;
}

/** Seals and opens where it is called. */
export const ageSealer: Sealer = {
  seal: async (bytes, identity) => ageSealer.sealFor(bytes, [await recipientOf(identity)]),
  open: async (sealed, identities) => {
    let wrong: unknown = new Error('No identity was given.');
    for (const [by, identity] of identities.entries()) {
      const decrypter = new Decrypter();
      decrypter.addIdentity(identity);
      try {
        return { bytes: await decrypter.decrypt(unarmoured(sealed)), by };
      } catch (error) {
        wrong = error;
      }
    }
    throw wrong;
  },
  sealFor: (bytes, all) => {
    const encrypter = new Encrypter();
    for (const one of all) encrypter.addRecipient(one);
    return encrypter.encrypt(bytes);
  },
  sealByWords: (bytes, words, work = WORK) => {
    const encrypter = new Encrypter();
    encrypter.setPassphrase(words);
    encrypter.setScryptWorkFactor(work);
    return encrypter.encrypt(bytes);
  },
  openByWords: (sealed, words) => {
    const decrypter = new Decrypter();
    decrypter.addPassphrase(words);
    return decrypter.decrypt(sealed);
  },
  newIdentity: async () => {
    const identity = await generateX25519Identity();
    return { identity, recipient: await recipientOf(identity) };
  },
};

const ARMOUR = new TextEncoder().encode('-----BEGIN AGE');

/** A file of the age format that another program wrote as letters, as its bytes. */
const unarmoured = (file: Uint8Array): Uint8Array =>
  ARMOUR.every((byte, at) => file[at] === byte) ? armor.decode(new TextDecoder().decode(file)) : file;
