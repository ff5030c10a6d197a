import type { Content } from '../notes/content';
import type { DiskFile } from './disk-folder';

/** Of so many files is remembered what stood there before the last write. */
const MOST = 200;

/** What stood in files before they were written over from here, so that whoever wrote right after it without having seen it takes nothing away. */
export class WrittenLately {
  /** By key, the oldest first; times in milliseconds since 1970. */
  private readonly all = new Map<string, { before: Content; modified: number }>();

  /** @param unseenFor see `DiskFolder` */
  constructor(private readonly unseenFor: number | undefined) {}

  /** @param before what stood there, asked for only where it is remembered */
  async put(key: string, before: () => Promise<Content | null>, { modified }: DiskFile): Promise<void> {
    const stood = this.unseenFor === undefined ? null : await before();
    if (stood === null) return;
    this.all.delete(key);
    this.all.set(key, { before: stood, modified });
    const [oldest] = this.all.keys();
    if (this.all.size > MOST && oldest !== undefined) this.all.delete(oldest);
  }

  /** What a file grew from that another program wrote right after us, without having seen what we wrote; null where it had. */
  grownFrom(key: string, ours: Content | null, theirs: { file: DiskFile; content: Content } | null): Content | null {
    const own = this.all.get(key);
    if (!own || !ours || !theirs || theirs.file.modified - own.modified > (this.unseenFor ?? 0)) return null;
    if (!('text' in own.before && 'text' in ours && 'text' in theirs.content)) return null;
    return isUnseen(own.before.text, ours.text, theirs.content.text) ? own.before : null;
  }
}

/**
 * Whether a text was written by somebody who had not seen what was written just before it: it has all the words there were, and lacks some of
 * those that came. Who takes words away has seen them, or means it.
 *
 * @param before what stood there before our write
 * @param ours what we wrote
 * @param theirs what stands there now
 * @example isUnseen('a', 'a b', 'a c') // true
 */
export function isUnseen(before: string, ours: string, theirs: string): boolean {
  const [old, own, there] = [counted(before), counted(ours), counted(theirs)];
  const holds = (all: ReadonlyMap<string, number>, word: string, count: number): boolean => (all.get(word) ?? 0) >= count;
  return [...old].every(([word, count]) => holds(there, word, count)) && [...own].some(([word, count]) => !holds(there, word, count));
}

function counted(text: string): Map<string, number> {
  const counts = new Map<string, number>();
  for (const [word] of text.matchAll(/\S+/g)) counts.set(word, (counts.get(word) ?? 0) + 1);
  return counts;
}
