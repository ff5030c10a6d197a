import { RE2JS } from 're2js';

/** Whether a text fits a pattern. */
export type PatternTest = (text: string) => boolean;

/** Text that nobody reads line by line costs time without use; a pattern looks at the first of it. */
const LONGEST_TEXT = 20_000;

/** The matcher itself; `pattern.ts` says when it is loaded. */
export function matcherOf(source: string, flags: string): PatternTest | { problem: string } {
  const bits = (flags.includes('i') ? RE2JS.CASE_INSENSITIVE : 0) | (flags.includes('s') ? RE2JS.DOTALL : 0);
  try {
    const pattern = RE2JS.compile(source, bits);
    return (text) => pattern.matcher(text.slice(0, LONGEST_TEXT)).find();
  } catch (error) {
    const words = error instanceof Error ? error.message.replace(/^error parsing regexp: /, '') : 'unreadable';
    return { problem: `This pattern cannot be used: ${words}.` };
  }
}
