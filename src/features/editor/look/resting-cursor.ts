import { type EditorView, ViewPlugin, type ViewUpdate } from '@codemirror/view';
import { RestTimer } from '../../../store/texts/rest-timer';

/** How long the hands rest before the cursor begins to blink, in milliseconds. */
const REST = 600;

/**
 * The cursor stands still under the typing hands and blinks when they rest. The library restarts its animation at every key stroke
 * instead; browsers keep each of them until memory is cleaned up and look at all of them at every stroke, so that after some hundred
 * letters a stroke takes several times as long. The theme turns that animation off.
 */
export const restingCursor = ViewPlugin.fromClass(
  class {
    private readonly timer: RestTimer;
    private blinks = false;

    constructor(private readonly view: EditorView) {
      this.timer = new RestTimer(REST, () => this.blink(true));
      this.timer.touch();
    }

    update({ docChanged, selectionSet, focusChanged }: ViewUpdate): void {
      if (!docChanged && !selectionSet && !focusChanged) return;
      if (this.blinks) this.blink(false);
      this.timer.touch();
    }

    destroy(): void {
      this.timer.stop();
      this.blink(false);
    }

    private blink(blinks: boolean): void {
      this.blinks = blinks;
      this.view.scrollDOM.classList.toggle('cm-resting', blinks);
    }
  },
);
