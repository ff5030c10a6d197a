import { foldEffect, syntaxTree, unfoldEffect } from '@codemirror/language';
import { type EditorState, type Range, RangeSet, type StateEffect } from '@codemirror/state';
import { type Decoration, type DecorationSet, type EditorView, ViewPlugin, type ViewUpdate } from '@codemirror/view';
import { decorateLine } from './decorate-line';
import { contextChanged } from '../reading/editor-context';
import { lookOfLine, lookOfMarkdown } from './markdown-look';
import { wasRead } from '../reading/note-field';

/** Lines that hold a cursor or a selection show their raw text. */
function rawLines(state: EditorState, focused: boolean): Set<number> {
  const lines = new Set<number>();
  if (!focused) return lines;
  for (const { from, to } of state.selection.ranges) {
    const last = state.doc.lineAt(to).number;
    for (let line = state.doc.lineAt(from).number; line <= last; line++) lines.add(line - 1);
  }
  return lines;
}

/** Marks, chips, names and headings over the plain text, for what is visible. */
export const lineDecorations = ViewPlugin.fromClass(
  class {
    decorations: DecorationSet;
    private raw: ReadonlySet<number>;
    /** Of what text the decorations were made, and of which lines (from 0) in it. */
    private shown: { from: number; to: number };
    private lines = new Set<number>();

    constructor(view: EditorView) {
      this.raw = rawLines(view.state, view.hasFocus);
      this.shown = view.viewport;
      this.decorations = this.all(view);
    }

    update(update: ViewUpdate): void {
      const { view, state } = update;
      const before = this.raw;
      this.raw = rawLines(state, view.hasFocus);
      const context = update.transactions.some((transaction) =>
        transaction.effects.some((effect) => effect.is(contextChanged) || isFold(effect)),
      );
      // The editor calls it a change, too, when what is shown only grew by what was typed in it.
      const { from, to } = this.shown;
      this.shown = view.viewport;
      const moved = update.changes.mapPos(from, -1) !== this.shown.from || update.changes.mapPos(to, 1) !== this.shown.to;
      // Where the text is parsed further while nothing is typed, lines come to look otherwise.
      const parsed = !update.docChanged && syntaxTree(state) !== syntaxTree(update.startState);
      const same = !parsed && !update.focusChanged && !context && !wasRead(update);
      const still = !update.docChanged && !update.selectionSet;
      if (same && moved && still) this.decorations = this.scrolled(view);
      else if (!same || moved) this.decorations = this.all(view);
      else {
        if (!still) this.redo(update, before);
        // What was folded away has no decorations yet when it comes back.
        if (update.viewportChanged && !update.docChanged) this.decorations = this.scrolled(view);
      }
    }

    private all(view: EditorView): DecorationSet {
      this.lines = new Set();
      return RangeSet.of(this.more(view), true);
    }

    /** What was in sight before keeps its decorations. */
    private scrolled(view: EditorView): DecorationSet {
      const { from, to } = view.viewport;
      for (const line of this.lines) {
        const place = view.state.doc.line(line + 1);
        if (place.to < from || place.from > to) this.lines.delete(line);
      }
      return this.decorations.update({ add: this.more(view), sort: true, filter: (start) => start >= from && start <= to });
    }

    /** The decorations of the lines in sight that have none yet. */
    private more(view: EditorView): Range<Decoration>[] {
      const { state } = view;
      const ranges: Range<Decoration>[] = [];
      // Finding a place in a long text's tree takes time: lines that follow one another are looked up together.
      const runs: { from: number; to: number }[] = [];
      let inRun = false;
      for (const visible of view.visibleRanges) {
        for (let at = visible.from; at <= visible.to;) {
          const line = state.doc.lineAt(at);
          at = line.to + 1;
          const known = this.lines.has(line.number - 1);
          const run = inRun ? runs.at(-1) : undefined;
          inRun = !known;
          if (known) continue;
          this.lines.add(line.number - 1);
          if (run) run.to = line.to;
          else runs.push({ from: line.from, to: line.to });
          ranges.push(...decorateLine(view, line, this.raw));
        }
      }
      return [...ranges, ...runs.flatMap((run) => lookOfMarkdown(syntaxTree(state), run))];
    }

    /** Only the lines that were typed in, or that a cursor came to or left, look otherwise than before. */
    private redo({ view, state, changes }: ViewUpdate, rawBefore: ReadonlySet<number>): void {
      const lines = new Set([...rawBefore, ...this.raw]);
      changes.iterChangedRanges((_fromA, _toA, fromB, toB) => {
        const last = state.doc.lineAt(toB).number;
        for (let number = state.doc.lineAt(fromB).number; number <= last; number++) lines.add(number - 1);
      });
      let decorations = this.decorations.map(changes);
      for (const index of [...lines].sort((a, b) => a - b)) {
        if (index >= state.doc.lines) continue;
        const line = state.doc.line(index + 1);
        const visible = view.visibleRanges.some(({ from, to }) => line.to >= from && line.from <= to);
        const add = visible ? [...lookOfLine(state, line), ...decorateLine(view, line, this.raw)] : [];
        decorations = decorations.update({ filterFrom: line.from, filterTo: line.to, filter: () => false, add, sort: true });
      }
      this.decorations = decorations;
    }
  },
  { decorations: (plugin) => plugin.decorations },
);

const isFold = (effect: StateEffect<unknown>): boolean => effect.is(foldEffect) || effect.is(unfoldEffect);
