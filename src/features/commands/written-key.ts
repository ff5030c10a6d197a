const NAMES: Record<string, string> = {
  ctrl: 'Mod',
  control: 'Mod',
  cmd: 'Mod',
  command: 'Mod',
  mod: 'Mod',
  '⌘': 'Mod',
  alt: 'Alt',
  option: 'Alt',
  shift: 'Shift',
};
const ORDER = ['Mod', 'Alt', 'Shift'];

/**
 * A key as a person writes it in a note, as commands name it. Null where it would be pressed in writing: it needs Mod, or is an F key.
 *
 * @example writtenKey('ctrl+shift+f10') // 'Mod+Shift+F10'
 * @example writtenKey('l') // null
 */
export function writtenKey(words: string): string | null {
  const parts = words
    .trim()
    .split(/\s*\+\s*|\s+/)
    .map((part) => NAMES[part.toLowerCase()] ?? part);
  const name = parts.pop() ?? '';
  if (ORDER.includes(name) || !parts.every((part) => ORDER.includes(part))) return null;
  const isFunction = /^f(?:[1-9]|1\d|2[0-4])$/i.test(name);
  const isSign = [...name].length === 1;
  if (!isFunction && !(isSign && parts.includes('Mod'))) return null;
  return [...ORDER.filter((part) => parts.includes(part)), isFunction ? name.toUpperCase() : name.toLowerCase()].join('+');
}
