import { startCompletion } from '@codemirror/autocomplete';
import { type ChangeSet, EditorSelection } from '@codemirror/state';
import type { EditorView } from '@codemirror/view';
import { asItem, asTask, withMark, withOwner, withOwnerNamed, withTag } from '../../../core/task/writing/with-mark';
import { LineKind } from '../../../core/note/blocks/structure';
import { noteNow } from '../reading/note-field';
import { selectedLines } from './task-commands';

/** Marks the selected lines as key points or as questions, or takes the mark away; as one step, the cursor stays in its words. */
export const markLines = (view: EditorView, mark: 'key' | 'question'): boolean =>
  rewrite(view, mark === 'key' ? asItem : asTask, (line) => withMark(line, mark));

/** Makes the selected lines tasks of who is named on them; where nobody is, the name is typed or picked by its first letter. */
export function giveLines(view: EditorView): boolean {
  const lines = writtenLines(view);
  const [only] = lines;
  if (only === undefined) return false;
  const words = view.state.doc.line(only + 1).text;
  if (lines.length > 1 || withOwnerNamed(words) !== null) return rewrite(view, asTask, withOwnerNamed);
  const name = 'someone';
  if (words.trim() === '' || !rewrite(view, asTask, (line) => withOwner(line, name))) return false;
  const line = view.state.doc.line(only + 1);
  const at = line.from + line.text.lastIndexOf(`@${name}`) + 1;
  view.dispatch({ changes: { from: at, to: at + name.length }, selection: { anchor: at }, userEvent: 'input.act' });
  return startCompletion(view) || true;
}

/** Puts the selected lines on what is to be raised with who is named on them; where nobody is, the name is typed or picked by its first letter. */
export function raiseLines(view: EditorView, tag: string): boolean {
  const lines = writtenLines(view);
  const [only] = lines;
  if (only === undefined) return false;
  if (!rewrite(view, asTask, (line) => withTag(line, tag))) return true;
  const line = view.state.doc.line(only + 1);
  if (lines.length > 1 || withOwnerNamed(line.text) !== null) return true;
  const at = line.from + line.text.lastIndexOf(` #${tag}`);
  view.dispatch({ changes: { from: at, insert: ' @' }, selection: { anchor: at + 2 }, userEvent: 'input.act' });
  return startCompletion(view) || true;
}

/** The selected lines that hold words: no heading, code, or front matter. */
function writtenLines(view: EditorView): number[] {
  const { kinds } = noteNow(view.state).structure;
  return selectedLines(view).filter((line) => kinds[line] === LineKind.text);
}

/**
 * Writes the selected lines anew, as one step.
 *
 * @param begun what a line becomes first, before its words
 * @param done what it comes to, behind them; null leaves it
 */
function rewrite(view: EditorView, begun: (line: string) => string, done: (line: string) => string | null): boolean {
  const { doc } = view.state;
  const lines = writtenLines(view).map((line) => doc.line(line + 1));
  const changed = lines.flatMap((line) => {
    const after = done(line.text);
    return after === null || after === line.text ? [] : [{ line, middle: begun(line.text), after }];
  });
  if (changed.length === 0) return false;
  // What comes before the words and what comes behind are two changes: a cursor in them stays where it was.
  const before = view.state.changes(changed.map(({ line, middle }) => different(line.text, middle, line.from)));
  let moved = 0;
  const behind = changed.map(({ line, middle, after }) => {
    const change = different(middle, after, line.from + moved);
    moved += middle.length - line.text.length;
    return change;
  });
  const changes: ChangeSet = before.compose(view.state.update({ changes: before }).state.changes(behind));
  const { main } = view.state.selection;
  // At the end of a line it comes to its new end, so that Enter goes on; before the first word it stays there.
  const mapped = (at: number): number => {
    const { from, to, text } = doc.lineAt(at);
    return changes.mapPos(at, at === from || at >= to - (text.length - text.trimEnd().length) ? 1 : -1);
  };
  const [anchor, head] = [mapped(main.anchor), mapped(main.head)];
  view.dispatch({ changes, selection: EditorSelection.single(anchor, head), userEvent: 'input.act', scrollIntoView: true });
  return true;
}

/** The one change that makes one text of another. */
function different(before: string, after: string, from: number): { from: number; to: number; insert: string } {
  let head = 0;
  while (head < before.length && before[head] === after[head]) head++;
  let foot = 0;
  while (foot < before.length - head && foot < after.length - head && before.at(-1 - foot) === after.at(-1 - foot)) foot++;
  return { from: from + head, to: from + before.length - foot, insert: after.slice(head, after.length - foot) };
}
