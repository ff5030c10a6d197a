import { defaultKeymap, history, historyKeymap } from '@codemirror/commands';
import { EditorState } from '@codemirror/state';
import { EditorView, keymap, placeholder } from '@codemirror/view';
import { useEffect, useRef } from 'react';
import { useLatest } from '../../../ui/use-latest';
import { headingsOf } from '../../note/note-headings';
import { useServices } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { editorTheme } from '../look/theme';
import { completing, nameSources } from '../reading/completion';
import { type FindGathers, gatherProblems, gatherWords } from './gather-writing';

interface GatherTextProps {
  /** What it is called for those who hear it. */
  label: string;
  text: string;
  onText: (text: string) => void;
}

/** The whole text is the gather. */
const whole: FindGathers = ({ doc }) => [{ from: 0, text: doc.toString() }];

const look = EditorView.theme({
  '.cm-scroller': { fontFamily: 'var(--font-mono)', fontSize: '0.86rem' },
  '.cm-content': { padding: '0', minHeight: '6rem', maxWidth: 'none' },
});

/** A gather as text, written with completion; what cannot be read is underlined. */
export function GatherText({ label, text, onText }: GatherTextProps) {
  const parent = useRef<HTMLDivElement>(null);
  const view = useRef<EditorView | null>(null);
  /** What was typed and did not come back yet. */
  const told = useRef(new Set<string>());
  const { store } = useServices();
  const overview = useAppSelector((state) => state.library.overview);
  const recent = useAppSelector((state) => state.frame.recent);
  const latest = useLatest({ text, onText, overview, recent });
  useEffect(() => {
    if (!parent.current) return;
    const facts = {
      overview: () => latest.current.overview,
      recent: () => latest.current.recent,
      headings: (path: string) => headingsOf(store, path),
      make: null,
    };
    const made = new EditorView({
      parent: parent.current,
      doc: latest.current.text,
      extensions: [
        EditorView.contentAttributes.of({ 'aria-label': label }),
        EditorState.tabSize.of(2),
        history(),
        completing([...nameSources(facts), gatherWords(whole)]),
        gatherProblems(whole),
        keymap.of([...historyKeymap, ...defaultKeymap]),
        EditorView.lineWrapping,
        placeholder('where open and due in next 7 days'),
        look,
        editorTheme,
        EditorView.updateListener.of((update) => {
          if (!update.docChanged) return;
          const written = update.state.doc.toString();
          told.current.add(written);
          latest.current.onText(written);
        }),
      ],
    });
    view.current = made;
    return () => made.destroy();
  }, [label, store, latest]);
  // What comes from elsewhere takes the place of what stands here; what was typed here is here already.
  useEffect(() => {
    const { current } = view;
    if (!current) return;
    if (current.state.doc.toString() === text) told.current.clear();
    else if (!told.current.has(text)) current.dispatch({ changes: { from: 0, to: current.state.doc.length, insert: text } });
  }, [text]);
  return <div ref={parent} className="field min-h-28 w-full" />;
}
