/** The first words of a text, as many as a message has room for. */
export const shorten = (text: string): string => (text.length > 60 ? `${text.slice(0, 59)}…` : text);
