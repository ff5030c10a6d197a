import { type EditorView, WidgetType } from '@codemirror/view';
import type { ChipLook } from '../../ui/chip-look';
import { chipClass } from '../../ui/Chips';
import { MARK_VIEW_BOX, type MarkLook, markClass, markLabel, markShapes } from '../../ui/mark-shapes';
import { editorContext } from './editor-context';

const SVG = 'http://www.w3.org/2000/svg';

/** The mark of a task in the place of its box. */
export class MarkWidget extends WidgetType {
  constructor(private readonly look: MarkLook) {
    super();
  }

  override eq(other: MarkWidget): boolean {
    const { status, priority, late } = this.look;
    return other.look.status === status && other.look.priority === priority && other.look.late === late;
  }

  override toDOM(view: EditorView): HTMLElement {
    const button = document.createElement('span');
    button.className = `${markClass(this.look)} cm-task-mark`;
    button.setAttribute('role', 'img');
    button.setAttribute('aria-label', markLabel(this.look));
    button.title = 'Click to tick, or Ctrl+Enter on the line';
    const svg = document.createElementNS(SVG, 'svg');
    svg.setAttribute('viewBox', MARK_VIEW_BOX);
    for (const shape of markShapes(this.look)) {
      const element = document.createElementNS(SVG, shape.tag);
      for (const [name, value] of Object.entries(shape.attributes)) element.setAttribute(name, value);
      svg.append(element);
    }
    button.append(svg);
    button.addEventListener('mousedown', (event) => {
      event.preventDefault();
      const line = view.state.doc.lineAt(view.posAtDOM(button)).number - 1;
      view.state.facet(editorContext).tick(line);
    });
    return button;
  }

  override ignoreEvent(): boolean {
    return true;
  }
}

/** The tail of a task as chips; a click puts the cursor into the text. */
export class ChipsWidget extends WidgetType {
  constructor(private readonly chips: readonly ChipLook[]) {
    super();
  }

  override eq(other: ChipsWidget): boolean {
    return JSON.stringify(other.chips) === JSON.stringify(this.chips);
  }

  override toDOM(): HTMLElement {
    const box = document.createElement('span');
    for (const chip of this.chips) {
      const element = document.createElement('span');
      element.className = chipClass(chip);
      if (chip.problem !== null) element.title = chip.problem;
      element.append(part('chip-word', chip.word), part('chip-value', chip.value));
      box.append(element);
    }
    return box;
  }

  override ignoreEvent(): boolean {
    return false;
  }
}

function part(className: string, words: string): HTMLElement {
  const element = document.createElement('span');
  element.className = className;
  element.textContent = words;
  return element;
}

/** A bullet in the place of a list marker. */
export class BulletWidget extends WidgetType {
  override eq(): boolean {
    return true;
  }

  override toDOM(): HTMLElement {
    return part('cm-bullet', '•');
  }
}

/** What is wrong with a line, in sentences under it. */
export class ProblemsWidget extends WidgetType {
  constructor(private readonly messages: readonly string[]) {
    super();
  }

  override eq(other: ProblemsWidget): boolean {
    return other.messages.join('\n') === this.messages.join('\n');
  }

  override toDOM(): HTMLElement {
    const box = part('cm-problem-words', this.messages.join(' '));
    box.setAttribute('role', 'note');
    return box;
  }
}
