import { type EditorView, ViewPlugin, type ViewUpdate } from '@codemirror/view';
import { changesInto } from '../../../core/task/writing/changes-into';
import { tailOf } from './beside-tail';

/** A line that ended in a tail, or whose tail was right behind the cursor, when something was begun to be composed there. */
export interface ComposedLine {
  /** Its words with the marker and the box, without the space behind them. */
  words: string;
  tail: string;
}

/**
 * The line with what was composed at the end of its words, and its cursor behind that; null where nothing was, or something else became of the
 * line meanwhile.
 *
 * @example withComposed('- [ ] Pack {due fri}now', { words: '- [ ] Pack', tail: '{due fri}' }) // { text: '- [ ] Pack now {due fri}', cursor: 14 }
 */
export function withComposed(text: string, { words, tail }: ComposedLine): { text: string; cursor: number } | null {
  const at = text.indexOf(tail, words.length);
  if (!text.startsWith(words) || at === -1) return null;
  const [before, behind] = [text.slice(words.length, at), text.slice(at + tail.length)];
  const composed = `${before.trim()} ${behind.trim()}`.trim();
  if (composed === '') return null;
  // A space that was typed behind it parts it from the next word.
  const said = `${words} ${composed}${/\s$/.test(behind === '' ? before : behind) ? ' ' : ''}`;
  return { text: `${said} ${tail}`, cursor: said.length };
}

/** The editor reads what was composed from the page a moment after its end, in milliseconds. */
const SETTLES = 80;

/**
 * What is composed beside a tail, as by an input method and on most phones, is brought to the end of the words when it is whole: before that the
 * browser has it in hand. Behind the tail, or right before its brace, it would switch the tail off.
 */
export const composedBesideTail = ViewPlugin.fromClass(
  class {
    private begun: (ComposedLine & { from: number }) | null = null;
    private timer: ReturnType<typeof setTimeout> | null = null;

    constructor(private readonly view: EditorView) {}

    begin(): void {
      const { state } = this.view;
      const { main } = state.selection;
      // The word before is not settled yet: it is brought there with this one.
      if (this.begun !== null || !main.empty || state.readOnly) return;
      const line = state.doc.lineAt(main.head);
      const tail = tailOf(state, line.number - 1, line.text);
      const column = main.head - line.from;
      if (!tail || (column !== tail.from && column < tail.to)) return;
      this.begun = { from: line.from, words: line.text.slice(0, tail.from).trimEnd(), tail: line.text.slice(tail.from, tail.to) };
    }

    update({ docChanged, changes }: ViewUpdate): void {
      if (docChanged && this.begun) this.begun.from = changes.mapPos(this.begun.from, 1);
    }

    end(): void {
      if (this.timer) clearTimeout(this.timer);
      this.timer = setTimeout(() => this.settle(), SETTLES);
    }

    destroy(): void {
      if (this.timer) clearTimeout(this.timer);
    }

    private settle(): void {
      const { begun, view } = this;
      if (!begun || view.composing) return;
      this.begun = null;
      const { from, text } = view.state.doc.lineAt(begun.from);
      const next = withComposed(text, begun);
      if (!next || next.text === text) return;
      // Small ones, so that who writes beside in the same line is not written over.
      const changes = changesInto(text, next.text).map((one) => ({ ...one, from: from + one.from, to: from + one.to }));
      view.dispatch({
        changes,
        selection: { anchor: from + next.cursor },
        userEvent: 'input.type',
        scrollIntoView: true,
      });
    }
  },
  {
    eventHandlers: {
      compositionstart() {
        this.begin();
      },
      compositionend() {
        this.end();
      },
    },
  },
);
