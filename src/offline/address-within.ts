/**
 * An address of a page of this program, from what a notification carries; from anything else the first page.
 *
 * @example addressWithin('/note/A.md?line=3') // '/note/A.md?line=3'
 * @example addressWithin('//elsewhere.example') // '/'
 */
export const addressWithin = (given: unknown): string => (typeof given === 'string' && /^\/(?![/\\])/.test(given) ? given : '/');
