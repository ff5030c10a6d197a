/**
 * Where the notes lie in which outside lists stand. No path of a note of one's own begins so: a path from elsewhere is made relative.
 */
const FOLDER = '/outside/';

/** @example outsidePath('Team') // '/outside/Team.md' */
export const outsidePath = (list: string): string => `${FOLDER}${list}.md`;

export const isOutsidePath = (path: string): boolean => path.startsWith(FOLDER);

/** The list whose note lies at a path; null for any other note. */
export const listAt = (path: string): string | null => (isOutsidePath(path) ? path.slice(FOLDER.length).replace(/\.md$/, '') : null);
