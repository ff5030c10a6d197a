import { isolateHistory, redo, undo, undoDepth } from '@codemirror/commands';
import { Transaction } from '@codemirror/state';
import type { EditorView } from '@codemirror/view';
import { foldPath } from '../../../core/note/names/path';
import type { NoteStore } from '../../../store/notes/note-store';
import { fromStore } from '../reading/from-store';

/** What Undo takes back: what was typed in the editor, or a step of the store, which may have changed this note too. */
type Entry = { is: 'typed' } | { is: 'step'; id: number; here: boolean };

interface Told {
  undone: (label: string) => void;
  redone: (label: string) => void;
  refused: (reason: string) => void;
}

/** One of the two ways over what happened. */
interface Way {
  from: 'done' | 'undone';
  to: 'done' | 'undone';
  move: typeof undo;
  back: typeof undo;
  told: 'undone' | 'redone';
  carry: (store: NoteStore, id: number) => Promise<{ label: string } | { refused: string } | null>;
}

const BACK: Way = {
  from: 'done',
  to: 'undone',
  move: undo,
  back: redo,
  told: 'undone',
  carry: async (store, id) => {
    const result = await store.steps.undoStep(id);
    return result && 'undone' in result ? { label: result.undone } : result;
  },
};

const FORWARD: Way = {
  from: 'undone',
  to: 'done',
  move: redo,
  back: undo,
  told: 'redone',
  carry: async (store, id) => {
    const result = await store.steps.redo(id);
    return result && 'redone' in result ? { label: result.redone } : result;
  },
};

/**
 * What happened while a note was open, in order. Undo takes back the newest first: what was typed, by the editor's history; a step of
 * the store, whole, with all that it did in other notes. Redo goes forward over the same.
 */
export class UndoOrder {
  private done: Entry[] = [];
  private undone: Entry[] = [];
  /** The step whose change of this note is on its way to the editor. */
  private coming: number | null = null;
  /** Whether the editor's history is being moved by this order itself. */
  private moving = false;
  /** What the editor did and saves as a step, whose number comes with it. */
  private saving: Entry | null = null;
  private last: Promise<unknown> = Promise.resolve();
  private waiting = 0;
  private readonly stopListening: () => void;

  constructor(
    /** Where the note stands now. */
    path: () => string,
    private readonly view: Pick<EditorView, 'state' | 'dispatch'>,
    private readonly store: NoteStore,
    /** Saves what the editor holds, apart from what is done next. */
    private readonly save: () => Promise<void>,
    private readonly told: Told,
  ) {
    this.stopListening = store.listen({
      stepped: ({ id, paths }) => {
        const key = foldPath(path());
        this.stepped(
          id,
          paths.some((one) => foldPath(one) === key),
        );
      },
    });
  }

  /** Called when the editor did something itself and saves it as a step. */
  savesStep(): void {
    this.saving = this.done.at(-1) ?? null;
    this.apart();
  }

  /** What is typed next is not put together with what was typed before. */
  private apart(): void {
    this.view.dispatch({ annotations: isolateHistory.of('full') });
  }

  /** Called for every transaction of the editor. */
  watch(transaction: Transaction): void {
    if (this.moving || !transaction.docChanged || transaction.annotation(Transaction.addToHistory) === false) return;
    if (transaction.isUserEvent('undo')) return this.shift(this.done, this.undone);
    if (transaction.isUserEvent('redo')) return this.shift(this.undone, this.done);
    this.undone = [];
    if (transaction.annotation(fromStore) && this.coming !== null) {
      this.done.push({ is: 'step', id: this.coming, here: true });
      this.coming = null;
      return;
    }
    // The editor's history puts together what is typed without a rest.
    const grew = undoDepth(transaction.state) !== undoDepth(transaction.startState);
    if (grew || this.done.at(-1)?.is !== 'typed') this.done.push({ is: 'typed' });
    if (!transaction.annotation(fromStore)) this.store.steps.forgetUndone();
  }

  /** The editor's history was moved by something else, as a menu of the system: its newest entry follows. */
  private shift(from: Entry[], to: Entry[]): void {
    const at = from.findLastIndex((entry) => entry.is === 'typed' || entry.here);
    if (at !== -1) to.push(...from.splice(at, 1));
  }

  private stepped(id: number, here: boolean): void {
    this.undone = [];
    if (here && this.saving) {
      const at = this.done.lastIndexOf(this.saving);
      this.saving = null;
      if (at !== -1) this.done[at] = { is: 'step', id, here: true };
      return;
    }
    this.apart();
    if (!here) {
      this.done.push({ is: 'step', id, here });
      return;
    }
    this.coming = id;
    // Its change arrives at once, unless the text stands so already.
    queueMicrotask(() => {
      if (this.coming === id) this.done.push({ is: 'step', id, here: false });
      if (this.coming === id) this.coming = null;
    });
  }

  /** Takes the newest back; false when nothing happened since the note was opened. */
  undo(): boolean {
    return this.go(BACK);
  }

  /** Does what was taken back last again; false when there is nothing. */
  redo(): boolean {
    return this.go(FORWARD);
  }

  /** Takes a step back when it is the newest that happened; false when another way must be found. */
  undoStep(id: number): boolean {
    const last = this.done.at(-1);
    return last?.is === 'step' && last.id === id && this.undo();
  }

  destroy(): void {
    this.stopListening();
  }

  /** Resolves when what was asked so far is carried out. */
  settled(): Promise<unknown> {
    return this.last;
  }

  /** What was typed goes at once; a step waits for the store, and what is asked meanwhile waits for its turn. */
  private go(way: Way): boolean {
    if (this.waiting > 0) return this.inTurn(way);
    for (let entry = this[way.from].pop(); entry; entry = this[way.from].pop()) {
      if (entry.is === 'step') {
        this[way.from].push(entry);
        return this.inTurn(way);
      }
      if (!this.move(way.move)) continue;
      this[way.to].push(entry);
      return true;
    }
    return false;
  }

  private inTurn(way: Way): boolean {
    this.waiting++;
    const act = async (): Promise<void> => {
      try {
        await this.carry(way);
      } finally {
        this.waiting--;
      }
    };
    this.last = this.last.then(act, act);
    return true;
  }

  private async carry(way: Way): Promise<void> {
    const from = this[way.from];
    // What is not saved yet would stand in the way.
    if (from.at(-1)?.is === 'step') await this.save();
    const entry = this[way.from].pop();
    if (!entry) return;
    if (entry.is === 'typed') {
      if (this.move(way.move)) this[way.to].push(entry);
      return;
    }
    if (entry.here) this.move(way.move);
    const result = await way.carry(this.store, entry.id);
    if (result !== null && 'label' in result) {
      this[way.to].push(entry);
      this.told[way.told](result.label);
      return;
    }
    // Nothing to say: it was taken back already, by another way.
    if (result === null) return;
    if (entry.here) this.move(way.back);
    this[way.from].push(entry);
    this.told.refused(result.refused);
  }

  private move(way: typeof undo): boolean {
    this.moving = true;
    try {
      return way(this.view);
    } finally {
      this.moving = false;
    }
  }
}
