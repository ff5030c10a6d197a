import { editorText } from '../../core/note/blocks/line-endings';
import { baseNameOf } from '../../core/note/names/path';
import { markOf } from '../notes/content';
import { type Draft, draftText, draftWords } from './drafts';
import type { NoteStore } from '../notes/note-store';
import { keptText } from './surface';
import type { OpenTexts } from './open-texts';
import { intoOtherText, saveText } from './save-text';
import { writeNote } from '../notes/write-note';
import { command } from '../notes/origin';

/** What became of words that a page left behind. */
export interface Recovered {
  path: string;
  /** Whether they stand in the note, or in its other text. */
  is: 'merged' | 'aside';
}

/**
 * Brings back what pages left behind that went before it was durable: into its note, or beside it where that was changed since. What
 * cannot be stored now waits among the texts that are written.
 *
 * @param isAlive whether a tab is still open and keeps its drafts itself
 */
export async function recoverDrafts(texts: OpenTexts, isAlive: (tab: string) => boolean): Promise<Recovered[]> {
  const { store, drafts, problem } = texts.host;
  const recovered: Recovered[] = [];
  for (const draft of drafts.left(isAlive)) {
    try {
      const done = await bringBack(store, draft);
      if (done) recovered.push(done);
      drafts.forget(draft.tab, draft.path);
    } catch (error) {
      adopt(texts, draft);
      problem(error);
    }
  }
  return recovered;
}

async function bringBack(store: NoteStore, { path: left, base, mark, changes }: Draft): Promise<Recovered | null> {
  const note = await store.get(left);
  const path = note ? note.path : ((await store.steps.whereWent(left)) ?? left);
  const present = note?.text ?? (await store.text(path));
  const known = base !== undefined ? base : present !== null && markOf({ text: present }) === mark ? present : undefined;
  const text = known === undefined ? null : draftText(known, changes);
  if (text === null || known === undefined) return keepWords(store, path, draftWords(changes));
  if (text === present || text === (known ?? '')) return null;
  const saved = await saveText(store, { path, base: known, text, label: `Typing in “${baseNameOf(path)}”` });
  if (saved.is === 'gone') return keepWords(store, path, text);
  return { path: saved.aside?.path ?? path, is: saved.aside ? 'aside' : 'merged' };
}

/** Words whose note changed too much, or is gone, stand in its other text. */
async function keepWords(store: NoteStore, path: string, words: string): Promise<Recovered | null> {
  if (words.trim() === '') return null;
  for (;;) {
    const other = await intoOtherText(store, path, words, '');
    if (other.writes.length === 0 || (await store.commit(command(`Brought back: ${baseNameOf(path)}`), other.writes)).saved)
      return { path: other.path, is: 'aside' };
  }
}

/** Words that cannot be stored now wait as those of an editor that went; their draft stays until they are. */
function adopt(texts: OpenTexts, { tab, path, base, changes }: Draft): void {
  const words = base === undefined ? null : draftText(base, changes);
  const known = base ?? null;
  const surface = keptText(editorText(words ?? draftWords(changes)), () => known);
  const waiting = writeNote(texts, path, known, surface, () => undefined);
  texts.whenStored(waiting, () => texts.host.drafts.forget(tab, path));
  void texts.end(waiting);
}
