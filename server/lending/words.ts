import { randomBytes, scrypt } from 'node:crypto';
import { isSame } from '../parts/secrets';
import type { LentRecord } from './lent-record';

/** So many wrong words an address is asked within a minute. */
const MOST_GUESSES = 10;
const MINUTE = 60_000;

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

/** The words that are asked for; who guesses is stopped soon. */
export class Words {
  private readonly guesses = new Map<string, { count: number; until: number }>();

  constructor(private readonly now: () => number) {}

  /** Whether a word is the one that is kept. */
  async check(name: string, kept: NonNullable<LentRecord['word']>, word: string): Promise<'right' | 'wrong' | 'busy'> {
    const now = this.now();
    const before = this.guesses.get(name);
    const counted = before && before.until > now ? before : { count: 0, until: now + MINUTE };
    if (counted.count >= MOST_GUESSES) return 'busy';
    // Counted before it is looked at: many at once are many.
    counted.count++;
    this.guesses.set(name, counted);
    const right = isSame(await hashOf(word, kept.salt), kept.hash);
    if (right) this.guesses.delete(name);
    return right ? 'right' : 'wrong';
  }

  /** Lets go of what is over. */
  prune(): void {
    for (const [name, { until }] of this.guesses) if (until <= this.now()) this.guesses.delete(name);
  }
}
