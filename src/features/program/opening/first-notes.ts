import { SHIPPED_PAGES } from '../../../core/agenda/shipped';
import type { Day } from '../../../core/calendar/day';
import { foldPath } from '../../../core/note/names/path';
import { type DemoState, contentOf } from '../../../store/notes/content';
import { type ActionResult, commitPlan } from '../../../store/notes/commit-plan';
import type { NoteStore } from '../../../store/notes/note-store';
import type { NoteWrite } from '../../../store/notes/note-write';
import { renewAgendaPages } from './renew-pages';
import { shiftDemo } from './shift-demo';
import { command, SHIPPED } from '../../../store/notes/origin';

/** Puts the agenda pages there that ship, where no note has their path. */
export async function addAgendaPages(store: NoteStore): Promise<ActionResult> {
  const result = await commitPlan(store, SHIPPED, () => missing(store, SHIPPED_PAGES));
  // From now on it is known which text each was shipped with.
  if (!('refused' in result)) await renewAgendaPages(store);
  return result;
}

/** Makes the shipped agenda pages what they were shipped as; gives how many differed. */
export async function restoreAgendaPages(store: NoteStore): Promise<{ count: number; step: number | null } | { refused: string }> {
  let count = 0;
  const result = await commitPlan(store, command('Restored the agenda pages'), async () => {
    const notes = await store.many(SHIPPED_PAGES.map((page) => page.path));
    const writes = SHIPPED_PAGES.flatMap((page, index): NoteWrite[] => {
      const note = notes[index];
      if (note?.text === page.text) return [];
      return [{ path: page.path, expect: note ? contentOf(note) : null, content: { text: page.text }, demo: 'untouched' }];
    });
    count = writes.length;
    return writes;
  });
  return 'refused' in result ? result : { count, step: result.step };
}

/** Puts the demo's notes there, their dates moved to today. A path that is taken is left alone. */
export async function addDemo(store: NoteStore, today: Day): Promise<ActionResult> {
  const { DEMO_FILES } = await import('./demo-files');
  const files = Object.entries(DEMO_FILES).map(([file, text]) => ({
    path: shiftDemo(file.replace(/^\/demo\//, ''), today),
    text: shiftDemo(text, today),
  }));
  return commitPlan(store, SHIPPED, () => missing(store, files));
}

/** Puts the slips and templates there that ship, where no note has their path; gives how many came. */
export async function addShippedForms(store: NoteStore): Promise<{ count: number; step: number | null } | { refused: string }> {
  const { DEMO_FILES } = await import('./demo-files');
  const files = Object.entries(DEMO_FILES)
    .map(([file, text]) => ({ path: file.replace(/^\/demo\//, ''), text }))
    .filter(({ path }) => /^(?:Slips|Templates)\//.test(path));
  let count = 0;
  const result = await commitPlan(store, command('Added slips and templates'), async () => {
    const writes = (await missing(store, files)).map(({ demo: _demo, ...write }) => write);
    count = writes.length;
    return writes;
  });
  return 'refused' in result ? result : { count, step: result.step };
}

/** What puts the notes there whose path none has. */
async function missing(store: NoteStore, notes: readonly { path: string; text: string }[]): Promise<NoteWrite[]> {
  const present = await store.many(notes.map(({ path }) => path));
  return notes.flatMap(({ path, text }, index): NoteWrite[] =>
    present[index] ? [] : [{ path, expect: null, content: { text }, demo: 'untouched' }],
  );
}

/** The demo's notes that are left, without the agenda pages: those nobody changed, and those somebody did. */
export async function demoNotes(store: NoteStore): Promise<{ untouched: string[]; edited: string[] }> {
  const shipped = new Set(SHIPPED_PAGES.map((page) => foldPath(page.path)));
  const notes = (await store.all()).filter((note) => note.demo !== null && !shipped.has(note.key));
  const pathsOf = (state: DemoState): string[] => notes.filter((note) => note.demo === state).map((note) => note.path);
  return { untouched: pathsOf('untouched'), edited: pathsOf('edited') };
}
