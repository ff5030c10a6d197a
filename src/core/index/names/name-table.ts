import { fileNameOf, foldPath, folderOf, withoutEnding } from '../../note/names/path';

/** Which notes a name means: by title, alias, file name and path, all folded. */
export class NameTable {
  /** Folded name → folded path of the note that has it, or of each that has. */
  private readonly paths = new Map<string, string | Set<string>>();
  /** Names that more than one note has. */
  private readonly shared = new Set<string>();

  add(names: readonly string[], path: string): void {
    for (const name of names) {
      const found = this.paths.get(name);
      if (found === undefined || found === path) this.paths.set(name, path);
      else if (typeof found !== 'string') found.add(path);
      else {
        this.paths.set(name, new Set([found, path]));
        this.shared.add(name);
      }
    }
  }

  remove(names: readonly string[], path: string): void {
    for (const name of names) {
      const found = this.paths.get(name);
      if (found === path) this.paths.delete(name);
      if (found === undefined || typeof found === 'string' || !found.delete(path) || found.size > 1) continue;
      this.shared.delete(name);
      this.paths.set(name, [...found][0] ?? '');
    }
  }

  /** The names that more than one note has, so that a link by them is marked. */
  sharedNames(): string[] {
    return [...this.shared];
  }

  /**
   * The folded path of the note that a name means; null when there is none. Where several fit, the one in the folder
   * nearest to `from` counts, then the first by path.
   *
   * @param from the folded path of the note that holds the link; null for one of the interface's own
   */
  pathOf(name: string, from: string | null = null): string | null {
    const found = this.paths.get(foldPath(name));
    if (found === undefined) return null;
    if (typeof found === 'string') return found;
    const paths = [...found].sort();
    if (from === null) return paths[0] ?? null;
    const here = folderOf(from);
    return paths.reduce((best, path) => (folderDistance(here, folderOf(path)) < folderDistance(here, folderOf(best)) ? path : best));
  }
}

/** How many steps up and down lie between two folders. `folderDistance('a/b', 'a/c')` is 2. */
export function folderDistance(a: string, b: string): number {
  const left = a === '' ? [] : a.split('/');
  const right = b === '' ? [] : b.split('/');
  let common = 0;
  while (common < left.length && common < right.length && left[common] === right[common]) common++;
  return left.length + right.length - 2 * common;
}

/**
 * The names by which links may mean a note: title, aliases, file name and path, with and without ending, all folded.
 *
 * @param folded its folded path
 */
export function namesFor(folded: string, title: string, aliases: readonly string[]): string[] {
  const bare = withoutEnding(folded);
  const base = fileNameOf(bare);
  const names = [folded, bare];
  addOnce(names, base);
  addOnce(names, foldPath(title));
  for (const alias of aliases) addOnce(names, foldPath(alias));
  return names.slice();
}

function addOnce(names: string[], name: string): void {
  if (!names.includes(name)) names.push(name);
}
