import { mkdir, readFile, readdir, rm } from 'node:fs/promises';
import path from 'node:path';
import { inTurn } from '../parts/in-turn';
import { digest, isSame } from '../parts/secrets';
import { writeWhole } from '../parts/write-whole';

/** So many calendars one server keeps. */
const MOST = 1000;

/** What came of a wish to write or to withdraw. */
export type Outcome = 'done' | 'refused' | 'full';

/**
 * Calendars that people want to be read at an address, each in a file of its own. Neither an address nor a key stands on the disk, only what
 * is computed from them, so that who reads the disk can read the calendars but neither find their addresses nor change them.
 */
export class FeedStore {
  /** What is being written, one after the other: a calendar is never half of one. */
  private readonly inTurn = inTurn();

  constructor(private readonly folder: string) {}

  /** The calendar of an address; null where there is none. */
  async read(id: string): Promise<string | null> {
    return readFile(this.fileOf(id, '.ics'), 'utf8').catch(() => null);
  }

  /** Keeps a calendar under an address; the key of the first who writes there is asked of all later ones. */
  write(id: string, key: string, calendar: string): Promise<Outcome> {
    return this.inTurn(async () => {
      const known = await this.keyOf(id);
      if (known !== null && !isSame(known, digest(key))) return 'refused';
      await mkdir(this.folder, { recursive: true });
      if (known === null) {
        const count = (await readdir(this.folder)).filter((name) => name.endsWith('.key')).length;
        if (count >= MOST) return 'full';
        await writeWhole(this.fileOf(id, '.key'), digest(key));
      }
      await writeWhole(this.fileOf(id, '.ics'), calendar);
      return 'done';
    });
  }

  /** Withdraws a calendar. One that is not there is withdrawn. */
  remove(id: string, key: string): Promise<Outcome> {
    return this.inTurn(async () => {
      const known = await this.keyOf(id);
      if (known === null) return 'done';
      if (!isSame(known, digest(key))) return 'refused';
      // The key goes last: a removal that was cut short can be done again.
      await rm(this.fileOf(id, '.ics'), { force: true });
      await rm(this.fileOf(id, '.key'), { force: true });
      return 'done';
    });
  }

  private keyOf(id: string): Promise<string | null> {
    return readFile(this.fileOf(id, '.key'), 'utf8').catch(() => null);
  }

  private fileOf(id: string, ending: '.ics' | '.key'): string {
    return path.join(this.folder, digest(id) + ending);
  }
}
