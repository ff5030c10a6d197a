const SOLE = /^\[\[([^[\]|#\n]+)(?:#[^[\]|\n]*)?(?:\|[^[\]\n]*)?\]\]$/;

/**
 * The note that words link to which are one link and nothing else; null for any other words.
 *
 * @example soleLink('[[Catalogue]]') // 'Catalogue'
 * @example soleLink('Proofs of [[Catalogue]]') // null
 */
export const soleLink = (words: string): string | null => SOLE.exec(words.trim())?.[1]?.trim() ?? null;
