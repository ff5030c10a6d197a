import { isPictureFile } from '../../core/note/names/picture-path';
import { type Content, markOf } from '../notes/content';
import type { RecadoDatabase } from '../notes/database';
import type { DiskFile } from './disk-folder';
import type { InStep } from './in-step-record';

/** Where the files lie with which notes are kept in step: a folder of the disk, or a desk on a server. */
export type StepPlace = 'folder' | 'desk';

const TABLES = { folder: ['inStep', 'inStepContents'], desk: ['deskStep', 'deskStepContents'] } as const;

/** What notes and files were when they were the same last: the base of each merge. Kept in the database, its marks in memory too. */
export class InSteps {
  private constructor(
    private readonly db: RecadoDatabase,
    private readonly place: StepPlace,
    private readonly all: Map<string, InStep>,
  ) {}

  static async load(db: RecadoDatabase, place: StepPlace = 'folder'): Promise<InSteps> {
    const [steps] = TABLES[place];
    return new InSteps(db, place, new Map((await db[steps].toArray()).map((one) => [one.key, one])));
  }

  get(key: string): InStep | null {
    return this.all.get(key) ?? null;
  }

  values(): Iterable<InStep> {
    return this.all.values();
  }

  get size(): number {
    return this.all.size;
  }

  async content(key: string): Promise<Content | null> {
    const [, contents] = TABLES[this.place];
    return (await this.db[contents].get(key))?.content ?? null;
  }

  /** Says what notes and their files hold now; null for neither. */
  async put(changes: readonly { key: string; now: { file: DiskFile; content: Content } | null }[]): Promise<void> {
    const there = changes.flatMap(({ key, now }) => (now ? [{ step: stepOf(key, now), content: now.content }] : []));
    const gone = changes.filter(({ now }) => now === null).map(({ key }) => key);
    const [steps, contents] = [this.db[TABLES[this.place][0]], this.db[TABLES[this.place][1]]];
    await this.db.transaction('rw', steps, contents, async () => {
      await steps.bulkDelete(gone);
      await contents.bulkDelete(gone);
      await steps.bulkPut(there.map(({ step }) => step));
      // Pictures are never merged: what they grew from is not kept a second time.
      await contents.bulkPut(there.flatMap(({ step, content }) => (isPictureFile(step.path) ? [] : [{ key: step.key, content }])));
    });
    for (const key of gone) this.all.delete(key);
    for (const { step } of there) this.all.set(step.key, step);
  }

  /** The place is no longer kept in step. */
  async forget(): Promise<void> {
    await this.put([...this.all.keys()].map((key) => ({ key, now: null })));
  }
}

const stepOf = (key: string, { file: { path, size, modified }, content }: { file: DiskFile; content: Content }): InStep => ({
  key,
  path,
  size,
  modified,
  mark: markOf(content),
});
