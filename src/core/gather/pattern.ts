import { RE2JS } from 're2js';

/** Whether a text fits a pattern. */
export type PatternTest = (text: string) => boolean;

/** Text that nobody reads line by line costs time without use; a pattern looks at the first of it. */
const LONGEST_TEXT = 20_000;
const LONGEST_PATTERN = 1000;

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
  const bits = (flags.includes('i') ? RE2JS.CASE_INSENSITIVE : 0) | (flags.includes('s') ? RE2JS.DOTALL : 0);
  try {
    const pattern = RE2JS.compile(source, bits);
    return (text) => pattern.matcher(text.slice(0, LONGEST_TEXT)).find();
  } catch (error) {
    const words = error instanceof Error ? error.message.replace(/^error parsing regexp: /, '') : 'unreadable';
    return { problem: `This pattern cannot be used: ${words}.` };
  }
}
