import { type EditorView, WidgetType } from '@codemirror/view';
import { editorContext } from '../reading/editor-context';

/** How high pictures were when they were drawn last, in pixels: a line that comes into sight does not jump. */
const heights = new Map<string, number>();

/** A picture in the place of its link, or beneath it; where there is none it says why. */
export class PictureWidget extends WidgetType {
  constructor(
    private readonly target: string,
    private readonly words: string,
    /** Another one where what is shown may be another. */
    private readonly show: (target: string) => Promise<{ url: string } | { words: string }>,
  ) {
    super();
  }

  override eq(other: PictureWidget): boolean {
    return other.target === this.target && other.words === this.words && other.show === this.show;
  }

  override get estimatedHeight(): number {
    return heights.get(this.target) ?? -1;
  }

  override toDOM(view: EditorView): HTMLElement {
    const box = document.createElement('span');
    box.className = 'cm-picture';
    const height = heights.get(this.target);
    if (height !== undefined) box.style.minHeight = `${height}px`;
    const say = (words: string): void => {
      box.classList.add('cm-picture-gone');
      box.textContent = this.words === '' ? words : `${words}: ${this.words}`;
      view.requestMeasure();
    };
    void this.show(this.target).then(
      (found) => {
        if ('words' in found) return say(found.words);
        const image = document.createElement('img');
        image.alt = this.words;
        image.decoding = 'async';
        image.draggable = false;
        image.onload = () => {
          box.style.minHeight = '';
          heights.set(this.target, image.offsetHeight);
          view.requestMeasure();
        };
        image.onerror = () => {
          image.remove();
          say('This picture cannot be shown');
        };
        image.src = found.url;
        box.append(image);
      },
      () => say('This picture could not be read'),
    );
    // A press puts the cursor to its link, to be changed or taken away.
    box.addEventListener('mousedown', (event) => {
      event.preventDefault();
      view.dispatch({ selection: { anchor: view.posAtDOM(box) } });
      view.focus();
    });
    return box;
  }

  override ignoreEvent(): boolean {
    return true;
  }
}

/** What shows the picture of a link in this text; null where pictures are only words. */
export const shownIn = (view: EditorView) => view.state.facet(editorContext).picture;
