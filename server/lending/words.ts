import { randomBytes, scrypt } from 'node:crypto';
import { isSame } from '../parts/secrets';
import type { LentRecord } from './lent-record';

const hashOf = (word: string, salt: string): Promise<string> =>
  new Promise((resolve, reject) =>
    scrypt(word, salt, 32, (error, hash) => {
      if (error) reject(error);
      else resolve(hash.toString('hex'));
    }),
  );

/** What is kept in the place of a word. */
export async function wordKept(word: string): Promise<NonNullable<LentRecord['word']>> {
  const salt = randomBytes(16).toString('hex');
  return { salt, hash: await hashOf(word, salt) };
}

/** Whether a word is the one that is kept. */
export const isWord = async ({ salt, hash }: NonNullable<LentRecord['word']>, word: string): Promise<boolean> =>
  isSame(await hashOf(word, salt), hash);
