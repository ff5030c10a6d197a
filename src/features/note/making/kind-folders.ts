/** Where notes of a kind are kept, unless a person says otherwise. */
export const KIND_FOLDERS = { project: 'Projects', meeting: 'Meetings', person: 'People', goal: 'Goals', review: 'Reviews' } as const;

/** The folder of a kind; undefined for one without. */
export const folderOfKind = (kind: string): string | undefined => (KIND_FOLDERS as Record<string, string>)[kind];
