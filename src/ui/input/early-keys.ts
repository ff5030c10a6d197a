import { isAsking } from '../asking';

/** What was typed between the key of a dialog and its field. */
export interface EarlyKeys {
  typed: string;
  /** Whether Enter was the last of it. */
  entered: boolean;
}

const NONE: EarlyKeys = { typed: '', entered: false };

let held = NONE;
let stop: (() => void) | null = null;

/** The longest time that keys are held for a dialog, in milliseconds. */
const LONGEST = 4000;

/**
 * From now on letters are held, until the dialog that was asked for takes them, so that no letter of a thought is lost while it is
 * being drawn.
 *
 * @param onLost called with what was typed when no dialog came
 */
export function holdKeys(onLost?: (typed: string) => void): void {
  // Pressed once more before the dialog is drawn, it holds what it has.
  if (stop) return;
  held = NONE;
  const hold = (event: KeyboardEvent): void => {
    // Another dialog came first: it has the keys.
    if (isAsking()) return stop?.();
    if (event.ctrlKey || event.metaKey || event.isComposing) return;
    if (event.key === 'Backspace') held = { typed: held.typed.slice(0, -1), entered: false };
    // Held down, it is still the press that chose a command.
    else if (event.key === 'Enter') held = { ...held, entered: held.entered || !event.repeat };
    else if (event.key.length === 1) held = { typed: held.typed + event.key, entered: false };
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const timer = setTimeout(() => {
    if (held.typed !== '') onLost?.(held.typed);
    stop?.();
  }, LONGEST);
  window.addEventListener('keydown', hold, true);
  stop = () => {
    clearTimeout(timer);
    window.removeEventListener('keydown', hold, true);
    stop = null;
  };
}

/** What was typed since; from now on keys go where they go. */
export function takeKeys(): EarlyKeys {
  stop?.();
  const taken = held;
  held = NONE;
  return taken;
}

/**
 * Gives what was typed since to what has the focus by now: a field has the words in it, and with Enter its form is stored, or what it finds is
 * chosen; anything else gets the keys.
 */
export function giveKeys(): void {
  const { typed, entered } = takeKeys();
  const at = document.activeElement;
  if (typed === '' || !(at instanceof HTMLElement)) return;
  if (!(at instanceof HTMLInputElement || at instanceof HTMLTextAreaElement)) {
    for (const key of typed) at.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
    return;
  }
  // As typing does: what is selected goes, and whoever listens hears of it.
  document.execCommand('insertText', false, typed);
  if (!entered) return;
  // Once what was typed is understood.
  setTimeout(() => {
    if (at.form) at.form.requestSubmit();
    else at.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true }));
  });
}
