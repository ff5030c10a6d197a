import { HighlightStyle, syntaxHighlighting } from '@codemirror/language';
import { EditorView } from '@codemirror/view';
import { tags } from '@lezer/highlight';

const colours = HighlightStyle.define([
  { tag: tags.strong, fontWeight: '700' },
  { tag: tags.emphasis, fontStyle: 'italic' },
  { tag: tags.strikethrough, textDecoration: 'line-through' },
  { tag: tags.monospace, fontFamily: 'var(--font-mono)', fontSize: '0.92em' },
  { tag: tags.url, color: 'var(--muted)' },
  { tag: [tags.processingInstruction, tags.meta, tags.contentSeparator], color: 'var(--muted)' },
  { tag: tags.quote, color: 'var(--muted)' },
]);

const theme = EditorView.theme({
  '&': { fontSize: '1rem', background: 'transparent', color: 'var(--ink)' },
  '&.cm-focused': { outline: 'none' },
  '.cm-scroller': { fontFamily: 'var(--font-sans)', lineHeight: '1.5', overflow: 'visible' },
  '.cm-content': { padding: '0.25rem 0 6rem', caretColor: 'var(--primary)', maxWidth: '72ch' },
  '.cm-line': { padding: '1px 0' },
  '.cm-item': { paddingInlineStart: 'calc(var(--depth, 0) * 26px)', paddingBlock: '2px' },
  '.cm-task-line': { paddingBlock: '2.5px' },
  '.cm-marked-line': { textDecoration: 'underline wavy var(--late)', textUnderlineOffset: '3px' },
  '.cm-raw-line': { fontVariantLigatures: 'none' },
  '.cm-task-mark': { cursor: 'pointer', marginInlineEnd: '4px', marginInlineStart: '-4px', verticalAlign: '-6px' },
  '.cm-bullet': { color: 'var(--muted)', display: 'inline-block', width: '0.8em' },
  '.cm-heading': { fontFamily: 'var(--font-title)', fontWeight: '650', paddingTop: '0.9rem', lineHeight: '1.35' },
  '.cm-heading-1': { fontSize: '1.5rem', fontWeight: '700' },
  '.cm-heading-2': { fontSize: '1.17rem' },
  '.cm-heading-3': { fontSize: '1.05rem' },
  '.cm-code-line': { fontFamily: 'var(--font-mono)', fontSize: '0.9em' },
  '.cm-shared-name': { textDecorationStyle: 'double' },
  '.cm-problem': { textDecoration: 'underline wavy var(--late)', textUnderlineOffset: '3px' },
  '.cm-problem-words': { display: 'block', color: 'var(--late)', fontSize: '0.86rem', paddingInlineStart: '1.4rem' },
  '.cm-cursor': { borderLeftColor: 'var(--primary)', borderLeftWidth: '2px' },
  '&.cm-focused .cm-selectionBackground, .cm-selectionBackground': { background: 'var(--primary-soft) !important' },
  '.cm-placeholder': { color: 'var(--muted)' },
  '.cm-found-line': { background: 'var(--sun-soft)', borderRadius: '5px' },
  '.cm-panels': { background: 'var(--raised)', color: 'var(--ink)', border: 'none' },
  '.cm-searchMatch': { background: 'var(--sun-soft)', outline: '1px solid var(--sun)' },
});

/** How a note looks while it is written. */
export const editorTheme = [theme, syntaxHighlighting(colours)];
