import 'fake-indexeddb/auto';
import type { EditorView } from '@codemirror/view';
import { ACTION_DEFAULTS, type ActionContext } from '../../core/task/action-context';
import { RecadoDatabase } from '../../store/database';
import { NoteActions } from '../../store/note-actions';
import { NoteStore } from '../../store/note-store';
import { NoteSession } from './note-session';
import { testView } from './test-view';

const PATH = 'Journal/2026-11-23.md';
const open: NoteStore[] = [];
let count = 0;

async function desk(text: string | null) {
  const store = new NoteStore(new RecadoDatabase(`session-${count++}`), 'this tab', () => 0);
  open.push(store);
  const context: ActionContext = { now: { day: 20780, minute: 554 }, settings: ACTION_DEFAULTS, makeRef: () => 'k3f9qa' };
  const actions = new NoteActions(store, () => context);
  if (text !== null) await store.commit(null, [{ path: PATH, expect: null, content: { text } }]);
  return { store, actions, context };
}

type Desk = Awaited<ReturnType<typeof desk>>;

function editor({ store, actions }: Desk, text: string | null) {
  const view = testView(text ?? '');
  const told: string[] = [];
  const session = new NoteSession(PATH, view, text, store, actions, {
    conflict: (path) => told.push(`conflict ${path}`),
    failed: () => told.push('failed'),
    removed: () => told.push('removed'),
  });
  return { view, session, told };
}

/** Types words at the end of a line (from 0). */
function type({ view, session }: { view: EditorView; session: NoteSession }, line: number, words: string): void {
  const at = view.state.doc.line(line + 1).to;
  view.dispatch({ changes: { from: at, insert: words } });
  session.typed();
}

const textOf = (view: EditorView): string => view.state.doc.toString();

afterAll(() => open.forEach((store) => store.close()));

