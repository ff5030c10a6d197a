import type { PatternTest, matcherOf } from './pattern-matcher';

const LONGEST_PATTERN = 1000;

/** Larger than the rest of the language together, so that it is loaded when a gather first asks for a pattern. */
let matcher: typeof matcherOf | null = null;

/** Whether the text of a gather asks for a pattern that cannot be made ready yet; `loadPatterns`, then read it again. */
export function needsPatterns(text: string): boolean {
  return matcher === null && /\blike\s*\//i.test(text);
}

export async function loadPatterns(): Promise<void> {
  matcher ??= (await import('./pattern-matcher')).matcherOf;
}

/**
 * Makes a regular expression ready. The matcher never goes back over what it read, so that its time grows with the
 * text alone, whatever the expression; look-around and back-references, which need that, are refused.
 *
 * @param flags `i` for any case, `s` to let a stop fit a line's end
 * @returns the test, or why it cannot be read
 */
export function compilePattern(source: string, flags: string): PatternTest | { problem: string } {
  if (source.length > LONGEST_PATTERN) return { problem: `A pattern has at most ${LONGEST_PATTERN} characters.` };
  if (/[^is]/.test(flags)) return { problem: `“${flags.replace(/[is]/g, '')}” is no flag of a pattern; i and s are.` };
  return matcher ? matcher(source, flags) : { problem: 'Patterns are being made ready.' };
}
