import { Transaction } from '@codemirror/state';
import { type EditorView, ViewPlugin, type ViewUpdate } from '@codemirror/view';
import type { ActionContext } from '../../../core/task/acts/action-context';
import { signOfLine, typedStatus } from '../../../core/task/line/typed-status';
import { withTypedClauses } from '../../../core/task/line/typed-tail';
import { noteNow } from '../reading/note-field';
import { fromStore } from '../reading/from-store';

/** The line that the cursor stands on, as it was when it was entered. */
interface Entered {
  /** Where it starts; follows the changes. */
  from: number;
  sign: string | null;
  /** Whether a person typed in it since. */
  typed: boolean;
}

/**
 * What follows when a line is left in which a person typed: words in its tail become dates, and another character in its
 * box has the consequences of a tick.
 */
export function leavingLines(context: () => ActionContext) {
  return ViewPlugin.fromClass(
    class {
      private entered: Entered;

      constructor(private readonly view: EditorView) {
        this.entered = enter(view);
      }

      update(update: ViewUpdate): void {
        if (!update.docChanged && !update.selectionSet && !update.focusChanged) return;
        const byHand = update.transactions.some((one) => one.docChanged && isTyping(one));
        const otherwise = update.transactions.some((one) => one.docChanged && !isTyping(one));
        this.entered.from = update.changes.mapPos(this.entered.from, -1);
        if (byHand && touches(update, this.entered.from)) this.entered.typed = true;
        const here = update.state.doc.lineAt(update.state.selection.main.head).from;
        const line = update.state.doc.lineAt(Math.min(this.entered.from, update.state.doc.length));
        if (otherwise && !byHand) this.entered = { ...this.entered, sign: signOfLine(line.text) };
        if (here === line.from && !(update.focusChanged && !update.view.hasFocus)) return;
        const left = this.entered;
        this.entered = enter(update.view);
        // The view cannot change while it updates.
        if (left.typed) queueMicrotask(() => this.finish(left));
      }

      private finish({ from, sign }: Entered): void {
        const { state } = this.view;
        if (from > state.doc.length) return;
        const line = state.doc.lineAt(from);
        const task = noteNow(state).tasks.findLast((one) => one.line === line.number - 1);
        if (!task) return;
        const stored = withTypedClauses(line.text, task.boxFrom, context());
        if (stored !== line.text)
          this.view.dispatch({ changes: { from: line.from, to: line.to, insert: stored }, userEvent: 'input.leave' });
        const changes = typedStatus(this.view.state.doc.toString(), line.number - 1, sign, context());
        if (changes) this.view.dispatch({ changes, userEvent: 'input.leave' });
      }
    },
  );
}

function enter(view: EditorView): Entered {
  const line = view.state.doc.lineAt(view.state.selection.main.head);
  return { from: line.from, sign: signOfLine(line.text), typed: false };
}

/** Typing, deleting and pasting; not a tick, not Undo, not what came from the store. */
function isTyping(transaction: Transaction): boolean {
  if (transaction.annotation(fromStore)) return false;
  const event = transaction.annotation(Transaction.userEvent) ?? '';
  return /^(?:input(?:\.type|\.paste|\.drop|\.complete)?|delete)(?:\.|$)/.test(event) && !/^input\.(?:tick|leave)/.test(event);
}

/** Whether a change reaches the line that starts at an offset. */
function touches(update: ViewUpdate, from: number): boolean {
  const line = update.state.doc.lineAt(Math.min(from, update.state.doc.length));
  let found = false;
  update.changes.iterChangedRanges((_a, _b, start, end) => {
    if (start <= line.to && end >= line.from) found = true;
  });
  return found;
}
