/** One action of the application: in the menu of commands, and by its key. */
export interface Command {
  id: string;
  title: string;
  /** Such as `Mod+k` or `F8`; null for none. `Mod` is Ctrl, on a Mac ⌘. */
  key: string | null;
  /** Whether it may run now. */
  when?: () => boolean;
  run: () => void;
}

const isMac = (): boolean => /Mac|iPhone|iPad/.test(navigator.platform);

/** Whether a key press is a command's key. */
export function pressed(event: KeyboardEvent, key: string): boolean {
  const parts = key.split('+');
  const letter = parts[parts.length - 1] ?? '';
  const mod = isMac() ? event.metaKey : event.ctrlKey;
  const other = isMac() ? event.ctrlKey : event.metaKey;
  return (
    event.key.toLowerCase() === letter.toLowerCase() &&
    mod === parts.includes('Mod') &&
    event.shiftKey === parts.includes('Shift') &&
    event.altKey === parts.includes('Alt') &&
    !other
  );
}

/** A key as people read it: `Ctrl K`, `F8`. */
export function keyName(key: string): string {
  return key
    .split('+')
    .map((part) => (part === 'Mod' ? (isMac() ? '⌘' : 'Ctrl') : part.length === 1 ? part.toUpperCase() : part))
    .join(' ');
}
