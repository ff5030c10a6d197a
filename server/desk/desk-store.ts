import { mkdir, readFile, readdir, rm } from 'node:fs/promises';
import path from 'node:path';
import * as z from 'zod';
import { inTurn } from '../parts/in-turn';
import { digest, isSame } from '../parts/secrets';
import { writeWhole } from '../parts/write-whole';
import { Desk } from './desk';
import type { DeskFiles } from './desk-files';

/** How much one server takes in. */
export interface DeskLimits {
  desks: number;
  /** Devices of one desk. */
  devices: number;
  /** Files of one desk, and their size together in bytes. */
  files: number;
  bytes: number;
}

export const LIMITS: DeskLimits = { desks: 200, devices: 40, files: 120_000, bytes: 4_000_000_000 };

const RECORD = z.object({ keys: z.array(z.string().regex(/^[0-9a-f]{64}$/)).max(LIMITS.devices) });
const DIGEST = /^[0-9a-f]{64}$/;

/** Where the files of a desk lie, by what its folder is called. */
export type FilesOf = (folder: string) => DeskFiles;

/**
 * The desks of this server. Of each the digests of its devices’ keys stand on the disk; neither a key nor the number of a desk does, and what
 * lies in it is sealed before it comes.
 */
export class DeskStore {
  private readonly turn = inTurn();
  private readonly desks = new Map<string, Desk>();

  constructor(
    private readonly folder: string,
    private readonly filesOf: FilesOf,
    private readonly isShared: boolean,
    private readonly limits: DeskLimits = LIMITS,
  ) {}

  /** Begins a desk whose first device has this key. */
  begin(id: string, key: string): Promise<'done' | 'there' | 'full'> {
    return this.turn(async () => {
      const name = digest(id);
      const known = await this.keysOf(name);
      // Asked again, since the answer was lost on the way, it is the same desk.
      if (known) return isAmong(known, digest(key)) ? 'done' : 'there';
      await mkdir(this.folder, { recursive: true });
      if ((await readdir(this.folder)).filter((one) => DIGEST.test(one)).length >= this.limits.desks) return 'full';
      await this.keep(name, [digest(key)]);
      return 'done';
    });
  }

  /** The desk of a device; null where there is none, or the key is not one of its devices’. */
  async open(id: string, key: string): Promise<Desk | null> {
    const name = digest(id);
    const keys = await this.keysOf(name);
    if (!keys || !isAmong(keys, digest(key))) return null;
    return this.deskOf(name);
  }

  /** Lets another device in, by the digest of its key. */
  grant(id: string, other: string): Promise<'done' | 'full'> {
    return this.turn(async () => {
      const name = digest(id);
      const keys = (await this.keysOf(name)) ?? [];
      if (keys.includes(other)) return 'done';
      if (keys.length >= this.limits.devices) return 'full';
      await this.keep(name, [...keys, other]);
      return 'done';
    });
  }

  /** Lets a device in no more. */
  revoke(id: string, other: string): Promise<void> {
    return this.turn(async () => {
      const name = digest(id);
      const keys = (await this.keysOf(name)) ?? [];
      if (keys.includes(other))
        await this.keep(
          name,
          keys.filter((one) => one !== other),
        );
    });
  }

  /** Removes a desk with all that it holds. */
  drop(id: string): Promise<void> {
    return this.turn(async () => {
      const name = digest(id);
      await this.deskOf(name).drop();
      this.desks.delete(name);
      await rm(path.join(this.folder, name), { recursive: true, force: true });
    });
  }

  private deskOf(name: string): Desk {
    const present = this.desks.get(name);
    if (present) return present;
    const desk = new Desk(this.filesOf(name), this.limits, this.isShared);
    this.desks.set(name, desk);
    return desk;
  }

  private async keysOf(name: string): Promise<string[] | null> {
    const words = await readFile(path.join(this.folder, name, RECORD_FILE), 'utf8').catch((error: NodeJS.ErrnoException) => {
      if (error.code === 'ENOENT') return null;
      throw error;
    });
    return words === null ? null : RECORD.parse(JSON.parse(words)).keys;
  }

  private async keep(name: string, keys: readonly string[]): Promise<void> {
    await mkdir(path.join(this.folder, name), { recursive: true });
    await writeWhole(path.join(this.folder, name, RECORD_FILE), JSON.stringify({ keys }));
  }
}

const RECORD_FILE = 'desk.json';

const isAmong = (keys: readonly string[], key: string): boolean => keys.reduce((found, one) => isSame(one, key) || found, false);
