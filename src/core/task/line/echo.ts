const ECHO = /^\[(?:[^[\]\\]|\\.)*\]\(recado:([a-z0-9]{6})\)$/;

/**
 * The ref of the task that an echo stands for: an item whose whole content is one link with the scheme `recado:`.
 * Null for any other words.
 *
 * @param text what stands after the box, without the tail
 * @example echoRefOf('[Sign the rider](recado:k3f9qa)') // 'k3f9qa'
 */
export function echoRefOf(text: string): string | null {
  return text.endsWith(')') ? (ECHO.exec(text)?.[1] ?? null) : null;
}

/** The words of an echo of a task: brackets are escaped so that the link holds them. */
export function echoWords(text: string, ref: string): string {
  return `[${text.replace(/[[\]\\]/g, '\\$&')}](recado:${ref})`;
}
