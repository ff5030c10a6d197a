import { type BlockInfo, type EditorView, type PluginValue, ViewPlugin, type ViewUpdate } from '@codemirror/view';
import type { Text } from '@codemirror/state';
import { type Block, type Outline, blockAt } from '../../../core/note/outline/outline-edits';
import { type DropPlace, dropPlaces, moveBlock } from '../../../core/note/outline/outline-move';
import { scrollerOf } from '../../../ui/window/scroller';
import { editorContext } from '../reading/editor-context';
import { isFolded } from '../folding/folding';
import { noteNow, shownNote } from '../reading/note-field';
import { writeOutline } from '../editing/outline-keys';

/** How far a level stands in, in pixels; as in the theme. */
const LEVEL = 26;
/** How near to the edge of what is in sight the text begins to move along, and by how much at a time. */
const EDGE = 48;
const STEP = 14;

interface Drag {
  line: number;
  block: Block;
  outline: Outline;
  doc: Text;
  /** Where the pointer took hold, from the left of the page. */
  x: number;
  place: DropPlace | null;
  scrolling: ReturnType<typeof setInterval>;
}

/**
 * What stands in the margin of the item or heading under the pointer: a sign that folds it, and a grip. Dragging the grip carries
 * the block, with everything under it, to another place; sideways movement chooses the level. Escape lets go. By keyboard the
 * commands of outlines do the same. One of each for the whole text: signs on every line would be laid out with each of them.
 */
class MarginTools implements PluginValue {
  private readonly fold = element('cm-fold');
  private readonly grip = element('cm-grip');
  /** What is being carried, and where it would come to stand. */
  private readonly carried = element('cm-carried');
  private readonly target = element('cm-drop');
  private drag: Drag | null = null;
  /** The line (from 0) that the grip stands at. */
  private line = -1;
  private pointer = { x: 0, y: 0 };

  constructor(private readonly view: EditorView) {
    this.grip.title = 'Drag to move it with everything under it';
    view.dom.append(this.carried, this.target, this.fold, this.grip);
    view.dom.addEventListener('mousemove', this.follow);
    view.dom.addEventListener('mouseleave', this.hide);
    this.fold.addEventListener('mousedown', this.toggle);
    this.grip.addEventListener('pointerdown', this.take);
    this.grip.addEventListener('pointermove', this.carry);
    this.grip.addEventListener('pointerup', this.drop);
    this.grip.addEventListener('pointercancel', this.letGo);
  }

  update(update: ViewUpdate): void {
    if (update.docChanged && !this.drag) this.hide();
  }

  destroy(): void {
    this.letGo();
    this.view.dom.removeEventListener('mousemove', this.follow);
    this.view.dom.removeEventListener('mouseleave', this.hide);
    for (const one of [this.fold, this.grip, this.carried, this.target]) one.remove();
  }

  private readonly follow = (event: MouseEvent): void => {
    if (this.drag || event.buttons !== 0) return;
    const { view } = this;
    const y = event.clientY - view.documentTop;
    const shown = view.lineBlockAtHeight(y);
    const line = view.state.doc.lineAt(shown.from).number - 1;
    if (line === this.line && !this.grip.hidden) return;
    const { items, headings } = shownNote(view.state).structure;
    const item = items.find((one) => one.line === line);
    const begins = item !== undefined || headings.some((one) => one.topLevel && one.line === line);
    const left = begins && y >= shown.top && y < shown.bottom ? view.coordsAtPos(shown.from + (item?.markerFrom ?? 0), 1)?.left : undefined;
    if (left === undefined) this.hide();
    else this.show(line, shown, left - view.dom.getBoundingClientRect().left, item ? item.lastLine : null);
  };

  /** @param last the last line of the item; null at a heading */
  private show(line: number, { top, bottom }: BlockInfo, left: number, last: number | null): void {
    const { state } = this.view;
    const holds = last === null || last > line;
    this.line = line;
    this.fold.hidden = !holds;
    this.grip.hidden = false;
    const folded = isFolded(state, line);
    this.fold.textContent = folded ? '▸' : '▾';
    this.fold.title = folded ? 'Unfold' : 'Fold';
    this.put(this.fold, top, left - 22);
    this.put(this.grip, top, left - (holds ? 34 : 16));
    this.fold.style.height = `${Math.min(bottom - top, 30)}px`;
    const end = last === null || last >= state.doc.lines ? bottom : this.view.lineBlockAt(state.doc.line(last + 1).from).bottom;
    this.grip.style.height = `${end - top}px`;
  }

