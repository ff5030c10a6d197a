import { type EditorState, type Range, RangeSet, StateEffect, StateField } from '@codemirror/state';
import { Decoration, type DecorationSet, EditorView, WidgetType } from '@codemirror/view';
import { shownNote } from '../reading/note-field';
import { isGather } from '../../../core/note/facts/note-frame';

/** A place in the editor that React fills: a live gather, or the front matter in short. */
export interface Portal {
  container: HTMLElement;
  is: 'gather' | 'front-matter';
  /** The gather's text; empty for front matter. */
  text: string;
  /** Its place (from 0) among the gathers of the note. */
  index: number;
}

/** Holds the places that are on the page now, and tells when they change. */
export class PortalRegistry {
  private portals: readonly Portal[] = [];
  private readonly listeners = new Set<() => void>();

  readonly list = (): readonly Portal[] => this.portals;

  readonly listen = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  add(portal: Portal): void {
    this.change([...this.portals, portal]);
  }

  remove(container: HTMLElement): void {
    this.change(this.portals.filter((portal) => portal.container !== container));
  }

  private change(portals: readonly Portal[]): void {
    this.portals = portals;
    // React must not render while the editor measures its widgets.
    queueMicrotask(() => this.listeners.forEach((listener) => listener()));
  }
}

class PortalWidget extends WidgetType {
  constructor(
    private readonly registry: PortalRegistry,
    private readonly is: Portal['is'],
    private readonly text: string,
    private readonly index: number,
  ) {
    super();
  }

  override eq(other: PortalWidget): boolean {
    return other.is === this.is && other.text === this.text && other.index === this.index;
  }

  override toDOM(view: EditorView): HTMLElement {
    const container = document.createElement('div');
    container.className = 'cm-portal';
    container.contentEditable = 'false';
    this.registry.add({ container, is: this.is, text: this.text, index: this.index });
    const watcher = new ResizeObserver(() => view.requestMeasure());
    watcher.observe(container);
    (container as HTMLElement & { watcher?: ResizeObserver }).watcher = watcher;
    return container;
  }

  override destroy(container: HTMLElement): void {
    (container as HTMLElement & { watcher?: ResizeObserver }).watcher?.disconnect();
    this.registry.remove(container);
  }

  override ignoreEvent(): boolean {
    return true;
  }
}

/** Sent when the editor gains or loses the focus: without it, no block shows its text. */
export const focusChanged = StateEffect.define<boolean>();

interface Blocks {
  focused: boolean;
  decorations: DecorationSet;
}

/** Gather blocks show their live result, and their text while the cursor is inside; front matter likewise. */
export function blockDecorations(registry: PortalRegistry) {
  const field = StateField.define<Blocks>({
    create: (state) => ({ focused: false, decorations: decorate(state, false, registry) }),
    update(blocks, transaction) {
      const focus = transaction.effects.find((effect) => effect.is(focusChanged));
      const focused = focus ? focus.value : blocks.focused;
      const { startState, state } = transaction;
      const same = !transaction.docChanged && !transaction.selection && focused === blocks.focused;
      if (same && shownNote(startState) === shownNote(state)) return blocks;
      return { focused, decorations: decorate(state, focused, registry) };
    },
    provide: (self) => EditorView.decorations.from(self, (blocks) => blocks.decorations),
  });
  const tellFocus = EditorView.focusChangeEffect.of((_state, focusing) => focusChanged.of(focusing));
  return [field, tellFocus];
}

function decorate(state: EditorState, focused: boolean, registry: PortalRegistry): DecorationSet {
  const note = shownNote(state);
  const ranges: Range<Decoration>[] = [];
  const add = (first: number, last: number, is: Portal['is'], text: string, index: number): void => {
    if (last >= state.doc.lines) return;
    const from = state.doc.line(first + 1).from;
    const to = state.doc.line(last + 1).to;
    const inside = focused && state.selection.ranges.some((range) => range.from <= to && range.to >= from);
    if (!inside) ranges.push(Decoration.replace({ widget: new PortalWidget(registry, is, text, index), block: true }).range(from, to));
  };
  if (note.front.lineCount > 0 && note.front.problem === null)
    add(0, note.front.lineCount - 1, 'front-matter', note.lines.text.slice(0, note.lines.ends[note.front.lineCount - 1]), 0);
  const gathers = note.structure.fences.filter(isGather);
  for (const [index, fence] of gathers.entries()) if (fence.topLevel) add(fence.line, fence.lastLine, 'gather', fence.body, index);
  return RangeSet.of(ranges, true);
}
