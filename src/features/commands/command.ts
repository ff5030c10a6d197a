import { base } from 'w3c-keyname';
import type { CommandId } from './definitions';

/** One action of the application that can run now: in the menu of commands, and by its key. */
export interface Command {
  /** Of a slip that a person made, with the path of its note; of a pin, with its address. */
  id: CommandId | `slip ${string}` | `pin ${string}`;
  title: string;
  key: string | null;
  /** Whether its key is heard everywhere; else only where it works. */
  heard: boolean;
  /** Whether the menu of commands has it among its places. */
  isPlace?: boolean;
  /** Whether it may run now. */
  when?: () => boolean;
  /** Whether its key means it now; in a field some keys are that field's own. */
  keyWhen?: () => boolean;
  run: () => void;
}

const isMac = (): boolean => typeof navigator !== 'undefined' && /Mac|iPhone|iPad/.test(navigator.platform);

/** The key that was pressed, as commands name it; null while only keys like Shift are down. */
export function keyFrom(event: KeyboardEvent, mac = isMac()): string | null {
  if (/^(?:Control|Shift|Alt|Meta|AltGraph|Dead|Process|CapsLock)$/.test(event.key)) return null;
  const mod = mac ? event.metaKey : event.ctrlKey;
  // With Shift a sign's key types another sign: the key is named by the first, as the editor names it.
  const sign = event.shiftKey && event.key.length === 1 && !/\p{L}/u.test(event.key) ? (base[event.keyCode] ?? event.key) : event.key;
  const name = sign === ' ' ? 'Space' : sign.length === 1 ? sign.toLowerCase() : sign;
  return [mod ? 'Mod' : '', event.altKey ? 'Alt' : '', event.shiftKey ? 'Shift' : '', name].filter((part) => part !== '').join('+');
}

/** Whether a key press is a command's key. */
export function pressed(event: KeyboardEvent, key: string): boolean {
  const other = isMac() ? event.ctrlKey : event.metaKey;
  const found = keyFrom(event);
  return !other && found !== null && sorted(found) === sorted(key);
}

const sorted = (key: string): string => key.split('+').sort().join('+');

const NAMES: Record<string, string> = {
  ArrowUp: '↑',
  ArrowDown: '↓',
  ArrowLeft: '←',
  ArrowRight: '→',
  Backspace: '⌫',
  PageUp: 'Page ↑',
  PageDown: 'Page ↓',
};

/** A key as people read it: `Ctrl K`, `F8`. */
export function keyName(key: string): string {
  return key
    .split('+')
    .map((part) => (part === 'Mod' ? (isMac() ? '⌘' : 'Ctrl') : (NAMES[part] ?? (part.length === 1 ? part.toUpperCase() : part))))
    .join(' ');
}
