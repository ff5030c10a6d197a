/** What is said where there is no room left. */
export const DISK_FULL = 'The disk is full, or the browser gives Recado no more room.';

/** With less room than this, in bytes, a write that failed failed for want of it. */
const LITTLE_ROOM = 4_000_000;

/** Names that only say that something else went wrong. */
const VAGUE = new Set(['AbortError', 'BulkError', 'Error', 'UnknownError', '']);

/** Why the browser did not store something, as a person can use it, without what becomes of the words. */
export function failureSentence(error: unknown): string {
  const said = causes(error);
  if (
    said.some(
      ({ name, message }) => name === 'QuotaExceededError' || /\bquota\b|disk (?:is )?full|no[_ ]space|not enough space/i.test(message),
    )
  )
    return DISK_FULL;
  if (said.some(({ name }) => name === 'DatabaseClosedError' || name === 'InvalidStateError' || name === 'NotFoundError'))
    return 'The browser closed the store.';
  if (said.some(({ name }) => name === 'NewerStoreError' || name === 'VersionError'))
    return 'The store was written by a newer version of Recado than this page is, so nothing is written into it; load the page anew.';
  const telling = said.find(({ name, message }) => !VAGUE.has(name) && message !== '') ?? said.findLast(({ message }) => message !== '');
  return `The browser could not do it${telling ? ` (${telling.message.slice(0, 160)})` : ''}.`;
}

/** The same, having asked the browser how much room is left: with a really full disk it names other errors. */
export async function failureExplained(error: unknown): Promise<string> {
  try {
    const { quota, usage } = await navigator.storage.estimate();
    if (quota !== undefined && usage !== undefined && quota - usage < LITTLE_ROOM) return DISK_FULL;
  } catch {
    // Where the browser does not tell, its error has to do.
  }
  return failureSentence(error);
}

/** Whether the connection to the store is gone, as after a full disk, so that it must be opened again. */
export function isStoreClosed(error: unknown): boolean {
  return causes(error).some(({ name }) => name === 'DatabaseClosedError' || name === 'InvalidStateError');
}

interface Said {
  name: string;
  message: string;
}

/** An aborted transaction says what aborted it only further in. */
function causes(error: unknown, depth = 0): Said[] {
  if (typeof error !== 'object' || error === null || depth > 4) return [];
  if (Array.isArray(error)) return error.flatMap((one) => causes(one, depth + 1));
  const { name, message, inner, cause } = error as Partial<Said> & { inner?: unknown; cause?: unknown };
  return [{ name: String(name ?? ''), message: String(message ?? '') }, ...causes(inner, depth + 1), ...causes(cause, depth + 1)];
}
