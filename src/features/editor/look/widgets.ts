import { helpAddress } from '../../session/places/addresses';
import { type EditorView, WidgetType } from '@codemirror/view';
import { isOpen } from '../../../core/task/line/status';
import type { Progress } from '../../../core/task/reading/progress';
import { readTail } from '../../../core/task/line/tail';
import type { ChipLook } from '../../../ui/marks/chip-look';
import { chipClass } from '../../../ui/marks/Chips';
import { MARK_VIEW_BOX, type MarkLook, isOnEdge, markClass, markLabel, markShapes } from '../../../ui/marks/mark-shapes';
import { editorContext } from '../reading/editor-context';

const SVG = 'http://www.w3.org/2000/svg';

const drawn = new Map<string, HTMLElement>();

/** A mark to be copied: drawing each of hundreds anew costs several times as much. */
function drawnMark(look: MarkLook): HTMLElement {
  const name = JSON.stringify(look);
  const known = drawn.get(name);
  if (known) return known;
  const button = document.createElement('span');
  button.className = `${markClass(look)} cm-task-mark`;
  button.setAttribute('role', 'img');
  button.setAttribute('aria-label', markLabel(look));
  button.title = 'Click to tick; the left edge raises the priority';
  const svg = document.createElementNS(SVG, 'svg');
  svg.setAttribute('viewBox', MARK_VIEW_BOX);
  svg.setAttribute('aria-hidden', 'true');
  for (const shape of markShapes(look)) {
    const element = document.createElementNS(SVG, shape.tag);
    for (const [attribute, value] of Object.entries(shape.attributes)) element.setAttribute(attribute, value);
    if (shape.words !== undefined) element.textContent = shape.words;
    svg.append(element);
  }
  button.append(svg);
  drawn.set(name, button);
  return button;
}

/** The mark of a task in the place of its box. */
export class MarkWidget extends WidgetType {
  constructor(private readonly look: MarkLook) {
    super();
  }

  override eq(other: MarkWidget): boolean {
    const { status, priority, late, resting, added } = this.look;
    const look = other.look;
    return look.status === status && look.priority === priority && look.late === late && look.resting === resting && look.added === added;
  }

  override toDOM(view: EditorView): HTMLElement {
    const button = drawnMark(this.look).cloneNode(true) as HTMLElement;
    // The cursor stays where it is; only a press that is also let go here counts.
    button.addEventListener('mousedown', (event) => event.preventDefault());
    button.addEventListener('click', (event) => {
      const line = view.state.doc.lineAt(view.posAtDOM(button)).number - 1;
      const { tick, raise } = view.state.facet(editorContext);
      if (isOpen(this.look.status) && isOnEdge(event, button.getBoundingClientRect().left)) raise(line);
      else tick(line);
    });
    return button;
  }

  override ignoreEvent(): boolean {
    return true;
  }
}

/** The tail of a task as chips; a click on one puts the cursor on its value in the text, to be changed in place. */
export class ChipsWidget extends WidgetType {
  constructor(private readonly chips: readonly ChipLook[]) {
    super();
  }

  override eq(other: ChipsWidget): boolean {
    return JSON.stringify(other.chips) === JSON.stringify(this.chips);
  }

  override toDOM(view: EditorView): HTMLElement {
    const box = document.createElement('span');
    for (const chip of this.chips) {
      const element = document.createElement('span');
      element.addEventListener('mousedown', (event) => {
        event.preventDefault();
        selectValue(view, view.posAtDOM(box), chip);
      });
      element.className = chipClass(chip);
      if (chip.problem !== null) element.title = chip.problem;
      if (chip.word !== '') element.append(part('chip-word', chip.word), ' ');
      element.append(part('chip-value', chip.value));
      box.append(element);
    }
    return box;
  }

  override ignoreEvent(): boolean {
    return true;
  }
}

/** Selects the value of a chip's clause in the text of its line. */
function selectValue(view: EditorView, at: number, { word }: ChipLook): void {
  const line = view.state.doc.lineAt(at);
  const name = word === 'rests until' ? 'start' : word;
  const clause = readTail(line.text, 0)?.clauses.find((one) => one.word === name);
  const to = line.from + (clause?.to ?? line.length);
  view.focus();
  view.dispatch({ selection: { anchor: clause ? to - clause.value.length : to, head: to }, scrollIntoView: true });
}

function part(className: string, words: string): HTMLElement {
  const element = document.createElement('span');
  element.className = className;
  element.textContent = words;
  return element;
}

/** Behind the words of a task how many of its steps are done. */
export class StepsWidget extends WidgetType {
  constructor(private readonly steps: Progress) {
    super();
  }

  override eq({ steps }: StepsWidget): boolean {
    return steps.direct === this.steps.direct && steps.directDone === this.steps.directDone;
  }

  override toDOM(): HTMLElement {
    const words = part('cm-steps', `${this.steps.directDone} of ${this.steps.direct}`);
    words.title = 'Steps done of all';
    return words;
  }
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

/** What one press mends on a line, and the key that does the same; empty for none. */
interface Mending {
  words: string;
  key: string;
}

/** What is wrong with a line, in sentences under it, and what mends it. */
export class ProblemsWidget extends WidgetType {
  constructor(
    private readonly messages: readonly string[],
    private readonly mending: Mending | null,
  ) {
    super();
  }

  override eq(other: ProblemsWidget): boolean {
    return other.messages.join('\n') === this.messages.join('\n') && JSON.stringify(other.mending) === JSON.stringify(this.mending);
  }

  override toDOM(view: EditorView): HTMLElement {
    const box = part('cm-problem-words', this.messages.join(' '));
    box.setAttribute('role', 'note');
    if (this.messages.length > 0 && view.state.facet(editorContext).leads) box.append(' ', helpLink());
    if (!this.mending) return box;
    const { words, key } = this.mending;
    const button = part('cm-problem-mend', words);
    button.setAttribute('role', 'button');
    button.addEventListener('mousedown', (event) => {
      event.preventDefault();
      const { state } = view;
      state.facet(editorContext).run('text-repair', state.doc.lineAt(view.posAtDOM(box)).number - 1);
    });
    box.append(this.messages.length > 0 ? ' ' : '', button);
    if (key !== '') box.append(' ', part('cm-problem-hint', key));
    return box;
  }

  override ignoreEvent(): boolean {
    return true;
  }
}

/** Leads to how a task is written. */
function helpLink(): HTMLElement {
  const link = document.createElement('a');
  link.className = 'cm-problem-mend';
  link.href = helpAddress('note', 'the-tail');
  link.dataset['route'] = '';
  link.textContent = 'How it is written';
  return link;
}

/** Opens the details of the task on the cursor's line. */
export class DetailsWidget extends WidgetType {
  override eq(): boolean {
    return true;
  }

  override toDOM(view: EditorView): HTMLElement {
    const button = part('cm-details', '⋯');
    button.setAttribute('role', 'button');
    button.setAttribute('aria-label', 'Details of the task');
    button.title = 'Details of the task';
    button.addEventListener('mousedown', (event) => {
      event.preventDefault();
      view.state.facet(editorContext).run('text-details', view.state.doc.lineAt(view.posAtDOM(button)).number - 1);
    });
    return button;
  }

  override ignoreEvent(): boolean {
    return true;
  }
}
