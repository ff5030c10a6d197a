import { failureSentence } from '../notes/failure';

/** What browsers call what can go wrong with a file, in plain words. */
const SENTENCES: Readonly<Record<string, string>> = {
  NotFoundError: 'It is not there any more.',
  NotAllowedError: 'The browser gives no access to it.',
  NoModificationAllowedError: 'It is locked: another program writes it now.',
  InvalidModificationError: 'It is being written by another program.',
  NotReadableError: 'It cannot be read now.',
  TypeMismatchError: 'A folder stands where a file should be, or a file where a folder should be.',
  TypeError: 'The disk takes no such name.',
};

/** Why something could not be done with a folder or a file in it, as a person can use it. */
export function folderFailure(error: unknown): string {
  if (!(error instanceof Error || error instanceof DOMException)) return failureSentence(error);
  if (error.name === 'TooMuchError' || error.name === 'DeskFailure') return error.message;
  return SENTENCES[error.name] ?? failureSentence(error);
}
