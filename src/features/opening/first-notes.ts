import { SHIPPED_PAGES } from '../../core/agenda/shipped';
import type { Day } from '../../core/calendar/day';
import { foldPath } from '../../core/note/path';
import { type DemoState, contentOf } from '../../store/database';
import type { NoteStore, NoteWrite } from '../../store/note-store';
import { shiftDemo } from './shift-demo';

/** Puts the agenda pages there that ship, where no note has their path. */
export async function addAgendaPages(store: NoteStore): Promise<void> {
  const present = new Set((await store.all()).map((note) => note.key));
  const writes = SHIPPED_PAGES.filter((page) => !present.has(foldPath(page.path))).map((page): NoteWrite => ({
    path: page.path,
    expect: null,
    content: { text: page.text },
    demo: 'untouched',
  }));
  if (writes.length > 0) await store.commit(null, writes);
}

/** Makes the shipped agenda pages what they were shipped as; gives how many differed. */
export async function restoreAgendaPages(store: NoteStore): Promise<number> {
  const writes: NoteWrite[] = [];
  for (const page of SHIPPED_PAGES) {
    const note = await store.get(page.path);
    if (note?.text === page.text) continue;
    writes.push({ path: page.path, expect: note ? contentOf(note) : null, content: { text: page.text }, demo: 'untouched' });
  }
  if (writes.length > 0) await store.commit('Restored the agenda pages', writes);
  return writes.length;
}

/** Puts the demo's notes there, their dates moved to today. A path that is taken is left alone. */
export async function addDemo(store: NoteStore, today: Day): Promise<void> {
  const present = new Set((await store.all()).map((note) => note.key));
  const { DEMO_FILES } = await import('./demo-files');
  const writes: NoteWrite[] = [];
  for (const [file, text] of Object.entries(DEMO_FILES)) {
    const path = shiftDemo(file.replace(/^\/demo\//, ''), today);
    if (!present.has(foldPath(path))) writes.push({ path, expect: null, content: { text: shiftDemo(text, today) }, demo: 'untouched' });
  }
  await store.commit(null, writes);
}

/** The demo's notes that are left, without the agenda pages: those nobody changed, and those somebody did. */
export async function demoNotes(store: NoteStore): Promise<{ untouched: string[]; edited: string[] }> {
  const shipped = new Set(SHIPPED_PAGES.map((page) => foldPath(page.path)));
  const notes = (await store.all()).filter((note) => note.demo !== null && !shipped.has(note.key));
  const pathsOf = (state: DemoState): string[] => notes.filter((note) => note.demo === state).map((note) => note.path);
  return { untouched: pathsOf('untouched'), edited: pathsOf('edited') };
}
