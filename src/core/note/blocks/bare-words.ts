const SIGNS = /^\s*(?:#{1,6}\s+|(?:>\s*)*(?:(?:[-*+]|\d+[.)])\s+)?(?:\[.\]\s+)?)/u;
const TAIL = /\s\{[^{}]*\}\s*$/u;

/**
 * The words of a line as one reads them out: without what it begins with for Markdown's sake, and without its tail.
 *
 * @example bareWords('  - [ ] Weigh the crate {due 2026-11-27}') // 'Weigh the crate'
 */
export const bareWords = (line: string): string => line.replace(SIGNS, '').replace(TAIL, '');
