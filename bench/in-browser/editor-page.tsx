// Runs in a page of the bench, beside nothing else: our editor, and the same editor with plain Markdown and nothing of ours.
import { defaultKeymap, history } from '@codemirror/commands';
import { markdown, markdownLanguage } from '@codemirror/lang-markdown';
import { EditorState } from '@codemirror/state';
import { EditorView, drawSelection, keymap } from '@codemirror/view';
import Dexie, { type Table } from 'dexie';
import { useEffect, useRef, useState } from 'react';
import { createRoot } from 'react-dom/client';
import { PortalRegistry } from '../../src/features/editor/look/block-decorations';
import { makeEditor } from '../../src/features/editor/make-editor';
import { ACTION_DEFAULTS, type ActionContext } from '../../src/core/task/acts/action-context';
import { READING_DEFAULTS } from '../../src/core/task/line/task';

/** What the bench calls in the page. */
export interface EditorPage {
  /** Makes an editor and has it laid out; gives the milliseconds. */
  make: (which: 'ours' | 'plain', text: string) => number;
  /** A page that opens the plain editor at a click, with the text from a store as ours. */
  start: (text: string) => Promise<void>;
  /** Puts the cursor at the end of a line (from 1) of what was opened. */
  toLine: (line: number) => void;
}

const db = new Dexie('plain') as Dexie & { notes: Table<{ key: string; text: string }, string> };
db.version(1).stores({ notes: 'key' });

const PLAIN = [
  history(),
  drawSelection(),
  keymap.of(defaultKeymap),
  markdown({ base: markdownLanguage }),
  EditorView.lineWrapping,
  EditorView.perLineTextDirection.of(true),
  EditorView.contentAttributes.of({ spellcheck: 'true' }),
  // In the same letters.
  EditorView.theme({ '.cm-scroller': { fontFamily: 'var(--font-sans)', lineHeight: '1.5' } }),
];

const plainEditor = (parent: HTMLElement, doc: string): EditorView =>
  new EditorView({ parent, state: EditorState.create({ doc, extensions: PLAIN }) });

function ourEditor(parent: HTMLElement, text: string): EditorView {
  const context = {
    today: 20780,
    style: 'words' as const,
    workingDay: 480,
    refProblems: new Map(),
    sharedNames: new Set<string>(),
    knownPeople: null,
    picture: null,
    keepPictures: null,
    leads: true,
    lent: { refs: new Set<string>(), headings: new Set<string>() },
    repairKey: '',
    action: () => ({ now: { day: 20780, minute: 560 }, settings: ACTION_DEFAULTS, makeRef: () => 'a1' }),
    tick: () => undefined,
    raise: () => undefined,
    run: () => undefined,
    follow: () => undefined,
  };
  const action = (): ActionContext => ({ now: { day: 20780, minute: 560 }, settings: ACTION_DEFAULTS, makeRef: () => 'a1' });
  return makeEditor({
    parent,
    path: 'Long.md',
    text,
    hint: '',
    plain: false,
    onlyRead: false,
    label: 'Text of the note',
    registry: new PortalRegistry(),
    values: { context, reading: READING_DEFAULTS, keys: [], hidesFinished: false },
    facts: {
      overview: () => null,
      recent: () => [],
      headings: () => Promise.resolve([]),
      make: () => undefined,
      calendar: () => undefined,
      context: action,
    },
    context: action,
    offers: () => true,
    takeKey: () => '',
    onTake: () => undefined,
    onHeavy: () => undefined,
    onUpdate: () => undefined,
  }).view;
}

let opened: EditorView | null = null;

function Note() {
  const parent = useRef<HTMLDivElement>(null);
  const [text, setText] = useState<string | null>(null);
  useEffect(() => void db.notes.get('long').then((note) => setText(note?.text ?? '')), []);
  useEffect(() => {
    if (text === null || !parent.current) return;
    const view = plainEditor(parent.current, text);
    opened = view;
    return () => view.destroy();
  }, [text]);
  return <div ref={parent} />;
}

function Page() {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button type="button" onClick={() => setOpen(!open)}>
        Open
      </button>
      {open && <Note />}
    </>
  );
}

const page: EditorPage = {
  make(which, text) {
    const parent = document.body.appendChild(document.createElement('div'));
    parent.style.maxWidth = '46rem';
    const started = performance.now();
    const view = which === 'ours' ? ourEditor(parent, text) : plainEditor(parent, text);
    void view.dom.offsetHeight;
    const time = performance.now() - started;
    view.destroy();
    parent.remove();
    return time;
  },
  async start(text) {
    await db.notes.put({ key: 'long', text });
    const parent = document.body.appendChild(document.createElement('div'));
    parent.style.maxWidth = '46rem';
    createRoot(parent).render(<Page />);
  },
  toLine(line) {
    if (!opened) throw new Error('the editor is open');
    const at = opened.state.doc.line(line).to;
    opened.dispatch({ selection: { anchor: at }, effects: EditorView.scrollIntoView(at, { y: 'center' }) });
    opened.focus();
  },
};
Object.assign(window, { editorPage: page });
