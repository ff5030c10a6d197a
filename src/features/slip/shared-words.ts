/** What another program shares, as the Web Share Target of the W3C names it: each part may be missing, or stand in another again. */
export interface Shared {
  title: string | null;
  text: string | null;
  link: string | null;
}

/**
 * The words of a slip for what is shared: each part once, on one line, the link last.
 *
 * @example sharedWords({ title: 'Gauges', text: 'Gauges', link: 'https://museum.example/g' }) // 'Gauges https://museum.example/g'
 */
export function sharedWords({ title, text, link }: Shared): string {
  // Words given alone are a slip's own, with the lines that they have.
  if (title === null && link === null) return text ?? '';
  const parts: string[] = [];
  for (const part of [title, text, link]) {
    const words = (part ?? '').replace(/\s+/g, ' ').trim();
    if (words === '' || parts.some((one) => one.includes(words))) continue;
    const within = parts.findIndex((one) => words.includes(one));
    if (within >= 0) parts.splice(within, 1, words);
    else parts.push(words);
  }
  return parts.join(' ');
}
