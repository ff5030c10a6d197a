import type { Arguments } from '../arguments';
import { PlainError } from '../plain-error';
import { commandGuide } from './command-guides';
import { SHELLS, completionFor } from './completion';
import { helpOf, helpOfAll } from './help';
import { manPage } from './man-page';

/**
 * What the runner says of itself: help, its version, its page of the manual, what shells need; null where something else is asked for.
 *
 * @throws PlainError where help is asked for a command that there is not
 */
export function guided({ command, words, flags }: Arguments, version: string): string | null {
  if (command === '--version' || flags.has('version')) return `${version}\n`;
  if (command === '--help' || (command === 'help' && words.length === 0)) return `${helpOfAll()}\n`;
  if (command === 'help' || flags.has('help')) {
    const name = command === 'help' ? (words[0] ?? '') : command;
    const guide = commandGuide(name);
    if (!guide) throw new PlainError(`There is no command “${name}”.`);
    return `${helpOf(guide)}\n`;
  }
  if (command === 'man') return manPage(version);
  if (command !== 'completion') return null;
  const shell = SHELLS.find((one) => one === words[0]);
  if (!shell) throw new PlainError(`completion needs a shell: ${SHELLS.join(', ')}.`);
  return completionFor(shell);
}
