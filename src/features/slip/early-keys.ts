import { isAsking } from '../../ui/asking';
import { slipDraft } from './slip-draft';

/** What is typed between the key of a slip and its field, so that no letter of a thought is lost while the slip is being drawn. */
let typed = '';
let stop: (() => void) | null = null;

/** The longest time that keys are held for a slip, in milliseconds. */
const LONGEST = 4000;

/** From now on letters are held, until the slip takes them. */
export function holdKeys(): void {
  // Pressed once more before the slip is drawn, it holds what it has.
  if (stop) return;
  typed = '';
  const hold = (event: KeyboardEvent): void => {
    // Another dialog came first: it has the keys.
    if (isAsking()) return stop?.();
    if (event.ctrlKey || event.metaKey || event.isComposing) return;
    if (event.key === 'Backspace') typed = typed.slice(0, -1);
    else if (event.key.length === 1) typed += event.key;
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const timer = setTimeout(() => {
    // No slip came; what was typed stands in the next one.
    if (typed !== '') slipDraft.keep(typed);
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
export function takeKeys(): string {
  stop?.();
  const held = typed;
  typed = '';
  return held;
}
