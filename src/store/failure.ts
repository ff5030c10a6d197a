/** Why the browser did not store something, as a person can use it, without what becomes of the words. */
export function failureSentence(error: unknown): string {
  const said = causes(error);
  if (
    said.some(
      ({ name, message }) => name === 'QuotaExceededError' || /\bquota\b|disk (?:is )?full|no space|not enough space/i.test(message),
    )
  )
    return 'The disk is full, or the browser gives Recado no more room.';
  if (said.some(({ name }) => name === 'DatabaseClosedError' || name === 'InvalidStateError' || name === 'NotFoundError'))
    return 'The browser closed the store.';
  return `The browser could not do it${said[0]?.message ? ` (${said[0].message.slice(0, 160)})` : ''}.`;
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
