/** Sent to a link in a text when a key asks for its card. */
export const CARD_ASKED = 'recado-card';

/**
 * What a link in a text stands for: the target as written with `[[` before it, or a tag or person with its sign; null for none.
 *
 * @example placeMeant(span) // '[[Salt on the Glass' or '@kofi'
 */
export function placeMeant({ dataset }: Pick<HTMLElement, 'dataset'>): string | null {
  if (dataset['link'] !== undefined) return dataset['link'] === '' ? null : `[[${dataset['link']}`;
  return dataset['name'] ?? null;
}

/** Asks for the card of a link. */
export const askCard = (link: Element): boolean => link.dispatchEvent(new CustomEvent(CARD_ASKED, { bubbles: true }));
