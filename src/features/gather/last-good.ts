/** The text of each list that could be read last, by where the list stands; as long as the page is open. */
const texts = new Map<string, string>();

/** Where a list stands: its note, and its place (from 0) among the gathers of it. */
export const listPlace = (at: string | null, index: number): string => `${at ?? ''}\n${index}`;

export const lastGoodText = (place: string): string | null => texts.get(place) ?? null;

export function rememberGood(place: string, text: string): void {
  texts.set(place, text);
}
