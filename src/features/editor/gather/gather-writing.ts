import type { Completion, CompletionContext, CompletionResult } from '@codemirror/autocomplete';
import { type EditorState, type Extension, type Range, RangeSet, StateField } from '@codemirror/state';
import { Decoration, type DecorationSet, EditorView, WidgetType } from '@codemirror/view';
import { parseGather } from '../../../core/gather/language/parse';
import { wordsOffered } from '../../../core/gather/offering/words-offered';

/** A gather that stands in a text: where it begins, and its words. */
export interface WrittenGather {
  from: number;
  text: string;
}

/** Finds the gathers of a text. */
export type FindGathers = (state: EditorState) => readonly WrittenGather[];

/** Words that need something behind them. */
const OPENS = /^(?:where|group by|order by|limit|columns|totals|as|into|from|title|and|or|not|own|with|without|in|[=<>!]+|of|by)$/;

/** The words of the gather language that could stand at the cursor; names come from where they come from in any text. */
export const gatherWords =
  (find: FindGathers) =>
  (context: CompletionContext): CompletionResult | null => {
    const gather = gatherAt(context.state, context.pos, find);
    if (!gather) return null;
    const { from, words } = wordsOffered(gather.text, context.pos - gather.from);
    const typed = gather.text.slice(from, context.pos - gather.from);
    // Nothing comes up between two words unless it is asked for.
    if (words.length === 0 || (typed === '' && !context.explicit)) return null;
    const options = words.map((label, index): Completion => ({
      label,
      boost: 60 - index,
      ...(OPENS.test(label) && { apply: `${label} ` }),
    }));
    return { from: gather.from + from, options, validFor: /^[\p{L}_]*$/u };
  };

const gatherAt = (state: EditorState, at: number, find: FindGathers): WrittenGather | undefined =>
  find(state).find(({ from, text }) => at >= from && at <= from + text.length);

class MessageWidget extends WidgetType {
  constructor(private readonly message: string) {
    super();
  }

  override eq(other: MessageWidget): boolean {
    return other.message === this.message;
  }

  override toDOM(): HTMLElement {
    const words = document.createElement('span');
    words.className = 'cm-problem-words';
    words.textContent = this.message;
    return words;
  }
}

/** What of a gather cannot be read is underlined, with its sentence below; not while it is being written there. */
export function gatherProblems(find: FindGathers): Extension {
  return StateField.define<DecorationSet>({
    create: (state) => problemsIn(state, find),
    update: (shown, { docChanged, selection, state }) => (docChanged || selection ? problemsIn(state, find) : shown),
    provide: (self) => EditorView.decorations.from(self),
  });
}

function problemsIn(state: EditorState, find: FindGathers): DecorationSet {
  const ranges: Range<Decoration>[] = [];
  const { head } = state.selection.main;
  for (const { from, text } of find(state)) {
    if (text.trim() === '') continue;
    for (const error of parseGather(text).errors) {
      const [start, end] = [from + error.from, from + Math.max(error.to, error.from)];
      if (head >= start && head <= end) continue;
      if (end > start) ranges.push(Decoration.mark({ class: 'cm-problem', attributes: { title: error.message } }).range(start, end));
      ranges.push(Decoration.widget({ widget: new MessageWidget(error.message), side: 1 }).range(state.doc.lineAt(end).to));
    }
  }
  return RangeSet.of(ranges, true);
}
