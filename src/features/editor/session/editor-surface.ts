import { isolateHistory } from '@codemirror/commands';
import { ChangeSet, Transaction } from '@codemirror/state';
import type { EditorView, ViewUpdate } from '@codemirror/view';
import { changesUnderHand } from '../../../core/task/writing/changes-into';
import type { Change } from '../../../core/task/writing/edit';
import type { Surface } from '../../../store/texts/surface';
import { fromStore } from '../reading/from-store';

/** An editor as the place where the text of a note is written. What differs from the stored text is known without comparing the texts. */
export class EditorSurface implements Surface {
  private since: ChangeSet;
  private sinceSent: ChangeSet | null = null;

  constructor(private readonly view: Pick<EditorView, 'state' | 'dispatch'>) {
    this.since = ChangeSet.empty(view.state.doc.length);
  }

  /**
   * Must be called for every update of the editor.
   *
   * @returns whether a person changed the text
   */
  watch({ docChanged, changes, transactions }: Pick<ViewUpdate, 'docChanged' | 'changes' | 'transactions'>): boolean {
    if (!docChanged) return false;
    this.since = this.since.compose(changes);
    this.sinceSent = this.sinceSent?.compose(changes) ?? null;
    return !transactions.some((one) => one.annotation(fromStore));
  }

  readonly text = (): string => this.view.state.doc.toString();

  /** By the smallest changes, so that the cursor stays among its words; what this tab did can be undone here too. */
  readonly show = (text: string, elsewhere: boolean): void => {
    const changes = changesUnderHand(this.text(), text);
    if (changes.length === 0) return;
    this.view.dispatch({
      changes,
      // What was typed just before is another step of Undo.
      annotations: [fromStore.of(true), Transaction.addToHistory.of(!elsewhere), isolateHistory.of('full')],
    });
  };

  readonly unsaved = (): Change[] => {
    const changes: Change[] = [];
    this.since.iterChanges((from, to, _fromB, _toB, inserted) => changes.push({ from, to, insert: inserted.toString() }));
    return changes;
  };

  readonly sent = (): void => {
    this.sinceSent = ChangeSet.empty(this.view.state.doc.length);
  };

  readonly stored = (): void => {
    if (this.sinceSent) this.since = this.sinceSent;
    this.sinceSent = null;
  };

  readonly differs = (changes: readonly Change[]): void => {
    const grown = changes.reduce((sum, { from, to, insert }) => sum + insert.length - (to - from), 0);
    this.since = ChangeSet.of([...changes], this.view.state.doc.length - grown);
    this.sinceSent = null;
  };
}
