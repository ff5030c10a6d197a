import { hmac } from '@noble/hashes/hmac.js';
import { sha256 } from '@noble/hashes/sha2.js';
import { utf8ToBytes } from '@noble/hashes/utils.js';
import { foldPath } from '../../core/note/names/path';

const LETTERS = 'abcdefghijklmnopqrstuvwxyz234567';

/**
 * Sixteen letters that stand for the path of a note and tell nothing of it to whoever has not its seal: two devices that seal notes of one
 * path, as the page of a day, give both the same name, so that they are brought together.
 *
 * @param identity the key of the seal
 */
export function opaqueSign(identity: string, path: string): string {
  const sum = hmac(sha256, utf8ToBytes(identity), utf8ToBytes(`path ${foldPath(path)}`));
  return [...sum.subarray(0, 16)].map((byte) => LETTERS[byte & 31]).join('');
}
