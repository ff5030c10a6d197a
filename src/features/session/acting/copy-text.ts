import { refuse, say } from '../telling/messages';

/** Puts a text on the clipboard, and says so. */
export async function copyText(text: string): Promise<void> {
  try {
    await navigator.clipboard.writeText(text);
    say('Copied.');
  } catch {
    refuse('The browser did not let the text be copied.');
  }
}
