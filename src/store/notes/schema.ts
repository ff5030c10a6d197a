/** The database of the browser, told once; apart, so that who only reads it need not load the library that writes it. */
export const DATABASE_NAME = 'recado';

/** Beside it: what stands on outside lists, as it was seen last, and how it hangs together with lines of notes. */
export const OUTSIDE_NAME = 'recado-outside';

/** The newest version of the database that this program knows; the browser counts in tens. */
export const NEWEST = 8;

/** The table of the notes. */
export const NOTES = 'notes';

/** The table of the pictures. */
export const PICTURES = 'pictures';

/** Holds nothing: each write takes it with what it writes into, so that no two are under way at once. */
export const TURN = 'turn';

/** What each version of the database changed in its tables: their primary key and indexes, as Dexie writes them. */
export const TABLES = {
  1: { [NOTES]: 'key', steps: '++id, tab', values: 'id' },
  2: { [NOTES]: 'key, &id' },
  3: { earlier: '++id, note, key, gone', earlierContents: 'id', inStep: 'key', inStepContents: 'key' },
  4: { deskStep: 'key', deskStepContents: 'key', deskFiles: 'name' },
  5: { outsideLists: 'name', outsideTasks: 'key, list' },
  6: { lent: 'name' },
  7: { [PICTURES]: 'key' },
  8: { [TURN]: '' },
} as const;
