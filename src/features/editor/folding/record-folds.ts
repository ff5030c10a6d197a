import { type EditorState, type Range, RangeSet, StateEffect, StateField } from '@codemirror/state';
import { Decoration, type DecorationSet, EditorView, WidgetType } from '@codemirror/view';
import { dayName } from '../../../core/calendar/day-name';
import { type RecordRun, recordRuns } from '../../../core/task/reading/record-runs';
import { editorContext } from '../reading/editor-context';
import { hideFinished } from './finished-lines';
import { noteNow, shownNote } from '../reading/note-field';
import { lineOfCursor } from '../reading/cursor-line';

/** Opens or folds the records that begin at an offset. */
const toggled = StateEffect.define<number>({ map: (at, changes) => changes.mapPos(at, 1) });

/** Stands in the place of records, or above them while they are open, and says how often and when last. */
class RecordsWidget extends WidgetType {
  constructor(
    private readonly words: readonly string[],
    private readonly open: boolean,
    private readonly at: number,
  ) {
    super();
  }

  override eq(other: RecordsWidget): boolean {
    return other.open === this.open && other.at === this.at && other.words.join('\n') === this.words.join('\n');
  }

  override toDOM(view: EditorView): HTMLElement {
    const button = document.createElement('button');
    button.type = 'button';
    button.tabIndex = -1;
    button.className = 'cm-records';
    button.setAttribute('aria-expanded', String(this.open));
    button.title = this.open ? 'Fold the records' : 'Show each record';
    for (const words of this.words) {
      const line = document.createElement('span');
      line.textContent = words;
      button.append(line);
    }
    button.addEventListener('mousedown', (event) => event.preventDefault());
    button.addEventListener('click', () => view.dispatch({ effects: toggled.of(this.at) }));
    return button;
  }

  override ignoreEvent(): boolean {
    return true;
  }
}

interface Folds {
  /** Where the records begin that a person opened. */
  open: readonly number[];
  decorations: DecorationSet;
}

/** Records of one repeat stand folded together; at the cursor, and once they were opened, each shows. */
export const recordFolds = StateField.define<Folds>({
  create: (state) => ({ open: [], decorations: decorate(state, []) }),
  update(folds, { startState, state, docChanged, changes, effects }) {
    let open = docChanged ? folds.open.map((at) => changes.mapPos(at, 1)) : folds.open;
    for (const effect of effects)
      if (effect.is(toggled)) open = open.includes(effect.value) ? open.filter((at) => at !== effect.value) : [...open, effect.value];
    const same =
      open === folds.open &&
      shownNote(startState) === shownNote(state) &&
      startState.facet(hideFinished) === state.facet(hideFinished) &&
      startState.facet(editorContext).today === state.facet(editorContext).today &&
      lineOfCursor(startState) === lineOfCursor(state);
    return same ? folds : { open, decorations: decorate(state, open) };
  },
  provide: (self) => EditorView.decorations.from(self, (folds) => folds.decorations),
});

function decorate(state: EditorState, open: readonly number[]): DecorationSet {
  if (state.facet(hideFinished)) return Decoration.none;
  const { doc } = state;
  const cursor = lineOfCursor(state);
  const ranges = recordRuns(shownNote(state)).flatMap((run): Range<Decoration>[] => {
    if (run.last >= doc.lines) return [];
    const from = doc.line(run.first + 1).from;
    if (open.includes(from)) {
      const widget = new RecordsWidget(['▾ Records of what repeats'], true, from);
      return [Decoration.widget({ widget, block: true, side: -1 }).range(from)];
    }
    if (cursor >= run.first && cursor <= run.last) return [];
    const widget = new RecordsWidget(wordsOf(run, state), false, from);
    return [Decoration.replace({ widget, block: true }).range(from, doc.line(run.last + 1).to)];
  });
  return RangeSet.of(ranges, true);
}

function wordsOf({ repeats }: RecordRun, state: EditorState): string[] {
  const { today, style } = state.facet(editorContext);
  return repeats.map(
    ({ text, times, last }) =>
      `▸ ${text}: ${times === 1 ? 'once' : `${times} times`}${last === null ? '' : `, last ${dayName(last, today, style)}`}`,
  );
}

/** Opens or folds the records of the repeat on a line (from 0), or those that stand there; false when there are none. */
export function toggleRecords(view: EditorView, line: number): boolean {
  const { state } = view;
  const note = noteNow(state);
  const task = note.tasks.find((one) => one.line === line && one.every !== null);
  const run = recordRuns(note).find(
    ({ first, last, repeats }) =>
      (line >= first && line <= last) || (task !== undefined && first > line && repeats.some(({ text }) => text === task.text)),
  );
  if (!run || run.first >= state.doc.lines) return false;
  view.dispatch({ effects: toggled.of(state.doc.line(run.first + 1).from) });
  return true;
}
