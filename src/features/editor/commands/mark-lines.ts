import { startCompletion } from '@codemirror/autocomplete';
import type { EditorView } from '@codemirror/view';
import { notNowIntention } from '../../session/acting/not-now';
import { LineKind } from '../../../core/note/blocks/structure';
import { keyPointChanges } from '../../../core/task/writing/with-key';
import { noteNow } from '../reading/note-field';
import { actOnSelected, actOnTasks, openTail, selectedLines, tasksMade } from './task-commands';
import type { TextHost } from './text-host';

/** Marks the selected lines as key points, or takes the mark away; the cursor stays in its words. */
export function markKeyPoints(view: EditorView): boolean {
  const { doc, selection } = view.state;
  const { kinds } = noteNow(view.state).structure;
  const changes = selectedLines(view)
    .filter((line) => kinds[line] === LineKind.text)
    .flatMap((number) => {
      const { from: start, text } = doc.line(number + 1);
      return keyPointChanges(text).map(({ from, to, insert }) => ({ from: start + from, to: start + to, insert }));
    });
  if (changes.length === 0) return false;
  const made = view.state.changes(changes);
  // Before the words it stays before them, behind the marker; at their end it stays before the tail.
  const { head, from } = selection.main;
  const side =
    from === head &&
    doc
      .lineAt(head)
      .text.slice(0, head - doc.lineAt(head).from)
      .trim() === ''
      ? 1
      : -1;
  view.dispatch({ changes: made, selection: selection.map(made, side), userEvent: 'input.act', scrollIntoView: true });
  return true;
}

/** Makes open questions of the selected lines, or takes that away where all are. */
export function markQuestions(view: EditorView, { context, told }: TextHost): boolean {
  const tasks = tasksMade(view, context());
  const isAsked = tasks.length > 0 && tasks.every(({ question }) => question);
  return actOnSelected(view, isAsked ? { do: 'unset', clause: 'question' } : { do: 'set', clause: 'question' }, context(), told);
}

/** Makes the selected lines tasks of who is named on them first; where nobody is, the name is typed or picked by its first letter. */
export function giveLines(view: EditorView, { context, told }: TextHost): boolean {
  const tasks = tasksMade(view, context());
  if (tasks.length === 1 && tasks[0]?.people.length === 0) {
    if (!openTail(view)) return false;
    view.dispatch(view.state.replaceSelection('owner @'), { userEvent: 'input.complete' });
    return startCompletion(view) || true;
  }
  for (const name of new Set(tasks.flatMap(({ people }) => people.slice(0, 1)))) {
    const theirs = tasks.filter(({ people }) => people[0] === name);
    actOnTasks(view, theirs, { do: 'set', clause: `owner @${name}` }, context(), told);
  }
  return tasks.length > 0;
}

/** Puts the selected lines on what is to be raised with who is named on them; where nobody is, the name is typed or picked by its first letter. */
export function raiseLines(view: EditorView, { context, told, raiseTag }: TextHost): boolean {
  const tasks = tasksMade(view, context());
  const tag = `#${raiseTag()}`;
  if (!actOnSelected(view, { do: 'tag', name: tag }, context(), told)) return false;
  const [only] = tasks;
  if (tasks.length > 1 || !only || only.people.length > 0) return true;
  const line = view.state.doc.line(only.line + 1);
  const at = line.from + line.text.lastIndexOf(` ${tag}`);
  view.dispatch({ changes: { from: at, insert: ' @' }, selection: { anchor: at + 2 }, userEvent: 'input.complete' });
  return startCompletion(view) || true;
}

/** Takes the selected lines off the table, or up again where all are off it. */
export function setAside(view: EditorView, { context, told, notNowTag }: TextHost): boolean {
  const name = notNowTag();
  const tasks = tasksMade(view, context());
  return actOnSelected(view, notNowIntention(tasks, name), context(), told);
}