describe('a note in an editor', () => {
  it('is saved when the hands rest, without being asked', async () => {
    const here = await desk('one\ntwo');
    const editing = editor(here, 'one\ntwo');
    type(editing, 0, '!');
    type(editing, 0, '!');
    expect(await here.store.text(PATH)).toBe('one\ntwo');
    await new Promise((resolve) => setTimeout(resolve, 450));
    expect(await here.store.text(PATH)).toBe('one!!\ntwo');
    await editing.session.end();
  });

  it('is made by writing in it', async () => {
    const here = await desk(null);
    const editing = editor(here, null);
    await editing.session.save();
    expect(await here.store.text(PATH)).toBeNull();
    type(editing, 0, 'first');
    await editing.session.save();
    expect(await here.store.text(PATH)).toBe('first');
  });

  it('keeps the line ends that the stored text has', async () => {
    const here = await desk('one\r\ntwo\r\n');
    const editing = editor(here, 'one\r\ntwo\r\n');
    editing.view.dispatch({ changes: { from: 0, to: editing.view.state.doc.length, insert: 'one\ntwo\n' } });
    type(editing, 1, '!');
    await editing.session.save();
    expect(await here.store.text(PATH)).toBe('one\r\ntwo!\r\n');
  });

  it('in two editors comes to one text with all that was typed in either', async () => {
    const here = await desk('one\ntwo\nthree\nfour');
    const a = editor(here, 'one\ntwo\nthree\nfour');
    const b = editor(here, 'one\ntwo\nthree\nfour');
    for (let round = 0; round < 6; round++) {
      type(a, 0, String(round));
      type(b, 3, String(round));
      await Promise.all([a.session.save(), b.session.save()]);
    }
    await a.session.save();
    await b.session.save();
    expect(await here.store.text(PATH)).toBe('one012345\ntwo\nthree\nfour012345');
    expect(textOf(a.view)).toBe(textOf(b.view));
    expect([...a.told, ...b.told]).toEqual([]);
  });

  it('where two change the same line both texts are kept, and it is told', async () => {
    const here = await desk('one');
    const a = editor(here, 'one');
    // What changes the note without this editor hearing of it, as a tab does that was asleep.
    type(a, 0, ' of mine');
    await here.store.commit(null, [{ path: PATH, expect: { text: 'one' }, content: { text: 'one of theirs' } }]);
    await a.session.save();
    expect(await here.store.text(PATH)).toBe('one of mine');
    expect(a.told).toEqual(['conflict Journal/2026-11-23 (other text).md']);
    expect(await here.store.text('Journal/2026-11-23 (other text).md')).toBe('one of theirs');
  });

  it('where two go on writing in one line by turns, each keeps its text, in one other note', async () => {
    const here = await desk('one');
    const a = editor(here, 'one');
    const b = editor(here, 'one');
    for (let round = 0; round < 4; round++) {
      type(a, 0, ` a${round}`);
      type(b, 0, ` b${round}`);
      await a.session.save();
      type(a, 0, '.');
      await b.session.save();
      type(b, 0, '.');
    }
    await Promise.all([a.session.save(), b.session.save()]);
    const notes = await here.store.all();
    expect(notes.map((note) => note.path).sort()).toEqual(['Journal/2026-11-23 (other text).md', PATH]);
    expect(notes.map((note) => note.text).sort()).toEqual(['one a0. a1. a2. a3.', 'one b0. b1. b2. b3.']);
  });

  it('in another tab that took its place, is left alone under the writing hands, and shown when they rest', async () => {
    const name = `session-${count}`;
    const here = await desk('one');
    const there = new NoteStore(new RecadoDatabase(name), 'another tab', () => 0);
    open.push(there);
    const mine = editor(here, 'one');
    type(mine, 0, ' of mine');
    await mine.session.save();
    // The other tab did not hear of it before it saved what was typed there.
    const other = editor({ ...here, store: there, actions: new NoteActions(there, () => here.context) }, 'one');
    type(other, 0, ' of theirs');
    await other.session.save();
    await new Promise((resolve) => setTimeout(resolve, 100));
    expect(await here.store.text(PATH)).toBe('one of theirs');
    expect(textOf(mine.view)).toBe('one of mine');
    type(mine, 0, ', still');
    await mine.session.save();
    expect(await here.store.text(PATH)).toBe('one of mine, still');
    expect(await here.store.text('Journal/2026-11-23 (other text).md')).toBe('one of theirs');
    await new Promise((resolve) => setTimeout(resolve, 2300));
    expect(textOf(other.view)).toBe('one of mine, still');
    expect((await here.store.all()).length).toBe(2);
    await Promise.all([mine.session.end(), other.session.end()]);
  });

  it('takes in what an action changes, beside words that are not saved yet', async () => {
    const here = await desk('- [ ] one\nwords');
    const editing = editor(here, '- [ ] one\nwords');
    type(editing, 1, ' more');
    const ref = { path: PATH, line: 0, expected: '- [ ] one' };
    expect(await here.actions.act(ref, { do: 'status', status: 'done' }, 'Done')).not.toHaveProperty('refused');
    expect(textOf(editing.view)).toMatch(/^- \[x\] one \{done 2026-11-23 09:14\}\nwords more$/);
    await editing.session.save();
    expect(await here.store.text(PATH)).toBe(textOf(editing.view));
  });

  it('that was deleted does not come back by the last saving', async () => {
    const here = await desk('one');
    const editing = editor(here, 'one');
    await here.store.commit(null, [{ path: PATH, expect: { text: 'one' }, content: null }]);
    expect(editing.told).toEqual(['removed']);
    await editing.session.end();
    expect(await here.store.text(PATH)).toBeNull();
  });

  it('that was deleted while words were not saved is written again with them', async () => {
    const here = await desk('one');
    const editing = editor(here, 'one');
    type(editing, 0, ' and more');
    await here.store.commit(null, [{ path: PATH, expect: { text: 'one' }, content: null }]);
    await editing.session.end();
    expect(await here.store.text(PATH)).toBe('one and more');
  });

  it('says when it cannot be saved, and keeps the words', async () => {
    const here = await desk('one');
    const editing = editor(here, 'one');
    jest.spyOn(here.store, 'commit').mockRejectedValue(new Error('the disk is full'));
    type(editing, 0, '!');
    await editing.session.save();
    expect(editing.told).toEqual(['failed']);
    expect(textOf(editing.view)).toBe('one!');
    jest.restoreAllMocks();
    await editing.session.save();
    expect(await here.store.text(PATH)).toBe('one!');
  });
});
