/**
 * Words as a regular expression that finds just them.
 *
 * @example escapedPattern('1.5 h') // '1\\.5 h'
 */
export const escapedPattern = (words: string): string => words.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