  private readonly toggle = (event: MouseEvent): void => {
    event.preventDefault();
    const { line } = this;
    this.hide();
    this.view.state.facet(editorContext).run('text-fold', line);
  };

  private readonly hide = (): void => {
    if (this.drag || this.grip.hidden) return;
    this.line = -1;
    this.fold.hidden = true;
    this.grip.hidden = true;
  };

  private readonly take = (event: PointerEvent): void => {
    if (event.button !== 0 || this.line === -1) return;
    event.preventDefault();
    const { view, line } = this;
    const outline = noteNow(view.state);
    const block = blockAt(outline, line);
    if (!block) return;
    this.grip.setPointerCapture(event.pointerId);
    window.addEventListener('keydown', this.keys, true);
    this.pointer = { x: event.clientX, y: event.clientY };
    const scrolling = setInterval(this.scroll, 30);
    this.drag = { line, block, outline, doc: view.state.doc, x: event.clientX, place: null, scrolling };
    view.dom.classList.add('cm-carrying');
  };

  private readonly carry = (event: PointerEvent): void => {
    this.pointer = { x: event.clientX, y: event.clientY };
    this.aim();
  };

  private readonly drop = (): void => {
    const { drag, view } = this;
    this.letGo();
    // What was written meanwhile, in another tab or by an action, is not written over.
    if (!drag?.place || view.state.doc !== drag.doc) return;
    const edit = moveBlock(drag.doc.toString(), drag.line, drag.place);
    if (edit) writeOutline(view, edit, drag.line, 'move.line');
  };

  private readonly keys = (event: KeyboardEvent): void => {
    if (event.key !== 'Escape') return;
    event.preventDefault();
    event.stopPropagation();
    this.letGo();
  };

  private readonly letGo = (): void => {
    if (this.drag) clearInterval(this.drag.scrolling);
    this.drag = null;
    window.removeEventListener('keydown', this.keys, true);
    this.view.dom.classList.remove('cm-carrying');
    this.carried.hidden = true;
    this.target.hidden = true;
    this.hide();
  };

  private readonly scroll = (): void => {
    const scroller = scrollerOf(this.view.dom);
    if (!scroller) return;
    const { top, bottom } = scroller.getBoundingClientRect();
    const { y } = this.pointer;
    const by = y < Math.max(top, 0) + EDGE ? -STEP : y > Math.min(bottom, window.innerHeight) - EDGE ? STEP : 0;
    if (by === 0) return;
    scroller.scrollBy(0, by);
    this.aim();
  };

  /** Finds the place under the pointer and shows it. */
  private aim(): void {
    const { drag, view } = this;
    if (!drag) return;
    const { doc } = view.state;
    const y = this.pointer.y - view.documentTop;
    const shown = view.lineBlockAtHeight(y);
    const lower = y > (shown.top + shown.bottom) / 2;
    const before = lower ? doc.lineAt(shown.to).number : doc.lineAt(shown.from).number - 1;
    const wanted = drag.block.depth + Math.round((this.pointer.x - drag.x) / LEVEL);
    const places = dropPlaces(drag.outline, drag.block, before);
    drag.place = places.reduce<DropPlace | null>(
      (best, one) => (best === null || Math.abs(one.depth - wanted) < Math.abs(best.depth - wanted) ? one : best),
      null,
    );
    const first = view.lineBlockAt(doc.line(drag.block.first + 1).from);
    const last = view.lineBlockAt(doc.line(drag.block.last + 1).from);
    const left = view.contentDOM.getBoundingClientRect().left - view.dom.getBoundingClientRect().left;
    this.carried.hidden = false;
    this.put(this.carried, first.top, left);
    this.carried.style.height = `${last.bottom - first.top}px`;
    this.target.hidden = drag.place === null;
    const level = drag.place && drag.block.is === 'item' ? drag.place.depth : 0;
    this.put(this.target, lower ? shown.bottom : shown.top, left + level * LEVEL);
  }

  /** Puts an element at a height of the text. */
  private put(one: HTMLElement, top: number, left: number): void {
    one.style.top = `${top + this.view.documentTop - this.view.dom.getBoundingClientRect().top}px`;
    one.style.left = `${left}px`;
  }
}

function element(className: string): HTMLElement {
  const one = document.createElement('div');
  one.className = className;
  one.hidden = true;
  one.setAttribute('aria-hidden', 'true');
  return one;
}

export const marginTools = ViewPlugin.fromClass(MarginTools);
