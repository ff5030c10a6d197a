import type { EditorView } from '@codemirror/view';
import { Decoration, type DecorationSet, ViewPlugin, type ViewUpdate, WidgetType } from '@codemirror/view';
import type { ActionContext } from '../../../core/task/acts/action-context';
import { shownNote } from './note-field';
import { STATUS_NAMES } from '../../../core/task/line/status';
import { type Offered, offeredWords } from '../commands/task-commands';

/** Says what the underlined words would become, and by which key. */
class OfferWidget extends WidgetType {
  constructor(
    private readonly words: string,
    private readonly take: (view: EditorView) => void,
  ) {
    super();
  }

  override eq(other: OfferWidget): boolean {
    return other.words === this.words;
  }

  override toDOM(view: EditorView): HTMLElement {
    const button = document.createElement('span');
    button.className = 'cm-offer';
    button.textContent = this.words;
    button.setAttribute('role', 'button');
    button.setAttribute('aria-label', `Store as ${this.words}`);
    button.addEventListener('mousedown', (event) => {
      event.preventDefault();
      this.take(view);
    });
    return button;
  }

  override ignoreEvent(): boolean {
    return true;
  }
}

const offerWords = ({ clauses, waits }: Pick<Offered, 'clauses' | 'waits'>, key: string): string =>
  `${[...(waits ? [STATUS_NAMES.waiting] : []), ...clauses.map(({ words }) => words)].join('; ')}${key === '' ? '' : ` · ${key}`}`;

/** Words of the task on the cursor's line that can be stored are underlined; nothing is taken unasked. */
export function wordOffers(context: () => ActionContext, offers: () => boolean, keyWords: () => string, take: (view: EditorView) => void) {
  return ViewPlugin.fromClass(
    class {
      decorations: DecorationSet;

      constructor(view: EditorView) {
        this.decorations = this.find(view);
      }

      update(update: ViewUpdate): void {
        if (update.docChanged || update.selectionSet || update.focusChanged) this.decorations = this.find(update.view);
      }

      private find({ state, hasFocus }: EditorView): DecorationSet {
        if (!hasFocus || !offers()) return Decoration.none;
        const line = state.doc.lineAt(state.selection.main.head);
        if (line.length > 2000) return Decoration.none;
        const task = shownNote(state).tasks.findLast((one) => one.line === line.number - 1);
        const offered = task && task.raw === line.text ? offeredWords(line.text, task, context()) : null;
        if (!offered) return Decoration.none;
        return Decoration.set([
          ...offered.parts.map(({ from, to }) => Decoration.mark({ class: 'cm-offered' }).range(line.from + from, line.from + to)),
          Decoration.widget({ widget: new OfferWidget(offerWords(offered, keyWords()), take), side: 3 }).range(line.to),
        ]);
      }
    },
    { decorations: (plugin) => plugin.decorations },
  );
}
