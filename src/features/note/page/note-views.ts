import type { NoteFrame } from '../../../core/note/facts/note-frame';
import { quoted } from '../../../core/gather/saying/print';

/** How a note is turned to its tasks on the whole sheet; without any, it is its text. */
export const NOTE_VIEWS = [
  ['tasks', 'List'],
  ['by-day', 'By day'],
  ['by-status', 'By status'],
  ['by-heading', 'By heading'],
] as const;
export type NoteView = (typeof NOTE_VIEWS)[number][0];

/** The view that an address names; null for the text. */
export const readNoteView = (words: string | null): NoteView | null => NOTE_VIEWS.find(([view]) => view === words)?.[0] ?? null;

/**
 * What a note asks for when it is turned to its tasks. As a board of its headings it has a column for each of them, in their order, also where no
 * task stands yet.
 */
export function viewGathers(view: NoteView, { structure }: Pick<NoteFrame, 'structure'>): string[] {
  switch (view) {
    case 'tasks':
      return [
        'title Open\nwhere open and this note\ngroup by heading\norder by path\nincluding resting\ncolumns due, plan, start, takes, steps',
        'title Finished\nwhere closed and this note\norder by path',
      ];
    case 'by-day':
      return [
        'where open and this note\nincluding resting\nas weeks',
        'title Without a day\nwhere open and this note and without due and without plan\nincluding resting',
      ];
    case 'by-status':
      return ['where this note\norder by path\nincluding resting\ncolumns due, plan, start, takes, steps\nas board by status'];
    case 'by-heading': {
      const words = structure.headings.filter(({ topLevel, words: said }) => topLevel && said.trim() !== '').map((one) => one.words.trim());
      const columns = [...new Set(words)].map(quoted).join(', ');
      return [
        `where this note\norder by path\nincluding resting\ncolumns due, plan, start, takes, steps\nas board by heading${columns === '' ? '' : ` (${columns})`}`,
      ];
    }
  }
}
