import { failureSentence } from '../../../store/notes/failure';

/** What Recado's own errors are called: their messages are sentences for the person, with what was kept. */
export const OWN_ERRORS: ReadonlySet<string> = new Set([
  'Error',
  'BrokenKeyError',
  'DeskFailure',
  'NoSealError',
  'OutOfSealError',
  'OutsideTroubled',
  'TooMuchError',
  'WrongPassphraseError',
]);

/**
 * Why something failed, as a person can use it: what Recado says of itself stands as it is, what the browser says is put in plain words.
 *
 * @example whyFailed(new DeskFailure('full')) // 'The server has no room left. Your notes here stay, and go there once it has.'
 * @example whyFailed(new TypeError('Failed to fetch')) // 'The server cannot be reached now.'
 */
export function whyFailed(error: unknown): string {
  if (isPieceGone(error)) return 'A piece of the program is missing, as after an update. Load the page anew; every word is kept.';
  if (!(error instanceof Error)) return failureSentence(error);
  if (error.name === 'TypeError' && UNREACHED.test(error.message)) return 'The server cannot be reached now.';
  return OWN_ERRORS.has(error.name) && error.message !== '' ? error.message : failureSentence(error);
}

/** Whether an error says that a piece of the program could not be loaded; each browser has words of its own. */
export function isPieceGone(error: unknown): boolean {
  return (
    error instanceof Error && /dynamically imported module|importing a module script failed|Unable to preload CSS/i.test(error.message)
  );
}

/** The words of Chromium, Firefox and WebKit for a server that is not reached (from memory). */
const UNREACHED = /^(?:Failed to fetch|NetworkError when attempting to fetch resource\.?|Load failed)$/;
