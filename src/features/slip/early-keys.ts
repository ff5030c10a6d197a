/** What is typed between the key of a slip and its field, so that no letter of a thought is lost while the slip is being drawn. */
let typed = '';
let stop: (() => void) | null = null;

/** The longest time that keys are held for a slip, in milliseconds. */
const LONGEST = 4000;

/** From now on letters are held, until the slip takes them. */
export function holdKeys(): void {
  stop?.();
  typed = '';
  const hold = (event: KeyboardEvent): void => {
    if (event.ctrlKey || event.metaKey || event.isComposing) return;
    if (event.key === 'Backspace') typed = typed.slice(0, -1);
    else if (event.key.length === 1) typed += event.key;
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const timer = setTimeout(() => stop?.(), LONGEST);
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
